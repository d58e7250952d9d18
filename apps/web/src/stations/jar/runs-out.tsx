import {
  jarShortages,
  smallerJarFor,
  type Balance,
  type JarsFilled,
  type JarStock,
} from '@idle-kettle/core';
import { jarName, jarsOf, partWords } from '../../ui/jar-picture.js';

interface RunsOutProps {
  readonly balance: Balance;
  readonly jarred: readonly JarsFilled[];
  readonly stock: readonly JarStock[];
  readonly headspace_mm: number;
  readonly shown: readonly string[];
  readonly onAdd: (size: string) => void;
}

/**
 * Where there are fewer jars of a size than may come out: what else is in the kitchen for the rest.
 */
export function RunsOut({ balance, jarred, stock, headspace_mm, shown, onAdd }: RunsOutProps) {
  const planned = balance.jars.map(({ size, count }) => ({ size, most: count.high }));
  const short = jarShortages(planned, jarred, stock, headspace_mm);
  return short.map(({ size, have, wanted, instead: jars }) => (
    <div key={size} className="mt-3 rounded-[12px] border border-line p-3">
      <p>
        {jarsOf(String(have), size, have)} in the kitchen, and {wanted} may be wanted.{' '}
        {jars.length > 0
          ? `For the rest: ${jars.map((each) => jarsOf(String(each.count), each.size, each.count)).join(' and ')}.`
          : 'No other size is written down at Kitchen: have a clean fridge jar ready for the rest.'}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {jars
          .filter((each) => !shown.includes(each.size))
          .map((each) => (
            <button key={each.size} type="button" className="btn" onClick={() => onAdd(each.size)}>
              Fill {jarName(each.size, 2)} too
            </button>
          ))}
      </div>
    </div>
  ));
}

/**
 * A remainder that fills a smaller jar to its headspace can be processed; else it is a fridge jar.
 */
export function PartJars({
  jarred,
  headspace_mm,
}: {
  readonly jarred: readonly JarsFilled[];
  readonly headspace_mm: number;
}) {
  return jarred
    .filter(({ part }) => part > 0)
    .map(({ size, part }) => {
      const smaller = smallerJarFor(size, part, headspace_mm);
      return (
        <p key={size} className="mt-2 text-sm text-soft">
          {`A ${jarName(size, 1)} ${partWords(part)} goes in the fridge, used first: air under the lid.`}
          {smaller &&
            ` The same fills one ${smaller.name[0]} to its headspace, and that one can be processed.`}
        </p>
      );
    });
}
