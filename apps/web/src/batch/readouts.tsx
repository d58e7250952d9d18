import {
  bestWords,
  concentrationWord,
  decidingPH,
  FIRMNESS_BANDS,
  firmnessSaid,
  firmnessWord,
  jarWords,
  PECTIN_PH,
  FILLED_STORAGE_SAID,
  STORAGE_SAID,
  tasteWord,
  wantedSolids,
  type Balance,
  type FirmnessWord,
  type JarsAhead,
  type Keeping,
  type KeepingVerdict,
  type PotFormula,
} from '@idle-kettle/core';
import { jarName, jarsOf } from '../ui/jar-picture.js';
import { RangeBar, type Explanation, type Tone } from '../ui/range-bar.js';
import { useFormats } from '../ui/preferences.js';
import { capital, sentence } from '../ui/sentence.js';
import { explanationOf, type Readout } from './readout-explanations.js';
import { PROCESS_WORDS } from './words.js';

/** "3.1 to 3.4", "65". */
const spread = (low: number, high: number, places: number): string => {
  const [a, b] = [low.toFixed(places), high.toFixed(places)];
  return a === b ? a : `${a} to ${b}`;
};

/** How a firmness looks on the panel. */
export const FIRMNESS_TONE: Readonly<Record<FirmnessWord, Tone>> = {
  none: 'bad',
  soft: 'watch',
  good: 'plain',
  firm: 'plain',
  stiff: 'watch',
};

/** Storage as it is said of a batch that is planned, and its colour. */
export const STORAGE_WORDS: Readonly<Record<KeepingVerdict, { word: string; tone: Tone }>> = {
  shelf: { word: capital(STORAGE_SAID.shelf), tone: 'good' },
  fridge: { word: capital(STORAGE_SAID.fridge), tone: 'watch' },
  freezer: { word: capital(STORAGE_SAID.freezer), tone: 'watch' },
  stop: { word: capital(STORAGE_SAID.stop), tone: 'bad' },
};
/** The same of jars that are filled. */
export const FILLED_STORAGE_WORDS: typeof STORAGE_WORDS = {
  ...STORAGE_WORDS,
  stop: { word: capital(FILLED_STORAGE_SAID.stop), tone: 'bad' },
};

/**
 * The ends of the track concentration is drawn on, per cent: some room on either side of what is wanted.
 */
const solidsTrack = ([least, most]: readonly [number, number]): readonly [number, number] =>
  least >= 50 ? [least - 15, most + 7] : [least - 10, most + 17];

type Explain = () => Explanation;

interface ReadoutsProps {
  readonly balance: Balance;
  readonly keeping: Keeping;
  readonly formula: PotFormula;
  /** What comes of it as it was weighed off the heat. */
  readonly asWeighed?: Balance | undefined;
  /** The jars a cook of hours will fill, as far as its log tells. */
  readonly jarsNow?: JarsAhead | undefined;
  /** Jars of it are filled already. */
  readonly isFilled?: boolean;
  /** Its jars went through their process. */
  readonly isProcessed?: boolean;
}

/** Firmness, acidity, concentration, yield and storage: each a word, its range, and why. */
export function Readouts({
  balance,
  keeping,
  formula,
  asWeighed,
  jarsNow,
  isFilled = false,
  isProcessed = false,
}: ReadoutsProps) {
  const formats = useFormats();
  const explain = (readout: Readout) => () =>
    explanationOf(readout, { balance, formula, keeping, formats });
  return (
    <>
      <Firmness {...balance} formula={formula} explain={explain('firmness')} />
      <Acidity balance={balance} formula={formula} explain={explain('acidity')} />
      <Concentration balance={balance} formula={formula} explain={explain('concentration')} />
      <Yield
        explain={explain('yield')}
        balance={asWeighed ?? balance}
        isWeighed={asWeighed !== undefined}
        jarsNow={asWeighed ? undefined : jarsNow}
      />
      <Storage
        explain={explain('storage')}
        keeping={keeping}
        balance={balance}
        altitude_m={formula.place.altitude_m}
        isFilled={isFilled}
        isProcessed={isProcessed}
      />
    </>
  );
}

/** "soft to firm"; empty where both ends are the same word. */
function betweenWords(low: string, high: string): string {
  return low === high ? '' : `${low} to ${high}`;
}

function Firmness({
  set,
  formula,
  explain,
}: Balance & { readonly formula: PotFormula; readonly explain: Explain }) {
  const formats = useFormats();
  const { model, verdict, firmness } = set;
  if (model === 'none')
    return (
      <RangeBar
        explain={explain}
        name="Firmness"
        note="a syrup"
        word="Pours"
        figures=""
        spoken="Firmness: a syrup, it pours"
      />
    );
  const said = (value: number): string => firmnessSaid(firmnessWord(value), model);
  const word = firmnessSaid(verdict, model);
  const between = betweenWords(said(firmness.low), said(firmness.high));
  const wanted = firmnessSaid('good', model);
  const [reason] = set.reasons;
  return (
    <RangeBar
      explain={explain}
      name="Firmness"
      note={
        formula.finish.type === 'curd'
          ? `thickened at ${formats.temperature(formula.finish.temperature_C)}`
          : `wanted: ${wanted}`
      }
      word={capital(word)}
      tone={FIRMNESS_TONE[verdict]}
      figures={between}
      range={firmness}
      scale={[0, 2.5]}
      wanted={[FIRMNESS_BANDS.soft, FIRMNESS_BANDS.good]}
      reason={reason && sentence(reason.text)}
      spoken={`Firmness: ${word}, ${between === '' ? '' : `${between}, `}wanted ${wanted}`}
    />
  );
}

/** What the acidity does to the set: pH beside what pectin wants. */
function acidityForSet(pH: number): string {
  if (pH > PECTIN_PH[1]) return 'too little for the set';
  return pH < PECTIN_PH[0] ? 'too much for the set' : 'right for the set';
}

function Acidity({
  balance: { pH, titratableAcidityPercent: acid },
  formula,
  explain,
}: {
  readonly explain: Explain;
  readonly balance: Balance;
  readonly formula: PotFormula;
}) {
  const taste = tasteWord(acid.mid);
  const gels =
    formula.method !== 'no-gel' && formula.method !== 'egg' && formula.method !== 'calcium-pectin';
  const forSet = acidityForSet(pH.mid);
  const isOff = gels && (pH.mid < PECTIN_PH[0] || pH.mid > PECTIN_PH[1]);
  const range = `pH ${spread(pH.low, pH.high, 1)}`;
  return (
    <RangeBar
      explain={explain}
      name="Acidity"
      note={gels ? forSet : `${acid.mid.toFixed(acid.mid < 0.95 ? 1 : 0)} % acid`}
      word={`Tastes ${taste}`}
      tone={isOff ? 'watch' : 'plain'}
      figures={range}
      range={pH}
      scale={[2.4, 4.8]}
      {...(gels && { wanted: PECTIN_PH })}
      spoken={`Acidity: tastes ${taste}, ${range}${gels ? `, ${forSet}, wanted ${PECTIN_PH.join(' to ')}` : ''}`}
    />
  );
}

function Concentration({
  balance: { finish },
  formula,
  explain,
}: {
  readonly explain: Explain;
  readonly balance: Balance;
  readonly formula: PotFormula;
}) {
  const wanted = wantedSolids(formula.kind, formula.method);
  const { low, mid, high } = finish.solubleSolidsPercent;
  const isUsual = concentrationWord(mid, wanted) === 'usual';
  const range = spread(low, high, 0);
  return (
    <RangeBar
      explain={explain}
      name="Concentration"
      note={`wanted: ${wanted.join(' to ')}`}
      word={`${mid.toFixed(0)} °Brix`}
      tone={isUsual ? 'plain' : 'watch'}
      figures={range}
      range={finish.solubleSolidsPercent}
      scale={solidsTrack(wanted)}
      wanted={wanted}
      spoken={`Concentration: ${mid.toFixed(0)} degrees Brix, ${range}, wanted ${wanted.join(' to ')}`}
    />
  );
}

function Yield({
  explain,
  balance: { jars, finish, yieldBracket },
  isWeighed,
  jarsNow,
}: {
  readonly explain: Explain;
  readonly balance: Balance;
  readonly isWeighed: boolean;
  readonly jarsNow: JarsAhead | undefined;
}) {
  const formats = useFormats();
  const filled = jars.filter((each) => each.count.mid > 0.05);
  const [planned] = filled.length > 0 ? filled : jars;
  const jar = jarsNow ?? planned;
  if (!jar) return null;
  if (filled.length > 1)
    return (
      <RangeBar
        explain={explain}
        name="Yield"
        note={`between ${yieldBracket.least.toFixed(0)} and ${yieldBracket.most.toFixed(0)} half-pints`}
        word={formats.mass(finish.mass_kg.mid)}
        figures={filled
          .map((each) => `${spread(each.count.low, each.count.high, 1)} × ${jarName(each.size, 2)}`)
          .join(', ')}
        spoken={`Yield: ${filled.map((each) => jarsOf(jarWords(each.count.mid), each.size)).join(', ')}`}
      />
    );
  const { count, size } = jar;
  const range = spread(count.low, count.high, 1);
  return (
    <RangeBar
      explain={explain}
      name="Yield"
      note={`${jarName(size, 2)}${noteOf(isWeighed, jarsNow)}`}
      word={jarWords(count.mid)}
      figures={range}
      range={count}
      scale={[0, Math.max(count.high * 1.25, 1)]}
      spoken={`Yield: ${jarWords(count.mid)}, ${range} ${jarName(size, 2)}`}
    />
  );
}

const noteOf = (isWeighed: boolean, jarsNow: JarsAhead | undefined): string => {
  if (isWeighed) return ', as weighed';
  return jarsNow ? ', as it cooks' : '';
};

/** A process makes the shelf; what is refrigerated all the same is processed first. */
function processWord(verdict: KeepingVerdict, isProcessed: boolean): string {
  if (isProcessed) return 'processed';
  return verdict === 'shelf' ? 'if processed' : 'process first:';
}

function notForShelf(verdict: KeepingVerdict, isFilled: boolean): string {
  if (verdict !== 'stop') return 'not for the shelf';
  return isFilled ? '' : 'not safe to store or eat';
}

/** How it is stored, and what decides. */
export function Storage({
  explain,
  keeping,
  balance: { pH },
  altitude_m,
  isFilled,
  isProcessed,
}: {
  readonly explain?: Explain;
  readonly keeping: Keeping;
  readonly balance: Balance;
  readonly altitude_m: number | undefined;
  readonly isFilled: boolean;
  readonly isProcessed: boolean;
}) {
  const { verdict, reasons, process, worstPH, limitPH, storage } = keeping;
  const { word, tone } = (isFilled ? FILLED_STORAGE_WORDS : STORAGE_WORDS)[verdict];
  const formats = useFormats();
  const isTested = reasons[0]?.code === 'tested-source';
  const told = process
    ? `${processWord(verdict, isProcessed)} ${process.minutes} min ${PROCESS_WORDS[process.method]}`
    : notForShelf(verdict, isFilled);
  const [first, ...rest] = reasons;
  return (
    <RangeBar
      {...(explain && { explain })}
      name="Storage"
      note={
        limitPH === null
          ? ''
          : `highest likely pH ${decidingPH(worstPH, limitPH, 1)} (limit ${limitPH.toFixed(1)})`
      }
      word={word}
      // A tested source is not our own word, and has another colour.
      tone={isTested ? 'plain' : tone}
      figures={told}
      {...(limitPH !== null && {
        range: { low: pH.mid, mid: pH.mid, high: Math.max(worstPH, pH.mid) },
        scale: [2.4, 4.8] as const,
        wanted: [2.4, limitPH] as const,
      })}
      reason={
        <>
          {process && verdict === 'shelf' && !isTested ? (
            <>
              {altitude_m !== undefined && `At ${formats.altitude(altitude_m)}, `}
              {process.preSterilise ? 'jars sterilised first' : 'clean hot jars'},{' '}
              {formats.headspace(process.headspace_mm)} headspace. Best within
              {` ${bestWords(storage.best)}`}.
            </>
          ) : (
            first && sentence(first.text)
          )}
          <details>
            <summary className="min-h-[44px] cursor-pointer pt-1">
              Not a tested recipe: your extension service or food authority has the last word.{' '}
              <span className="underline">Rules and sources</span>
            </summary>
            <ul className="list-disc space-y-1 pl-5">
              {[...(first ? [first] : []), ...rest].map(({ code, text, source }) => (
                <li key={code}>
                  {sentence(text)} <span className="text-xs">({source})</span>
                </li>
              ))}
              {process && (
                <li>
                  Row “{process.row}”, {process.band}. {process.source}
                </li>
              )}
            </ul>
          </details>
        </>
      }
      spoken={`Storage: ${told === '' ? word : `${word}, ${told}`}`}
    />
  );
}
