import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import {
  edited,
  ingredientById,
  mostImportant,
  type Remedy,
  type RemedyCode,
  type Warning,
  type WarningCode,
} from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { logEvent } from '../data/log-event.js';
import { usePreferences } from '../ui/preferences.js';
import { Notice } from '../ui/notice.js';
import { capital, sentence } from '../ui/sentence.js';
import { useBatch } from './batch-context.js';
import { useRemedies } from './use-remedies.js';
import { shortcutTarget } from '../ui/shortcuts.js';

const REMEDY_TITLES: Readonly<Record<RemedyCode, string>> = {
  'acid-for-keeping': 'Not acid enough for the shelf',
  'smaller-jars': 'No time in the tables for this jar',
  'less-fat': 'Too much fat for the shelf',
  'less-sugar': 'Too much sugar for the water',
  'more-water': 'Too much sugar for the water',
  'acid-for-set': 'A little short of acid',
  'boil-further': 'It stops too thin to set',
  'pectin-partner': 'Short of pectin',
  'pectin-for-set': 'Short of pectin',
  'calcium-instead': 'Too little sugar for this pectin',
  'sugar-for-set': 'Too little sugar for this pectin',
  'less-sugar-for-set': 'More sugar than its pectin carries',
  'less-fruit': 'More fruit than its pectin sets',
  'calcium-for-set': 'Short of calcium',
  softer: 'It will be stiff',
  'acid-against-grains': 'Grains may form in the jar',
};

const WARNING_TITLES: Readonly<Record<WarningCode, string>> = {
  'already-past-finish': 'Too much sugar for the water',
  'boils-dry': 'It would boil dry',
  'no-fruit': 'No fruit in the pan',
  'oz-is-weight': 'Ounces are weight here',
  'stop-off-the-point': 'Not the setting point here',
  'unusual-finish': 'An unusual finish',
  'finish-below-solids': 'It cannot boil down that far',
  'stated-yield-impossible': 'The stated yield cannot be right',
  'stated-yield-unlikely': 'The stated yield is unlikely',
  'stated-amounts-disagree': 'Two amounts disagree',
  'sugar-cut': 'Sugar cut with this pectin',
  'batch-doubled': 'A doubled batch',
  'may-crystallise': 'Grains may form in the jar',
  'may-weep': 'It may weep in the jar',
  'altitude-needed': 'Enter your altitude',
  'sea-level-assumed': 'Enter your altitude',
  'pan-too-small': 'The pan is too small',
  'liquid-pectin-first': 'Liquid pectin goes in last',
  'sugar-before-pectin': 'Pectin goes in before the sugar',
  'sugar-by-degrees': 'All the sugar at once',
  'sugar-before-soft': 'Soften the fruit before the sugar',
  'pectin-in-long-boil': 'Added pectin in a long boil',
  'no-calcium-pectin': 'No calcium pectin in the pan',
  'no-jam-sugar': 'No jam sugar in the pan',
  'sweet-without-solids': 'Sweetener without solids',
};
/** Said elsewhere, or by the missing place below. */
const PLACE_WARNINGS: ReadonlySet<WarningCode> = new Set<WarningCode>([
  'sea-level-assumed',
  'altitude-needed',
]);

/** The one thing to look at first, and what to do about it in one tap. */
export function MainProblem() {
  const { problems, balance, formula, document } = useBatch();
  const [first] = problems;
  if (document.lines.length === 0)
    return (
      <Notice title="The pan is empty">
        Add the fruit and its amount, and everything here fills in as you type.
      </Notice>
    );
  if (first)
    return (
      <Notice
        title={
          problems.length > 1
            ? `${problems.length} things are not understood`
            : 'One thing is not understood'
        }
        tone="care"
      >
        {sentence(first.message)} The rest is computed without it.
      </Notice>
    );
  const warnings = balance?.warnings ?? formula.warnings;
  if (warnings.some(({ code }) => PLACE_WARNINGS.has(code)))
    return (
      <Notice
        title="No altitude yet"
        actions={
          <Link to="/kitchen" className="btn btn-primary">
            Enter your altitude
          </Link>
        }
      >
        The processing time depends on your altitude alone, and higher up the pan boils cooler.
        Until you enter it there is no processing time.
      </Notice>
    );
  return <Remedies />;
}

/** The most important problem and what mends it; what else would help, behind a tap. */
function Remedies() {
  const { balance, boil, asMade } = useBatch();
  const { kitchen: place, units } = usePreferences();
  const { remedies, stale } = useRemedies({
    document: asMade,
    kitchen: place,
    units,
    onHeat: boil.startedAt !== undefined,
  });
  const offered = boil.phase === 'done' ? [] : remedies;
  const warnings = balance?.warnings ?? [];
  const first = mostImportant(offered, warnings);
  if (!first) return <WillNotSet />;
  if (first.type === 'warning')
    return (
      <Notice
        title={WARNING_TITLES[first.warning.code]}
        tone="care"
        actions={
          <Others
            name="What else to look at"
            remedies={offered}
            warnings={warnings.filter((warning) => warning !== first.warning)}
            stale={stale}
          />
        }
      >
        {sentence(first.warning.text)}
      </Notice>
    );
  const best = first.remedy;
  return (
    <Notice
      title={REMEDY_TITLES[best.code]}
      tone="care"
      actions={
        <>
          <Apply remedy={best} primary disabled={stale} />
          <Others
            name="Other ways"
            remedies={offered.filter((remedy) => remedy !== best)}
            warnings={warnings}
            stale={stale}
          />
        </>
      }
    >
      {best.text}: {best.effect === '' ? 'it helps' : best.effect}.
    </Notice>
  );
}

interface OthersProps {
  readonly name: string;
  readonly remedies: readonly Remedy[];
  readonly warnings: readonly Warning[];
  readonly stale: boolean;
}

/** What is not the most important: other changes that help, and other warnings, behind a tap. */
function Others({ name, remedies, warnings, stale }: OthersProps) {
  const [open, setOpen] = useState(false);
  if (remedies.length + warnings.length === 0) return null;
  return (
    <>
      <button type="button" className="btn" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Show less' : name}
      </button>
      {open && (
        <ul className="w-full divide-y divide-line">
          {remedies.map((remedy) => (
            <li key={remedy.code} className="py-2">
              <p className="mb-1.5 text-sm">
                {sentence(remedy.effect === '' ? remedy.text : remedy.effect)}
              </p>
              <Apply remedy={remedy} disabled={stale} />
            </li>
          ))}
          {warnings.map(({ code, text }) => (
            <li key={code} className="py-2 text-sm">
              <strong>{WARNING_TITLES[code]}.</strong> {sentence(text)}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** Where nothing is warned of and nothing helps: that it will not set, and why. */
function WillNotSet() {
  const { balance } = useBatch();
  const [why] = balance?.set.reasons ?? [];
  if (balance?.set.verdict !== 'none' || balance.set.model === 'none' || !why) return null;
  return (
    <Notice title="It will not set" tone="care">
      {sentence(why.text)} Nothing small changes that.
    </Notice>
  );
}

/** One tap: before the heat the formula is changed, on it the addition is logged. */
function Apply({
  remedy,
  primary = false,
  disabled,
}: {
  readonly remedy: Remedy;
  readonly primary?: boolean;
  readonly disabled: boolean;
}) {
  const { id, boil, change, document } = useBatch();
  const apply = (): void => {
    const additions = remedy.change.flatMap((edit) => (edit.op === 'add' ? [edit] : []));
    if (boil.startedAt !== undefined && additions.length === remedy.change.length) {
      for (const { amount, ingredient } of additions)
        logEvent(id, 'addition', {
          text: `${amount} ${ingredientById(ingredient)?.name[1] ?? ingredient}`,
        });
      toast.success(`Logged: ${remedy.text}`);
      return;
    }
    let before = document;
    change('', (was) => edited((before = was), remedy.change) as FormulaBody);
    toast(`${capital(remedy.text)}: done`, {
      action: { label: 'Undo', onClick: () => change('', () => before) },
      duration: 8000,
    });
  };
  return (
    <button
      type="button"
      {...(primary && shortcutTarget('remedy'))}
      className={`btn h-auto min-h-[44px] py-2 ${primary ? 'btn-primary' : ''}`}
      disabled={disabled}
      onClick={apply}
    >
      {remedy.text}
    </button>
  );
}
