import type { Deed } from '@idle-kettle/core';
import { jarWords } from '@idle-kettle/core';
import { clock } from '../../ui/now.js';
import { useFormats } from '../../ui/preferences.js';
import type { PracticeView } from './practice-game.js';

interface AfterTheHeatProps {
  readonly view: PracticeView;
  readonly onAct: (deed: Deed) => void;
}

/** What has just come off the boil burns: it is at least as hot as this, C. Common practice. */
const BURNS_C = 90;

/** Off the heat: resting, filling, the canner, and where the jars go. */
export function AfterTheHeat({ view, onAct }: AfterTheHeatProps) {
  const { temperature } = useFormats();
  switch (view.phase) {
    case 'rest':
      return (
        <section aria-label="Off the heat" className="panel p-4">
          <h2 className="text-xl">Off the heat</h2>
          <p className="text-soft">
            It has rested {clock(view.rested_s * 1000)}. Stir it, and fill clean hot jars while it
            is hot. It is over {temperature(BURNS_C)} and sticks: keep children away, and use a wide
            funnel.
          </p>
          <button
            type="button"
            className="btn btn-primary mt-2 h-14 px-6 text-lg"
            onClick={() => onAct({ type: 'fill' })}
          >
            Fill the jars
          </button>
        </section>
      );
    case 'jars':
      return <JarsFilled view={view} onAct={onAct} />;
    case 'canner':
      return <InTheCanner view={view} onAct={onAct} />;
    case 'stove':
    case 'over':
      return null;
  }
}

function JarsFilled({ view: { jars, processMinutes }, onAct }: AfterTheHeatProps) {
  const count = jars.reduce((sum, each) => sum + each, 0);
  if (processMinutes === undefined)
    return (
      <p role="status" className="panel p-4 text-soft">
        {jarWords(count)} jars filled. Looking up how they keep…
      </p>
    );
  return (
    <section aria-label="Jars filled" className="panel p-4">
      <h2 className="text-xl">{jarWords(count)} jars filled: where do they go?</h2>
      <p className="text-soft">
        {processMinutes > 0
          ? `By the table the process is ${processMinutes} minutes here, from the full boil.`
          : 'As it was made there is no process that makes it keep on a shelf.'}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {processMinutes > 0 && (
          <button
            type="button"
            className="btn btn-primary h-14 px-6 text-lg"
            onClick={() => onAct({ type: 'process' })}
          >
            Into the canner, start the timer
          </button>
        )}
        <button
          type="button"
          className="btn h-14 px-6 text-lg"
          onClick={() => onAct({ type: 'store', keptIn: 'fridge' })}
        >
          Refrigerate
        </button>
        <button
          type="button"
          className="btn h-14 px-6 text-lg"
          onClick={() => onAct({ type: 'store', keptIn: 'freezer' })}
        >
          Freeze
        </button>
      </div>
    </section>
  );
}

function InTheCanner({ view, onAct }: AfterTheHeatProps) {
  const { timer_s, processMinutes, cannerBoils } = view;
  return (
    <section aria-label="In the canner" className="panel p-4">
      <h2 className="text-xl">In the canner</h2>
      <p className="display text-[38px]" role="timer">
        {clock(timer_s * 1000)}
      </p>
      <p className={cannerBoils ? 'text-soft' : 'font-bold text-bad'}>
        {cannerBoils
          ? `At a full boil, ${processMinutes} minutes in all.`
          : 'The water is still: it does not boil.'}{' '}
        Lift the lid away from you: steam burns.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn h-14 px-5 text-lg"
          onClick={() => onAct({ type: 'canner-up' })}
        >
          Heat up under the canner
        </button>
        <button
          type="button"
          className="btn h-14 px-5 text-lg"
          disabled={!cannerBoils}
          onClick={() => onAct({ type: 'restart' })}
        >
          Restart the timer
        </button>
        <button
          type="button"
          className="btn btn-primary h-14 px-5 text-lg"
          onClick={() => onAct({ type: 'lift' })}
        >
          Lift the jars out
        </button>
      </div>
    </section>
  );
}
