import { Link } from 'react-router';
import { jarWords, type Balance, type PotFormula } from '@idle-kettle/core';
import { Notice } from '../ui/notice.js';
import { sentence } from '../ui/sentence.js';
import { RangeBar, type Tone } from '../ui/range-bar.js';
import { jarName, jarsOf } from '../ui/jar-picture.js';
import { useFormats, useHabit } from '../ui/habit.js';
import { useBatch, type BenchBatch } from './batch-context.js';
import { stopWords } from './words.js';

/** Soluble solids one wants at the finish, and the track they are drawn on, by kind of finish. Common practice. */
function solidsZone({ kind, method }: PotFormula): {
  wanted: readonly [number, number];
  scale: readonly [number, number];
} {
  return method === 'no-gel' || kind === 'fruit-butter'
    ? { wanted: [20, 53], scale: [10, 70] }
    : { wanted: [60, 68], scale: [45, 75] };
}

function solidsWord(percent: number, [least, most]: readonly [number, number]): { word: string; tone: Tone } {
  if (percent < least) return { word: 'Thin', tone: 'watch' };
  if (percent > most) return { word: 'Heavy', tone: 'watch' };
  return { word: 'Full', tone: 'plain' };
}

const figures = (low: number, high: number, places: number): string => {
  const [a, b] = [low.toFixed(places), high.toFixed(places)];
  return a === b ? a : `${a} – ${b}`;
};

/** What the maker should look at first, or nothing. */
function MainProblem({ batch }: { readonly batch: BenchBatch }) {
  const { placeKnown } = useHabit();
  const { problems, balance, formula } = batch;
  const [first] = problems;
  if (batch.document.lines.length === 0) {
    return (
      <Notice title="The pot is empty">
        Add the fruit and its amount, and everything here fills in as you type.
      </Notice>
    );
  }
  if (first) {
    const more = problems.length - 1;
    return (
      <Notice
        title={more > 0 ? `${problems.length} things are not understood` : 'One thing is not understood'}
        tone="care"
      >
        {sentence(first.message)} The rest is computed without it.
      </Notice>
    );
  }
  const warning = [...(balance?.warnings ?? formula.warnings)].sort(
    (a, b) => Number(b.code === 'already-past-finish') - Number(a.code === 'already-past-finish'),
  )[0];
  if (!warning) return null;
  if (warning.code === 'sea-level-assumed' && !placeKnown) {
    return (
      <Notice
        title="Where is the kettle?"
        actions={
          <Link to="/kitchen" className="btn btn-primary">
            State the altitude
          </Link>
        }
      >
        Sea level is assumed. Higher up the pot boils cooler, and the temperature to stop at is lower.
      </Notice>
    );
  }
  const titles: Readonly<Record<string, string>> = {
    'already-past-finish': 'Too much sugar for the water',
    'no-fruit': 'No fruit in the pot',
    'oz-is-weight': 'Ounces are weight here',
    'unusual-finish': 'An unusual finish',
    'finish-below-solids': 'It cannot boil down that far',
  };
  return (
    <Notice title={titles[warning.code] ?? 'Worth a look'} tone="care">
      {sentence(warning.text)}
    </Notice>
  );
}

/** What will come out: the same place beside every station, each readout a word, its range and a bar. */
export function VerdictPanel() {
  const batch = useBatch();
  const { balance, formula } = batch;
  return (
    <aside aria-label="What will come out" className="px-4 pb-6 sm:px-6 xl:px-5 xl:py-5">
      <h2 className="mb-1 text-xl">What will come out</h2>
      {balance && <Readouts balance={balance} formula={formula} />}
      <div className="mt-4">
        <MainProblem batch={batch} />
        {balance && balance.readyJars > 0 && (
          <p className="mt-3 text-soft">
            Have <strong className="text-base-content">{balance.readyJars}</strong> clean hot jars ready; one
            is a spare.
          </p>
        )}
      </div>
    </aside>
  );
}

function Readouts({ balance, formula }: { readonly balance: Balance; readonly formula: PotFormula }) {
  const formats = useFormats();
  const { finish, jars, waterToBoilOff_kg: water, yieldBracket } = balance;
  const zone = solidsZone(formula);
  const solids = solidsWord(finish.solubleSolidsPercent.mid, zone.wanted);
  const stop = stopWords(formula, balance, formats);
  const [jar] = jars;
  const total = jars.filter((each) => each.count.mid > 0.05);
  const solidFigures = `${figures(finish.solubleSolidsPercent.low, finish.solubleSolidsPercent.high, 0)} %`;
  return (
    <>
      <RangeBar
        name={stop.lead.charAt(0).toUpperCase() + stop.lead.slice(1)}
        note={
          formula.finish.type === 'gel-temperature'
            ? `water boils at ${formats.temperature(finish.boilingPointOfWater_C.mid)}`
            : ''
        }
        word={stop.words}
        figures={
          formula.finish.type === 'gel-temperature'
            ? 'gel point'
            : `about ${formats.temperature(finish.temperature_C.mid)}`
        }
        spoken={`${stop.lead} ${stop.words}`}
      />
      <RangeBar
        name="Solids"
        note="at the finish"
        word={solids.word}
        tone={solids.tone}
        figures={solidFigures}
        range={finish.solubleSolidsPercent}
        scale={zone.scale}
        wanted={zone.wanted}
        spoken={`Solids: ${solids.word}, ${solidFigures}, wanted ${zone.wanted.join(' to ')} %`}
      />
      {jar && total.length <= 1 && (
        <RangeBar
          name="Yield"
          note={jarName(total[0]?.size ?? jar.size, 2)}
          word={jarWords((total[0] ?? jar).count.mid)}
          figures={figures((total[0] ?? jar).count.low, (total[0] ?? jar).count.high, 1)}
          range={(total[0] ?? jar).count}
          scale={[0, Math.max((total[0] ?? jar).count.high * 1.25, 1)]}
          spoken={`Yield: ${jarWords((total[0] ?? jar).count.mid)}, ${figures((total[0] ?? jar).count.low, (total[0] ?? jar).count.high, 1)} ${jarName((total[0] ?? jar).size, 2)}`}
        />
      )}
      {total.length > 1 && (
        <RangeBar
          name="Yield"
          note={`${yieldBracket.least.toFixed(0)} to ${yieldBracket.most.toFixed(0)} half-pints at the very limits`}
          word={formats.mass(finish.mass_kg.mid)}
          figures={total
            .map((each) => `${figures(each.count.low, each.count.high, 1)} × ${jarName(each.size, 2)}`)
            .join(', ')}
          spoken={`Yield: ${total.map((each) => jarsOf(jarWords(each.count.mid), each.size)).join(', ')}`}
        />
      )}
      <RangeBar
        name="To boil away"
        note="water"
        word={formats.mass(water.mid)}
        figures={`${formats.mass(water.low)} – ${formats.mass(water.high)}`}
        range={water}
        scale={[0, Math.max(balance.massIn_kg.mid, 0.01)]}
        spoken={`To boil away: ${formats.mass(water.low)} to ${formats.mass(water.high)} of water`}
      />
      <RangeBar
        name="Keeping"
        note="no rule has been applied"
        word="Not assessed"
        tone="watch"
        figures="treat as fridge"
        spoken="Keeping not assessed: treat as fridge"
      />
    </>
  );
}
