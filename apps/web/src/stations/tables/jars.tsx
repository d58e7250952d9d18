import {
  fillVolume_ml,
  formatVolume,
  HALF_INCH_MM,
  JAR_SIZES,
  QUARTER_INCH_MM,
  syrupDensity_kgPerM3,
} from '@idle-kettle/core';
import { jarCheck } from '../../batch/checked-rows.js';
import { useCheckedBy } from '../../batch/use-checked-by.js';
import { jarName } from '../../ui/jar-picture.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { capital } from '../../ui/sentence.js';
import { CheckSheetLink, DataTable, Sources } from './data-table.js';

/** A jam as it usually is, mass fraction of solids, and as warm as it stands in the cupboard. */
const JAM_SOLIDS = 0.65;
const ROOM_C = 20;
/** Kilograms of jam in a millilitre. */
const JAM_KG_PER_ML = syrupDensity_kgPerM3(JAM_SOLIDS, ROOM_C) * 1e-6;

const MOUTHS = {
  regular: 'two-piece lid',
  wide: 'two-piece lid, wide mouth',
  twist: 'one-piece twist lid',
} as const;

/** Room left, as it is done; the process tables have their own beside each row. Common practice. */
const HEADSPACES: readonly (readonly [what: string, millimetres: number])[] = [
  ['jam, jelly, marmalade, butter', QUARTER_INCH_MM],
  ['curd, fruit in syrup, relish', HALF_INCH_MM],
];

/** What jars hold, and the room left in them. */
export function Jars() {
  const formats = useFormats();
  const { units } = usePreferences();
  const checkedBy = useCheckedBy();
  return (
    <section aria-label="Jars and headspace" className="panel p-5">
      <h2 className="text-xl">Jars and headspace</h2>
      <p className="mt-1 max-w-prose text-soft">
        Filled to {formats.headspace(QUARTER_INCH_MM)} below the rim. The weight is of a jam of 65
        °Brix.
      </p>
      <DataTable
        name="Jar sizes"
        head={[
          'jar',
          'holds',
          'holds, other units',
          'jam in it',
          'jam, other units',
          'lid',
          'checked by',
        ]}
        rows={JAR_SIZES.map((jar) => {
          const volume_ml = fillVolume_ml(jar, QUARTER_INCH_MM);
          const jam_kg = volume_ml * JAM_KG_PER_ML;
          return {
            key: jar.id,
            cells: [
              capital(jarName(jar.id, 1)),
              formats.volume(volume_ml),
              formatVolume(volume_ml, units === 'us' ? 'metric' : 'us'),
              formats.mass(jam_kg),
              formats.otherMass(jam_kg),
              MOUTHS[jar.mouth],
              checkedBy(jarCheck(jar)),
            ],
          };
        })}
      />
      <h3 className="mt-5 text-lg">Headspace</h3>
      <ul className="mt-1">
        {HEADSPACES.map(([what, millimetres]) => (
          <li key={what} className="py-1">
            <strong>{formats.headspace(millimetres)}</strong> {what}
          </li>
        ))}
      </ul>
      <h3 className="mt-5 text-lg">Canner</h3>
      <ul className="mt-1 max-w-prose list-disc space-y-1 pl-5">
        <li>Hot-filled jars go into water of about 82 °C (180 °F), a rack under them.</li>
        <li>At least an inch (2.5 cm) of water over the jars; top it up boiling, never cold.</li>
        <li>The time starts at a full rolling boil, and from zero again if the boil stops.</li>
        <li>
          Steam: only acid food, at most 45 minutes, never curd; the time starts at full steam for
          your altitude. The vent turned away from face, handle and cupboard.
        </li>
        <li>Heat off, lid off away from your face, 5 minutes, then lift straight up.</li>
        <li>One-piece twist lids have no tested time of their own.</li>
      </ul>
      <Sources sources={[...JAR_SIZES.map(({ source }) => source), 'density after ICUMSA']} />
      <CheckSheetLink />
    </section>
  );
}
