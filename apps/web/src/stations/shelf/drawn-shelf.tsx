import type { LotView } from '@idle-kettle/contract';
import { drawnFill } from '../../batch/lot-state.js';
import { fruitStyle } from '../../ui/fruit-colour.js';
import { JarPicture, jarName } from '../../ui/jar-picture.js';
import { useTheme } from '../../ui/theme.js';
import * as dates from '../../ui/dates.js';

/** At most so many jars are drawn of a lot; then their number stands beside them. */
const MOST_DRAWN = 12;
/** Lots that are laid out together: what is far out of view is not drawn. */
const CHUNK = 24;

interface DrawnShelfProps {
  /** What the shelf is: "Refrigerated". */
  readonly name: string;
  readonly lots: readonly LotView[];
  readonly isCold?: boolean;
  readonly selected: string | undefined;
  readonly onSelect: (id: string) => void;
}

/** Jars on a shelf, lot by lot, in their colours, sizes and fill; each lot is a button. */
export function DrawnShelf({ name, lots, isCold = false, selected, onSelect }: DrawnShelfProps) {
  const chunks = Array.from({ length: Math.ceil(lots.length / CHUNK) }, (_, i) =>
    lots.slice(i * CHUNK, (i + 1) * CHUNK),
  );
  return chunks.map((chunk) => (
    <ul
      key={chunk[0]?.id}
      aria-label={name}
      className="flex flex-wrap [contain-intrinsic-size:auto_500px] [content-visibility:auto]"
    >
      {chunk.map((lot) => (
        <OnShelf
          key={lot.id}
          lot={lot}
          isCold={isCold}
          isSelected={lot.id === selected}
          onSelect={() => onSelect(lot.id)}
        />
      ))}
      <li aria-hidden="true" className="flex grow-[99] flex-col justify-end">
        <Plank isCold={isCold} />
        <div className="h-[62px]" />
      </li>
    </ul>
  ));
}

const Plank = ({ isCold }: { readonly isCold: boolean }) => (
  <span
    aria-hidden="true"
    className="block h-3 border-b-4"
    style={{
      background: isCold ? 'var(--cold-shelf)' : 'var(--shelf)',
      borderColor: isCold ? 'var(--cold-shelf-edge)' : 'var(--shelf-edge)',
    }}
  />
);

interface OnShelfProps {
  readonly lot: LotView;
  readonly isCold: boolean;
  readonly isSelected: boolean;
  readonly onSelect: () => void;
}

function OnShelf({ lot, isCold, isSelected, onSelect }: OnShelfProps) {
  const theme = useTheme();
  const { title, count, size, partFill, keptIn, madeOn } = lot;
  const fill = drawnFill(lot);
  const drawn = Math.min(count, MOST_DRAWN);
  const note = [dates.month(madeOn), partFill === null ? '' : 'part jar', keptIn ?? ''].filter(
    (part) => part !== '',
  );
  return (
    <li className="flex min-w-[8.5rem] grow flex-col" style={fruitStyle(lot.fruit, theme)}>
      <button
        type="button"
        aria-pressed={isSelected}
        className={`flex flex-1 cursor-pointer flex-col justify-end pt-3 text-left ${isSelected ? 'rounded-lg outline-3 -outline-offset-2 outline-primary' : ''}`}
        onClick={onSelect}
      >
        <span className="flex items-end gap-px pr-5 pl-3">
          {Array.from({ length: drawn }, (_, i) => (
            <JarPicture key={i} size={size} fill={fill} scale={92} />
          ))}
          {count > MOST_DRAWN && <span className="pb-4 pl-1 text-lg font-bold">× {count}</span>}
        </span>
        <Plank isCold={isCold} />
        <span className="block h-[62px] w-0 min-w-full px-3 pt-1 leading-tight">
          <span className="line-clamp-2 text-[15px] font-semibold">
            {title}, {count}
          </span>
          <span className="block truncate text-[13px] text-soft">
            {note.join(', ')}
            <span className="sr-only">, {jarName(size, count)}</span>
          </span>
        </span>
      </button>
    </li>
  );
}
