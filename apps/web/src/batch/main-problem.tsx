import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { edited, ingredientById, type Remedy } from '@idle-kettle/core';
import type { FormulaBody } from '@idle-kettle/contract';
import { logEvent } from '../data/log-event.js';
import { Notice } from '../ui/notice.js';
import { capital, sentence } from '../ui/sentence.js';
import { shortcutTarget } from '../ui/shortcuts.js';
import { useBatch } from './batch-context.js';
import { WARNING_TITLES, type MainProblem } from './use-main-problem.js';

/** The most important problem and what mends it; what else would help, behind a tap. */
export function MainProblemNotice({ problem }: { readonly problem: MainProblem }) {
  const { title, text, isPlain = false, remedy, link, stale } = problem;
  return (
    <Notice
      title={title}
      tone={isPlain ? 'plain' : 'care'}
      actions={
        <>
          {remedy && <Apply remedy={remedy} primary disabled={stale} />}
          {link && (
            <Link to={link.to} className="btn btn-primary">
              {link.words}
            </Link>
          )}
          <Others name={remedy ? 'Other ways' : 'What else to look at'} problem={problem} />
        </>
      }
    >
      {text}
    </Notice>
  );
}

interface OthersProps {
  readonly name: string;
  readonly problem: MainProblem;
}

/** What is not the most important: other changes that help, and other warnings, behind a tap. */
function Others({ name, problem: { remedies, warnings, stale } }: OthersProps) {
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

/** One tap: before the heat the formula is changed, on it the addition is logged. */
export function Apply({
  remedy,
  primary = false,
  isStrip = false,
  disabled,
}: {
  readonly remedy: Remedy;
  readonly primary?: boolean;
  /** It stands in the strip: the panel has the same, and its key. */
  readonly isStrip?: boolean;
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
      className={`btn h-auto min-h-[44px] ${isStrip ? 'px-3 py-1 text-sm leading-tight' : 'py-2'} ${primary || isStrip ? 'btn-primary' : ''}`}
      disabled={disabled}
      onClick={apply}
    >
      {remedy.text}
    </button>
  );
}
