import type { FinishBody, FormulaBody } from '@idle-kettle/contract';
import {
  KINDS,
  METHODS_OF_KIND,
  USUAL_FINISHES,
  type FinishType,
  type Kind,
  type Method,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { sentence } from '../../ui/sentence.js';
import { FINISH_WORDS, KIND_WORDS, METHOD_WORDS } from '../../batch/words.js';

const STARTING_FINISH: Readonly<Record<FinishType, FinishBody>> = {
  'gel-temperature': { type: 'gel-temperature' },
  'soluble-solids': { type: 'soluble-solids', percent: 65 },
  'hard-boil': { type: 'hard-boil', minutes: 1 },
  weight: { type: 'weight', mass: '' },
  consistency: { type: 'consistency' },
  curd: { type: 'curd' },
};

const usualFinish = (method: Method): FinishBody =>
  STARTING_FINISH[USUAL_FINISHES[method][0] ?? 'gel-temperature'];

function withKind(document: FormulaBody, kind: Kind): FormulaBody {
  const methods = METHODS_OF_KIND[kind];
  if (methods.includes(document.method)) return { ...document, kind };
  const method = methods[0] ?? 'long-boil';
  return { ...document, kind, method, finish: usualFinish(method) };
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  /** Letter of its shortcut. */
  readonly letter: string;
  readonly onChange: (value: T) => void;
}

function Choice<T extends string>({ label, value, options, words, letter, onChange }: ChoiceProps<T>) {
  return (
    <label className="flex min-w-[9rem] flex-1 flex-col gap-1 text-sm text-soft sm:flex-none">
      {label}
      <select
        data-key={letter}
        className="select w-full text-base-content"
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        {(options.includes(value) ? options : [value, ...options]).map((option) => (
          <option key={option} value={option}>
            {words[option]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Kind, way to a set, and how the finish is judged. */
export function Way() {
  const { document, change, problems } = useBatch();
  const { kind, method, finish } = document;
  const usual = USUAL_FINISHES[method];
  const others = (['gel-temperature', 'hard-boil'] as const).filter(
    (type) => !usual.includes(type) && method !== 'no-gel' && method !== 'egg',
  );
  const wrong = problems.filter(
    (problem) => problem.path.startsWith('finish') || problem.path === 'method' || problem.path === 'kind',
  );
  const setFinish = (next: FinishBody): void => change('finish', (was) => ({ ...was, finish: next }));
  return (
    <div className="mb-3">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Kind"
          letter="k"
          value={kind}
          options={KINDS}
          words={KIND_WORDS}
          onChange={(next) => change('kind', (was) => withKind(was, next))}
        />
        <Choice
          label="Way to a set"
          letter="w"
          value={method}
          options={METHODS_OF_KIND[kind]}
          words={METHOD_WORDS}
          onChange={(next) =>
            change('method', (was) => ({ ...was, method: next, finish: usualFinish(next) }))
          }
        />
        <Choice
          label="Finish by"
          letter="g"
          value={finish.type}
          options={[...usual, ...others]}
          words={FINISH_WORDS}
          onChange={(type) => setFinish(STARTING_FINISH[type])}
        />
        {(finish.type === 'soluble-solids' || finish.type === 'consistency') && (
          <NumberField
            label="Solids, %"
            value={finish.percent}
            placeholder={finish.type === 'consistency' ? 'by feel' : ''}
            onChange={(percent) =>
              setFinish({ type: finish.type, ...(percent !== undefined && { percent }) })
            }
          />
        )}
        {finish.type === 'hard-boil' && (
          <NumberField
            label="Minutes"
            value={finish.minutes}
            placeholder="1"
            onChange={(minutes) =>
              setFinish({ type: 'hard-boil', ...(minutes !== undefined && { minutes }) })
            }
          />
        )}
        {finish.type === 'curd' && (
          <label className="flex w-32 flex-col gap-1 text-sm text-soft">
            Cook to
            <input
              className="input w-full text-base-content"
              value={finish.temperature ?? ''}
              placeholder="77 °C"
              maxLength={20}
              onChange={(event) => {
                const temperature = event.target.value;
                setFinish({ type: 'curd', ...(temperature !== '' && { temperature }) });
              }}
            />
          </label>
        )}
        {finish.type === 'weight' && (
          <label className="flex w-32 flex-col gap-1 text-sm text-soft">
            Pot weighs
            <input
              className="input w-full text-base-content"
              value={finish.mass ?? ''}
              placeholder="3.9 kg"
              maxLength={20}
              onChange={(event) => setFinish({ type: 'weight', mass: event.target.value })}
            />
          </label>
        )}
      </div>
      {wrong.map(({ path, message }) => (
        <p key={path} className="mt-1 text-sm text-bad">
          {sentence(message)}
        </p>
      ))}
    </div>
  );
}

interface NumberFieldProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly placeholder: string;
  readonly onChange: (value: number | undefined) => void;
}

function NumberField({ label, value, placeholder, onChange }: NumberFieldProps) {
  return (
    <label className="flex w-28 flex-col gap-1 text-sm text-soft">
      {label}
      <input
        type="number"
        inputMode="decimal"
        step="any"
        className="input w-full text-base-content"
        value={value ?? ''}
        placeholder={placeholder}
        onChange={(event) =>
          onChange(Number.isFinite(event.target.valueAsNumber) ? event.target.valueAsNumber : undefined)
        }
      />
    </label>
  );
}
