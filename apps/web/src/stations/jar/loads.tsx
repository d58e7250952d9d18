import { cannerLoads, type Balance, type JarsFilled } from '@idle-kettle/core';
import { useKitchenInUse } from '../../data/kitchens.js';

interface LoadsProps {
  readonly balance: Balance;
  readonly jarred: readonly JarsFilled[];
  readonly method: 'boiling-water' | 'steam' | undefined;
}

function loadWords(
  found: ReturnType<typeof cannerLoads>,
  method: 'boiling-water' | 'steam',
): string {
  if (found === undefined) return 'how many of these jars fit is not written down at Kitchen.';
  if (found.loads === 1)
    return `one load.${method === 'steam' ? ' No spacer jars are needed for a part load.' : ''}`;
  return `${found.loads} loads, about ${found.first} jars in the first. The others stay hot meanwhile: the pan lidded on its lowest heat, the jars in hot water.`;
}

/**
 * How often each canner is filled for the jars that were filled, or may be; what waits stays hot.
 */
export function Loads({ balance, jarred, method }: LoadsProps) {
  const canners = useKitchenInUse()?.gear.canners ?? [];
  if (method === undefined) return null;
  const filled = jarred.filter(({ full }) => full > 0);
  const jars =
    filled.length > 0
      ? filled.map(({ size, full }) => ({ size, count: full }))
      : balance.jars.map(({ size, count }) => ({ size, count: Math.ceil(count.high) }));
  return canners
    .filter((canner) => canner.method === method)
    .map((canner) => {
      return (
        <p key={canner.id} className="mt-2">
          {canner.name}: {loadWords(cannerLoads(canner, jars), method)}
        </p>
      );
    });
}
