import { useBatch } from '../../batch/batch-context.js';
import { nameOfLine } from '../../batch/line-edit.js';

/** What is in the formula and did not go in: a forgotten lemon changes how it keeps, at once. */
export function Omissions({
  onLeftOut,
}: {
  readonly onLeftOut: (ingredient: string, line: number) => void;
}) {
  const { document, boil } = useBatch();
  const isGone = (ingredient: string, line: number): boolean =>
    boil.log.some(
      ({ event, undone }) =>
        !undone &&
        event.type === 'omission' &&
        event.body.ingredient === ingredient &&
        (event.body.line ?? line) === line,
    );
  const lines = document.lines.flatMap((line, place) => {
    const ingredient = line.ingredient ?? line.name;
    return ingredient === undefined || isGone(ingredient, place)
      ? []
      : [{ line, place, ingredient }];
  });
  if (lines.length === 0) return null;
  return (
    <div className="mt-3">
      <p className="mb-1 text-soft">or it was left out, or forgotten:</p>
      <div className="flex flex-wrap gap-2">
        {lines.map(({ line, place, ingredient }) => (
          <button
            key={place}
            type="button"
            className="btn"
            aria-label={`Left out: ${nameOfLine(line)}`}
            onClick={() => onLeftOut(ingredient, place)}
          >
            {nameOfLine(line)}
          </button>
        ))}
      </div>
    </div>
  );
}
