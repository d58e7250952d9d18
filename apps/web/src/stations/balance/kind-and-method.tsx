import type { FinishBody, FormulaBody } from '@idle-kettle/contract';
import {
  givingJuice,
  KINDS,
  METHODS_OF_KIND,
  RISE_LIMITS_K,
  SUGAR_IN,
  type SugarIn,
  USUAL_FINISHES,
  type FinishType,
  type Kind,
  type Method,
} from '@idle-kettle/core';
import { useBatch } from '../../batch/batch-context.js';
import { useKitchenInUse } from '../../data/kitchens.js';
import { useLessons } from '../../data/queries.js';
import { useFormats, usePreferences } from '../../ui/preferences.js';
import { sentence } from '../../ui/sentence.js';
import { FINISH_WORDS, KIND_WORDS, METHOD_WORDS } from '../../batch/words.js';
import { shortcutTarget, type ShortcutId } from '../../ui/shortcuts.js';

const STARTING_FINISH: Readonly<Record<FinishType, FinishBody>> = {
  'gel-temperature': { type: 'gel-temperature' },
  'soluble-solids': { type: 'soluble-solids', percent: 65 },
  'hard-boil': { type: 'hard-boil', minutes: 1 },
  weight: { type: 'weight', mass: '' },
  consistency: { type: 'consistency' },
  curd: { type: 'curd' },
};

const SUGAR_IN_WORDS: Readonly<Record<SugarIn, string>> = {
  'at-once': 'All at once',
  'by-degrees': 'A part at a time',
  warmed: 'Warmed, at once',
};

const usualFinish = (method: Method): FinishBody =>
  STARTING_FINISH[USUAL_FINISHES[method][0] ?? 'gel-temperature'];

function withKind(before: FormulaBody, kind: Kind): FormulaBody {
  // The fruit of a jelly gives its juice; in anything else it goes in itself.
  const document: FormulaBody = {
    ...before,
    lines:
      kind === 'jelly'
        ? givingJuice(before.lines)
        : before.lines.map(({ gives: _, ...line }) => line),
  };
  const methods = METHODS_OF_KIND[kind];
  if (methods.includes(document.method)) return { ...document, kind };
  const method = methods[0] ?? 'long-boil';
  return { ...document, kind, method, finish: usualFinish(method) };
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  readonly shortcut?: ShortcutId;
  readonly onChange: (value: T) => void;
}

function Choice<T extends string>({
  label,
  value,
  options,
  words,
  shortcut,
  onChange,
}: ChoiceProps<T>) {
  return (
    <label className="flex min-w-[9rem] flex-1 flex-col gap-1 text-sm text-soft sm:flex-none">
      {label}
      <select
        {...(shortcut && shortcutTarget(shortcut))}
        className="select w-full text-base-content"
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        {(options.includes(value) ? options : [value, ...options]).map((option) => (
          <option key={option} value={option}>
            {words[option]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Kind, way to a set, and how the finish is judged. */
export function KindAndMethod() {
  const { document, change, problems } = useBatch();
  const { kind, method, finish } = document;
  const usual = USUAL_FINISHES[method];
  const others = (['gel-temperature', 'hard-boil'] as const).filter(
    (type) => !usual.includes(type) && method !== 'no-gel' && method !== 'egg',
  );
  const wrong = problems.filter(
    (problem) =>
      problem.path.startsWith('finish') || problem.path === 'method' || problem.path === 'kind',
  );
  const setFinish = (next: FinishBody): void =>
    change('finish', (was) => ({ ...was, finish: next }));
  return (
    <div className="mb-3">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Kind"
          shortcut="kind"
          value={kind}
          options={KINDS}
          words={KIND_WORDS}
          onChange={(next) => change('kind', (was) => withKind(was, next))}
        />
        <Choice
          label="Setting method"
          shortcut="method"
          value={method}
          options={METHODS_OF_KIND[kind]}
          words={METHOD_WORDS}
          onChange={(next) =>
            change('method', (was) => ({ ...was, method: next, finish: usualFinish(next) }))
          }
        />
        <Choice
          label="Stop when"
          shortcut="finish"
          value={finish.type}
          options={[...usual, ...others]}
          words={FINISH_WORDS}
          onChange={(type) => setFinish(STARTING_FINISH[type])}
        />
        {(finish.type === 'soluble-solids' || finish.type === 'consistency') && (
          <NumberField
            label="Concentration, °Brix"
            value={finish.percent}
            placeholder={finish.type === 'consistency' ? 'by feel' : ''}
            onChange={(percent) =>
              setFinish({ type: finish.type, ...(percent !== undefined && { percent }) })
            }
          />
        )}
        {finish.type === 'hard-boil' && (
          <NumberField
            label="Minutes"
            value={finish.minutes}
            placeholder="1"
            onChange={(minutes) =>
              setFinish({ type: 'hard-boil', ...(minutes !== undefined && { minutes }) })
            }
          />
        )}
        {finish.type === 'gel-temperature' && (
          <TextField
            label="Stop at"
            value={finish.temperature}
            placeholder="as usual here"
            onChange={(temperature) =>
              setFinish(
                temperature === undefined
                  ? { type: 'gel-temperature' }
                  : { type: 'gel-temperature', temperature },
              )
            }
          />
        )}
        {finish.type === 'curd' && (
          <TextField
            label="Cook to"
            value={finish.temperature}
            placeholder="77 °C"
            onChange={(temperature) =>
              setFinish({ type: 'curd', ...(temperature !== undefined && { temperature }) })
            }
          />
        )}
        {kind !== 'curd' && (
          <Choice
            label="Sugar goes in"
            value={document.sugarIn ?? 'at-once'}
            options={SUGAR_IN}
            words={SUGAR_IN_WORDS}
            onChange={(sugarIn) =>
              change('sugar', ({ sugarIn: _, ...was }) =>
                sugarIn === 'at-once' ? was : { ...was, sugarIn },
              )
            }
          />
        )}
        {finish.type === 'weight' && (
          <TextField
            label="Pan weighs"
            value={finish.mass}
            placeholder="3.9 kg"
            onChange={(mass) => setFinish({ type: 'weight', mass: mass ?? '' })}
          />
        )}
      </div>
      <AsLiked onTake={(rise) => setFinish({ type: 'gel-temperature', rise })} />
      {wrong.map(({ path, message }) => (
        <p key={path} className="mt-1 text-sm text-bad">
          {sentence(message)}
        </p>
      ))}
    </div>
  );
}

/** One boil is luck. A guess. */
const FEWEST_BOILS = 2;
/** Closer than this it is the same finish, K. A guess. */
const SAME_RISE_K = 0.15;

/**
 * The set that jars opened so far were liked best with, offered for a finish by gel temperature;
 * nothing while learning is off.
 */
function AsLiked({ onTake }: { readonly onTake: (rise: string) => void }) {
  const { formula } = useBatch();
  const kitchen = useKitchenInUse();
  const lessons = useLessons().data;
  const { temperatureUnit } = usePreferences();
  const formats = useFormats();
  const { finish } = formula;
  if (
    finish.type !== 'gel-temperature' ||
    kitchen?.gear.learning?.used === false ||
    lessons?.kitchenId !== kitchen?.id
  )
    return null;
  const liked = lessons?.lessons.rise_K;
  if (!liked || liked.boils < FEWEST_BOILS) return null;
  const off = liked.value.mid - finish.rise_K;
  if (
    Math.abs(off) < SAME_RISE_K ||
    liked.value.mid < RISE_LIMITS_K.least ||
    liked.value.mid > RISE_LIMITS_K.most
  )
    return null;
  const rise = temperatureUnit === 'F' ? liked.value.mid * 1.8 : liked.value.mid;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 text-soft">
      Of {liked.boils} batches that were opened, the set you like is{' '}
      {formats.difference(Math.abs(off))} {off > 0 ? 'higher' : 'lower'} than this finish.
      <button
        type="button"
        className="btn"
        onClick={() => onTake(`${rise.toFixed(1)} ${temperatureUnit}`)}
      >
        Stop {formats.difference(liked.value.mid)} over boiling water
      </button>
    </p>
  );
}

interface TextFieldProps {
  readonly label: string;
  readonly value: string | undefined;
  readonly placeholder: string;
  /** @param value undefined where nothing is written */
  readonly onChange: (value: string | undefined) => void;
}

const TextField = ({ label, value, placeholder, onChange }: TextFieldProps) => (
  <label className="flex w-36 flex-col gap-1 text-sm text-soft">
    {label}
    <input
      className="input w-full text-base-content"
      value={value ?? ''}
      placeholder={placeholder}
      maxLength={20}
      onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
    />
  </label>
);

interface NumberFieldProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly placeholder: string;
  readonly onChange: (value: number | undefined) => void;
}

function NumberField({ label, value, placeholder, onChange }: NumberFieldProps) {
  return (
    <label className="flex w-28 flex-col gap-1 text-sm text-soft">
      {label}
      <input
        type="number"
        inputMode="decimal"
        step="any"
        className="input w-full text-base-content"
        value={value ?? ''}
        placeholder={placeholder}
        onChange={(event) =>
          onChange(
            Number.isFinite(event.target.valueAsNumber) ? event.target.valueAsNumber : undefined,
          )
        }
      />
    </label>
  );
}
