import { jarWords, type Balance, type KeepingVerdict } from '@idle-kettle/core';
import { JarPicture, jarsOf, partWords } from '../ui/jar-picture.js';

const MOST_DRAWN = 24;

/** The jars a pot will fill, drawn to size; the part jar shows how full it will be. */
export function JarWall({
  balance,
  verdict,
}: {
  readonly balance: Balance;
  readonly verdict: KeepingVerdict;
}) {
  const jars = balance.jars.flatMap(({ size, count }) => {
    const whole = Math.floor(count.mid + 1e-9);
    const part = count.mid - whole;
    return [
      ...Array.from({ length: whole }, () => ({ size, fill: 1 })),
      ...(part > 0.03 ? [{ size, fill: part }] : []),
    ];
  });
  const spoken = balance.jars
    .filter((jar) => jar.count.mid > 0.03)
    .map((jar) => jarsOf(jarWords(jar.count.mid), jar.size))
    .join(', ');
  const last = jars.at(-1);
  return (
    <figure>
      <div
        role="img"
        aria-label={spoken === '' ? 'No jars yet' : spoken}
        className="flex flex-wrap items-end gap-x-1.5 gap-y-2 border-b-4 border-line px-1"
      >
        {jars.slice(0, MOST_DRAWN).map((jar, i) => (
          <JarPicture key={i} size={jar.size} fill={jar.fill} />
        ))}
        {jars.length > MOST_DRAWN && (
          <span className="pb-3 text-soft">and {jars.length - MOST_DRAWN} more</span>
        )}
      </div>
      {last && last.fill < 1 && verdict !== 'stop' && (
        <figcaption className="mt-1.5 text-sm text-soft">
          Last jar {partWords(last.fill)}: refrigerate, use first.
        </figcaption>
      )}
    </figure>
  );
}
