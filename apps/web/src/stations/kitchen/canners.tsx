import { Plus, X } from 'lucide-react';
import { JAR_SIZES, PROCESS_BANDS } from '@idle-kettle/core';
import { CANNER_METHODS, type CannerBody, type CannerMethod } from '@idle-kettle/contract';
import { MeasureInput, TextInput } from '../../ui/measure-input.js';
import { jarName } from '../../ui/jar-picture.js';
import { Entry, Section } from './section.js';
import { useGear, withEntry, withoutEntry } from '../../batch/use-gear.js';
import { takeOut } from './vessels.js';
import { newId } from '../../data/ids.js';

const METHOD_WORDS: Readonly<Record<CannerMethod, string>> = {
  'boiling-water': 'boiling water',
  steam: 'atmospheric steam',
};

/** Canners: how many jars a load holds, and a steam canner's own marks. */
export function Canners() {
  const { gear, change } = useGear();
  return (
    <Section
      title="Canners"
      lead="How many jars go in at once decides the loads. A steam canner's dial is marked in bands of its own: write what yours shows at full steam."
      add={{
        words: 'Add a canner',
        act: () =>
          change((was) => ({
            ...was,
            canners: [
              ...was.canners,
              {
                id: newId(),
                name: 'New canner',
                method: 'boiling-water',
                loads: [],
                marks: [],
              },
            ],
          })),
      }}
    >
      <ul>
        {gear.canners.map((canner) => {
          const set = (entry: CannerBody): void =>
            change((was) => ({ ...was, canners: withEntry(was.canners, entry) }));
          const unused = JAR_SIZES.find(
            ({ id }) => !canner.loads.some(({ size }) => size === id),
          )?.id;
          return (
            <Entry
              key={canner.id}
              name={canner.name}
              onRemove={() =>
                takeOut(change, canner.name, gear, (was) => ({
                  ...was,
                  canners: withoutEntry(was.canners, canner.id),
                }))
              }
            >
              <TextInput
                label="name"
                value={canner.name}
                onChange={(name) => set({ ...canner, name })}
              />
              <label className="flex flex-col gap-1 text-sm text-soft">
                works by
                <select
                  className="select w-44 text-base-content"
                  value={canner.method}
                  onChange={(event) =>
                    set({ ...canner, method: event.target.value as CannerMethod })
                  }
                >
                  {CANNER_METHODS.map((method) => (
                    <option key={method} value={method}>
                      {METHOD_WORDS[method]}
                    </option>
                  ))}
                </select>
              </label>
              <div className="w-full">
                <p className="text-sm text-soft">jars in a load</p>
                <ul className="mt-1 flex flex-wrap gap-3">
                  {canner.loads.map((load, i) => (
                    <li key={load.size} className="flex items-end gap-1">
                      <label className="sr-only" htmlFor={`${canner.id}-${i}`}>
                        jar size of load {i + 1}
                      </label>
                      <select
                        id={`${canner.id}-${i}`}
                        className="select w-32"
                        value={load.size}
                        onChange={(event) =>
                          set({
                            ...canner,
                            loads: canner.loads.map((each, k) =>
                              k === i ? { ...each, size: event.target.value } : each,
                            ),
                          })
                        }
                      >
                        {JAR_SIZES.map(({ id }) => (
                          <option key={id} value={id}>
                            {jarName(id, 2)}
                          </option>
                        ))}
                      </select>
                      <MeasureInput
                        label="at once"
                        of="number"
                        className="w-16"
                        value={load.jars}
                        least={1}
                        most={60}
                        onChange={(jars) =>
                          jars !== undefined &&
                          set({
                            ...canner,
                            loads: canner.loads.map((each, k) =>
                              k === i ? { ...each, jars: Math.round(jars) } : each,
                            ),
                          })
                        }
                      />
                      <button
                        type="button"
                        className="btn btn-ghost btn-square"
                        aria-label={`Leave out ${jarName(load.size, 2)}`}
                        onClick={() =>
                          set({ ...canner, loads: canner.loads.filter((_, k) => k !== i) })
                        }
                      >
                        <X aria-hidden="true" className="size-5" />
                      </button>
                    </li>
                  ))}
                  {unused !== undefined && (
                    <li>
                      <button
                        type="button"
                        className="btn btn-ghost"
                        onClick={() =>
                          set({ ...canner, loads: [...canner.loads, { size: unused, jars: 7 }] })
                        }
                      >
                        <Plus aria-hidden="true" className="size-5" /> A jar size
                      </button>
                    </li>
                  )}
                </ul>
              </div>
              {canner.method === 'steam' &&
                PROCESS_BANDS.map(({ id, label }) => (
                  <TextInput
                    key={id}
                    label={`full steam, ${label}`}
                    className="w-40"
                    placeholder="its own mark"
                    value={canner.marks.find(({ band }) => band === id)?.mark ?? ''}
                    onChange={(mark) =>
                      set({
                        ...canner,
                        marks: [
                          ...canner.marks.filter(({ band }) => band !== id),
                          { band: id, mark },
                        ],
                      })
                    }
                  />
                ))}
            </Entry>
          );
        })}
      </ul>
    </Section>
  );
}
