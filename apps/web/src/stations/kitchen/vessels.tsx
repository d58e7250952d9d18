import { toast } from 'sonner';
import {
  VESSEL_KINDS,
  type KitchenGear,
  type VesselBody,
  type VesselKind,
} from '@idle-kettle/contract';
import { BURNERS, type Burner } from '@idle-kettle/core';
import { MeasureInput, TextInput } from '../../ui/measure-input.js';
import { Entry, Section } from './section.js';
import { useGear, withEntry, withoutEntry } from '../../batch/use-gear.js';
import { newId } from '../../data/ids.js';

const VESSEL_WORDS: Readonly<Record<VesselKind, string>> = {
  pan: 'pan',
  'slow-cooker': 'slow cooker',
  'oven-dish': 'oven dish',
};
const BURNER_WORDS: Readonly<Record<Burner, string>> = {
  gas: 'gas',
  electric: 'electric',
  induction: 'induction',
  outdoor: 'outdoor burner',
};

/** Takes something out of the kitchen, with a way back. */
export function takeOut(
  change: (make: (gear: KitchenGear) => KitchenGear) => void,
  name: string,
  was: KitchenGear,
  make: (gear: KitchenGear) => KitchenGear,
): void {
  change(make);
  toast(`${name} deleted`, {
    action: { label: 'Undo', onClick: () => change(() => was) },
    duration: 8000,
  });
}

/** Pans, slow cookers and oven dishes: how large, and how much water they drive off. */
export function Vessels() {
  const { gear, change } = useGear();
  const set = (entry: VesselBody): void =>
    change((was) => ({ ...was, vessels: withEntry(was.vessels, entry) }));
  return (
    <Section
      title="Pans and cookers"
      lead="The usual pan tells whether the foam will stay in it and how long the boil takes. Water lost: weigh the pan with water, boil it hard for ten minutes, weigh it again, times six."
      add={{
        words: 'Add a pan',
        act: () => {
          const id = newId();
          change((was) => ({
            ...was,
            vessels: [...was.vessels, { id, name: 'New pan', kind: 'pan' }],
            usualPanId: was.usualPanId ?? id,
          }));
        },
      }}
    >
      <ul>
        {gear.vessels.map((vessel) => {
          const { capacity_l: _capacity, evaporation_kgPerH: _evaporation, ...bare } = vessel;
          return (
            <Entry
              key={vessel.id}
              name={vessel.name}
              onRemove={() =>
                takeOut(change, vessel.name, gear, ({ usualPanId, ...was }) => ({
                  ...was,
                  vessels: withoutEntry(was.vessels, vessel.id),
                  ...(usualPanId !== undefined && usualPanId !== vessel.id && { usualPanId }),
                }))
              }
            >
              <TextInput
                label="name"
                value={vessel.name}
                onChange={(name) => set({ ...vessel, name })}
              />
              <label className="flex flex-col gap-1 text-sm text-soft">
                is a
                <select
                  className="select w-36 text-base-content"
                  value={vessel.kind}
                  onChange={(event) => set({ ...vessel, kind: event.target.value as VesselKind })}
                >
                  {VESSEL_KINDS.map((kind) => (
                    <option key={kind} value={kind}>
                      {VESSEL_WORDS[kind]}
                    </option>
                  ))}
                </select>
              </label>
              <MeasureInput
                label="to the brim"
                of="litres"
                value={vessel.capacity_l}
                least={0.2}
                most={200}
                onChange={(capacity_l) =>
                  set({
                    ...bare,
                    ...(vessel.evaporation_kgPerH !== undefined && {
                      evaporation_kgPerH: vessel.evaporation_kgPerH,
                    }),
                    ...(capacity_l !== undefined && { capacity_l }),
                  })
                }
              />
              <MeasureInput
                label="loses in an hour"
                of="kilograms"
                value={vessel.evaporation_kgPerH}
                least={0.01}
                most={20}
                placeholder="not known"
                onChange={(evaporation_kgPerH) =>
                  set({
                    ...bare,
                    ...(vessel.capacity_l !== undefined && { capacity_l: vessel.capacity_l }),
                    ...(evaporation_kgPerH !== undefined && { evaporation_kgPerH }),
                  })
                }
              />
              {vessel.kind === 'pan' && (
                <label className="mt-6 flex min-h-[44px] items-center gap-2">
                  <input
                    type="radio"
                    className="radio"
                    name="usual-pan"
                    checked={gear.usualPanId === vessel.id}
                    onChange={() => change((was) => ({ ...was, usualPanId: vessel.id }))}
                  />
                  the usual one
                </label>
              )}
            </Entry>
          );
        })}
      </ul>
    </Section>
  );
}

/** Rings and hobs. */
export function Burners() {
  const { gear, change } = useGear();
  return (
    <Section
      title="Burners"
      lead="How long a boil takes goes by its heat. The strongest burner counts, as long as the usual pan’s own loss of water is not known."
      add={{
        words: 'Add a burner',
        act: () =>
          change((was) => ({
            ...was,
            burners: [...was.burners, { id: newId(), name: 'New burner', kind: 'gas' }],
          })),
      }}
    >
      <ul>
        {gear.burners.map((burner) => {
          const { power_kW: _power, ...bare } = burner;
          const set = (entry: typeof burner): void =>
            change((was) => ({ ...was, burners: withEntry(was.burners, entry) }));
          return (
            <Entry
              key={burner.id}
              name={burner.name}
              onRemove={() =>
                takeOut(change, burner.name, gear, (was) => ({
                  ...was,
                  burners: withoutEntry(was.burners, burner.id),
                }))
              }
            >
              <TextInput
                label="name"
                value={burner.name}
                onChange={(name) => set({ ...burner, name })}
              />
              <label className="flex flex-col gap-1 text-sm text-soft">
                is
                <select
                  className="select w-36 text-base-content"
                  value={burner.kind}
                  onChange={(event) => set({ ...burner, kind: event.target.value as Burner })}
                >
                  {BURNERS.map((kind) => (
                    <option key={kind} value={kind}>
                      {BURNER_WORDS[kind]}
                    </option>
                  ))}
                </select>
              </label>
              <MeasureInput
                label="power"
                of="kilowatts"
                value={burner.power_kW}
                least={0.2}
                most={30}
                placeholder="not known"
                onChange={(power_kW) =>
                  set({ ...bare, ...(power_kW !== undefined && { power_kW }) })
                }
              />
            </Entry>
          );
        })}
      </ul>
    </Section>
  );
}
