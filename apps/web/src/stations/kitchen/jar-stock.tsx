import { findJar, JAR_SIZES, MEASURED_JAR_DOUBT } from '@idle-kettle/core';
import type { JarStockBody } from '@idle-kettle/contract';
import { MeasureInput } from '../../ui/measure-input.js';
import { jarName } from '../../ui/jar-picture.js';
import { useFormats } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import { Entry, Section } from './section.js';
import { useGear } from '../../batch/use-gear.js';
import { takeOut } from './vessels.js';

/** Empty jars by size, and what one holds when its owner measured it. */
export function JarStock() {
  const { gear, change } = useGear();
  const formats = useFormats();
  const unused = JAR_SIZES.filter(({ id }) => !gear.jars.some(({ size }) => size === id));
  const set = (jar: JarStockBody): void =>
    change((was) => ({
      ...was,
      jars: was.jars.map((each) => (each.size === jar.size ? jar : each)),
    }));
  return (
    <Section
      title="Jars"
      lead="Empty ones in stock, and what one really holds: fill it with water to 6 mm (1/4 in) below the rim and weigh the water; a gram is a millilitre. A measured jar is worth more than any other figure for the yield."
    >
      <ul>
        {gear.jars.map((jar) => {
          const named = findJar(jar.size)?.volumeToQuarterInch_ml ?? 0;
          const far =
            jar.volume_ml !== undefined && Math.abs(jar.volume_ml / named - 1) > MEASURED_JAR_DOUBT;
          const { stock: _stock, volume_ml: _volume, ...bare } = jar;
          return (
            <Entry
              key={jar.size}
              name={jarName(jar.size, 2)}
              onRemove={() =>
                takeOut(change, capital(jarName(jar.size, 2)), gear, (was) => ({
                  ...was,
                  jars: was.jars.filter(({ size }) => size !== jar.size),
                }))
              }
            >
              <p className="mt-8 w-32 font-semibold">{jarName(jar.size, 2)}</p>
              <MeasureInput
                label="in stock"
                of="number"
                className="w-24"
                value={jar.stock}
                least={0}
                most={5000}
                onChange={(stock) =>
                  set({
                    ...bare,
                    ...(jar.volume_ml !== undefined && { volume_ml: jar.volume_ml }),
                    ...(stock !== undefined && { stock: Math.round(stock) }),
                  })
                }
              />
              <MeasureInput
                label="holds, measured"
                of="millilitres"
                value={jar.volume_ml}
                least={30}
                most={2000}
                placeholder={formats.volume(named)}
                onChange={(volume_ml) =>
                  set({
                    ...bare,
                    ...(jar.stock !== undefined && { stock: jar.stock }),
                    ...(volume_ml !== undefined && { volume_ml }),
                  })
                }
              />
              {far && (
                <p className="w-full text-sm text-watch">
                  By its name it holds {formats.volume(named)}. Is it another jar, or was it filled
                  to the brim?
                </p>
              )}
            </Entry>
          );
        })}
      </ul>
      {unused.length > 0 && (
        <label className="mt-3 flex items-center gap-2 text-sm text-soft">
          add a size
          <select
            className="select w-44 text-base-content"
            value=""
            onChange={(event) =>
              change((was) => ({ ...was, jars: [...was.jars, { size: event.target.value }] }))
            }
          >
            <option value="" disabled>
              choose
            </option>
            {unused.map(({ id }) => (
              <option key={id} value={id}>
                {jarName(id, 2)}
              </option>
            ))}
          </select>
        </label>
      )}
    </Section>
  );
}
