import type { KitchenGear } from '@idle-kettle/contract';
import { burnerHeat_W, type PanAndBurner } from '@idle-kettle/core';
import { anObject, browserStore } from '../../data/browser-store.js';
import { useKitchenInUse } from '../../data/kitchens.js';

const lastChosen = browserStore<PanAndBurner>({
  key: 'kettle.stove',
  parse: anObject,
  otherwise: () => ({}),
});

const pansOf = (gear: KitchenGear): KitchenGear['vessels'] =>
  gear.vessels.filter(({ kind }) => kind === 'pan');

/**
 * What a boil goes on unless said otherwise: the pan and ring of the last one, else the usual pan
 * on the strongest ring.
 */
function usualPanAndBurner(gear: KitchenGear): PanAndBurner {
  const last = lastChosen.get();
  const known = (
    all: readonly { readonly id: string }[],
    id: string | undefined,
  ): string | undefined => all.find((each) => each.id === id)?.id;
  const strength = ({ kind, power_kW }: KitchenGear['burners'][number]): number =>
    power_kW === undefined ? 0 : burnerHeat_W(kind, power_kW);
  const strongest = gear.burners.toSorted((a, b) => strength(b) - strength(a))[0]?.id;
  const pan = known(pansOf(gear), last.pan) ?? known(pansOf(gear), gear.usualPanId);
  const ring = known(gear.burners, last.ring) ?? strongest;
  return { ...(pan !== undefined && { pan }), ...(ring !== undefined && { ring }) };
}

/** The pan and ring the kettle is on, and the choice of them where there are several. */
export function usePanAndBurner(): { panAndBurner: PanAndBurner; gear: KitchenGear | undefined } {
  const gear = useKitchenInUse()?.gear;
  return { panAndBurner: gear ? usualPanAndBurner(gear) : {}, gear };
}

interface PanChoiceProps {
  readonly gear: KitchenGear;
  readonly panAndBurner: PanAndBurner;
  readonly onChange: (panAndBurner: PanAndBurner) => void;
}

/**
 * Which pan on which ring: its boils teach the next ones on it. Nothing where there is nothing to
 * choose.
 */
export function PanChoice({ gear, panAndBurner, onChange }: PanChoiceProps) {
  const choose = (change: PanAndBurner): void => {
    const next = { ...panAndBurner, ...change };
    lastChosen.set(next);
    onChange(next);
  };
  const select = (
    name: string,
    of: keyof PanAndBurner,
    all: readonly { readonly id: string; readonly name: string }[],
  ) =>
    all.length > 1 && (
      <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="w-12 text-soft">{name}</span>
        <select
          className="select w-60"
          value={panAndBurner[of] ?? ''}
          onChange={(event) => choose({ [of]: event.target.value })}
        >
          {panAndBurner[of] === undefined && <option value="">not said</option>}
          {all.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      </label>
    );
  return (
    <>
      {select('pan', 'pan', pansOf(gear))}
      {select('ring', 'ring', gear.burners)}
    </>
  );
}
