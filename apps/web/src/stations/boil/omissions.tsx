import { useBatch } from '../../batch/batch-context.js';
import { nameOfLine } from '../../batch/line-edit.js';

/** What is in the formula and did not go in: a forgotten lemon changes how it keeps, at once. */
export function Omissions({ onLeftOut }: { readonly onLeftOut: (ingredient: string) => void }) {
  const { document, boil } = useBatch();
  const gone = boil.log.flatMap(({ event, undone }) =>
    !undone && event.type === 'omission' ? [event.body.ingredient] : [],
  );
  const lines = document.lines.filter(
    ({ ingredient }) => ingredient !== undefined && !gone.includes(ingredient),
  );
  if (lines.length === 0) return null;
  return (
    <div className="mt-3">
      <p className="mb-1 text-soft">or it was left out, or forgotten:</p>
      <div className="flex flex-wrap gap-2">
        {lines.map((line, i) => (
          <button
            key={i}
            type="button"
            className="btn"
            aria-label={`Left out: ${nameOfLine(line)}`}
            onClick={() => onLeftOut(line.ingredient ?? '')}
          >
            {nameOfLine(line)}
          </button>
        ))}
      </div>
    </div>
  );
}
