import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import {
  edited,
  ingredientById,
  type Remedy,
  type RemedyCode,
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
  'no-fruit': 'No fruit in the pot',
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
      <Notice title="The pot is empty">
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
        title="Where is the kettle?"
        actions={
          <Link to="/kitchen" className="btn btn-primary">
            State the altitude
          </Link>
        }
      >
        The process time comes from the altitude alone, and higher up the pot boils cooler. Until it
        is stated there is no process time.
      </Notice>
    );
  return <Remedies />;
}

/**
 * The most useful change with its effect, the others behind a tap; else the first thing worth
 * knowing.
 */
function Remedies() {
  const { balance, boil, asMade } = useBatch();
  const { kitchen: place, units } = usePreferences();
  const { remedies, stale } = useRemedies({
    document: asMade,
    kitchen: place,
    units,
    onHeat: boil.startedAt !== undefined,
  });
  const [others, setOthers] = useState(false);
  const over = boil.phase === 'done';
  const [best, ...rest] = over ? [] : remedies;
  if (!best) {
    const warning = [...(balance?.warnings ?? [])].sort(
      (a, b) => Number(b.code === 'already-past-finish') - Number(a.code === 'already-past-finish'),
    )[0];
    const [why] = balance?.set.reasons ?? [];
    if (!warning && balance?.set.verdict === 'none' && balance.set.model !== 'none' && why)
      return (
        <Notice title="It will not set" tone="care">
          {sentence(why.text)} Nothing small changes that.
        </Notice>
      );
    if (!warning) return null;
    return (
      <Notice title={WARNING_TITLES[warning.code]} tone="care">
        {sentence(warning.text)}
      </Notice>
    );
  }
  return (
    <Notice
      title={REMEDY_TITLES[best.code]}
      tone="care"
      actions={
        <>
          <Apply remedy={best} primary disabled={stale} />
          {rest.length > 0 && (
            <button
              type="button"
              className="btn"
              aria-expanded={others}
              onClick={() => setOthers(!others)}
            >
              {others ? 'Fewer ways' : 'Other ways'}
            </button>
          )}
          {others && (
            <ul className="w-full divide-y divide-line">
              {rest.map((remedy) => (
                <li key={remedy.code} className="py-2">
                  <p className="mb-1.5 text-sm">
                    {sentence(remedy.effect === '' ? remedy.text : remedy.effect)}
                  </p>
                  <Apply remedy={remedy} disabled={stale} />
                </li>
              ))}
            </ul>
          )}
        </>
      }
    >
      {best.text}: {best.effect === '' ? 'it helps' : best.effect}.
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
