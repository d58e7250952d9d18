import { parse } from 'papaparse';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import {
  boilingPointAt,
  gelTemperature_C,
  guessLogColumns,
  LOG_COLUMNS,
  readBoilLog,
  valueEvents,
  type BatchEvent,
  type LogColumn,
  type LogOptions,
  cutText,
} from '@idle-kettle/core';
import { useBatch, timeOfBatch } from '../../batch/batch-context.js';
import { outbox } from '../../data/outbox.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { newId } from '../../data/ids.js';
import { LONGEST_DEVICE } from '@idle-kettle/contract';
import * as dates from '../../ui/dates.js';

const COLUMN_WORDS: Readonly<Record<LogColumn, string>> = {
  time: 'time',
  temperature: 'temperature',
  weight: 'weight in the pan',
  brix: 'Brix',
  ignored: 'leave out',
};
const LARGEST_BYTES = 5_000_000;
const MOST_ROWS = 50_000;
const SHOWN = 4;

/** A column chosen: what it says stands in one column, so another that said it is left out. */
const withColumn = (
  columns: readonly LogColumn[],
  index: number,
  chosen: LogColumn,
): LogColumn[] => {
  const others = columns.map((was) => (was === chosen ? 'ignored' : was));
  return others.with(index, chosen);
};

/**
 * A boil that another device has logged, as a CSV file: its columns matched, looked at, and taken
 * into this batch's log.
 */
export function ImportLog({ onDone }: { readonly onDone: () => void }) {
  const { id, boil, balance } = useBatch();
  const { kitchen, isPlaceKnown } = usePreferences();
  const formats = useFormats();
  const [file, setFile] = useState<{ name: string; rows: string[][] }>();
  const [options, setOptions] = useState<LogOptions>();
  const [wrong, setWrong] = useState<string>();
  const read = useMemo(
    () => (file && options ? readBoilLog(file.rows, options) : undefined),
    [file, options],
  );
  const open = async (chosen: File | undefined): Promise<void> => {
    setFile(undefined);
    setWrong(undefined);
    if (!chosen) return;
    if (boil.startedAt === undefined && !isPlaceKnown)
      return setWrong('Where it was boiled is not known: enter the altitude at Kitchen first');
    if (chosen.size > LARGEST_BYTES)
      return setWrong(
        `${chosen.name} is ${(chosen.size / 1e6).toFixed(1)} MB; a logged boil has at most ${LARGEST_BYTES / 1e6}`,
      );
    const { data } = parse<string[]>(await chosen.text(), { skipEmptyLines: 'greedy' });
    if (data.length < 2 || (data[0]?.length ?? 0) < 2)
      return setWrong(
        `${chosen.name} is no table with a heading and at least two columns; save it as CSV`,
      );
    if (data.length > MOST_ROWS)
      return setWrong(
        `${chosen.name} has ${data.length} rows; at most ${MOST_ROWS} are taken at once`,
      );
    const begins = boil.startedAt ?? timeOfBatch(boil);
    setFile({ name: chosen.name, rows: data });
    setOptions({ ...guessLogColumns(data[0] ?? []), begins });
  };
  const take = async (): Promise<void> => {
    if (!file || !read) return;
    const device = cutText(file.name, LONGEST_DEVICE);
    const make = (type: BatchEvent['type'], at: number, body: object): BatchEvent =>
      ({
        id: newId(),
        type,
        at: new Date(at).toISOString(),
        // By the clock of whatever logged it: nobody corrects it.
        saidAt: new Date(at).toISOString(),
        device,
        body,
      }) as BatchEvent;
    const had = new Set(boil.log.map(({ event, at }) => `${event.type} ${at}`));
    const events = read.observations
      .flatMap(({ at, ...values }) =>
        valueEvents(values).map(({ type, body }) => make(type, at, body)),
      )
      // The same file once more adds nothing.
      .filter((event) => !had.has(`${event.type} ${Date.parse(event.at)}`));
    const first = read.observations[0];
    // A batch that was boiled elsewhere went on the heat when its log begins.
    const light =
      first && boil.startedAt === undefined
        ? [
            make('light', first.at, {
              gelTemperature_C: balance?.finish.temperature_C?.mid ?? gelTemperature_C(kitchen),
              boilingPoint_C: boilingPointAt(kitchen).boilingPoint_C.mid,
            }),
          ]
        : [];
    await outbox.addEvents(id, [...light, ...events]);
    toast.success(
      events.length === 0
        ? 'All of it was in the log already'
        : `${events.length} values of ${file.name} are in the log`,
    );
    onDone();
  };
  const [heading = []] = file?.rows ?? [];
  const first = read?.observations[0];
  return (
    <div className="mt-3 border-t border-line pt-3">
      <label className="flex flex-col gap-1">
        <span>A logged boil as a CSV file: a heading, then a row a reading</span>
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="file-input w-full max-w-md"
          onChange={(event) => void open(event.target.files?.[0])}
        />
      </label>
      {wrong !== undefined && (
        <p role="alert" className="mt-1 text-bad">
          {wrong}
        </p>
      )}
      {file && options && read && (
        <>
          <div className="mt-3 overflow-x-auto">
            <table className="table">
              <thead>
                <tr>
                  {heading.map((name, i) => (
                    <th key={i} scope="col" className="text-base-content">
                      <span className="block pb-1 font-semibold">{name}</span>
                      <select
                        aria-label={`What “${name}” is`}
                        className="select w-40"
                        value={options.columns[i]}
                        onChange={(event) => {
                          const chosen = event.target.value as LogColumn;

                          setOptions({
                            ...options,
                            columns: withColumn(options.columns, i, chosen),
                          });
                        }}
                      >
                        {LOG_COLUMNS.map((column) => (
                          <option key={column} value={column}>
                            {COLUMN_WORDS[column]}
                          </option>
                        ))}
                      </select>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {file.rows.slice(1, 1 + SHOWN).map((row, i) => (
                  <tr key={i}>
                    {heading.map((_, k) => (
                      <td key={k}>{row[k]}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div className="mt-2 flex flex-wrap items-end gap-3">
            {options.columns.includes('temperature') && (
              <label className="flex flex-col gap-1 text-sm text-soft">
                temperatures are in
                <select
                  className="select w-32 text-base-content"
                  value={options.temperature}
                  onChange={(event) =>
                    setOptions({ ...options, temperature: event.target.value as 'C' | 'F' })
                  }
                >
                  <option value="C">°C</option>
                  <option value="F">°F</option>
                </select>
              </label>
            )}
            {options.columns.includes('weight') && (
              <label className="flex flex-col gap-1 text-sm text-soft">
                weights are in
                <select
                  className="select w-32 text-base-content"
                  value={options.weight}
                  onChange={(event) =>
                    setOptions({ ...options, weight: event.target.value as LogOptions['weight'] })
                  }
                >
                  {(['kg', 'g', 'lb'] as const).map((unit) => (
                    <option key={unit} value={unit}>
                      {unit}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <label className="flex flex-col gap-1 text-sm text-soft">
              it began
              <input
                type="datetime-local"
                className="input w-56 text-base-content"
                value={dates.fieldValue(options.begins)}
                onChange={(event) => {
                  const begins = new Date(event.target.value).getTime();
                  if (Number.isFinite(begins)) setOptions({ ...options, begins });
                }}
              />
            </label>
            <button
              type="button"
              className="btn btn-primary"
              disabled={read.observations.length === 0}
              onClick={() => void take()}
            >
              Add {read.observations.length} rows to the log
            </button>
          </div>
          <p role="status" className="mt-2 text-soft">
            {first
              ? `From ${dates.dayAndSeconds(first.at)} to ${dates.dayAndSeconds(read.observations.at(-1)?.at ?? first.at)}${first.temperature_C === undefined ? '' : `, beginning with ${formats.temperature(first.temperature_C)}`}.`
              : 'No row is understood so far.'}
          </p>
          {read.problems.length > 0 && (
            <ul className="mt-1 list-disc pl-5 text-watch">
              {read.problems.slice(0, SHOWN).map(({ line, message }) => (
                <li key={line}>
                  Line {line}: {message}
                </li>
              ))}
              {read.problems.length > SHOWN && (
                <li>and {read.problems.length - SHOWN} more rows</li>
              )}
            </ul>
          )}
        </>
      )}
    </div>
  );
}
