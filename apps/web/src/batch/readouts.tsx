import {
  bestWords,
  decidingPH,
  FIRMNESS_BANDS,
  jarWords,
  PECTIN_PH,
  sharpnessWord,
  solidsWord,
  wantedSolids,
  type Balance,
  type FirmnessWord,
  type JarsAhead,
  type Keeping,
  type KeepingVerdict,
  type PotFormula,
} from '@idle-kettle/core';
import { jarName, jarsOf } from '../ui/jar-picture.js';
import { RangeBar, type Tone } from '../ui/range-bar.js';
import { useFormats } from '../ui/preferences.js';
import { capital, sentence } from '../ui/sentence.js';
import { PROCESS_WORDS } from './words.js';

const figures = (low: number, high: number, places: number): string => {
  const [a, b] = [low.toFixed(places), high.toFixed(places)];
  return a === b ? a : `${a} – ${b}`;
};

export const SET_WORDS: Readonly<Record<FirmnessWord, { word: string; tone: Tone }>> = {
  none: { word: 'Runny', tone: 'bad' },
  soft: { word: 'Soft', tone: 'watch' },
  good: { word: 'Good', tone: 'plain' },
  firm: { word: 'Firm', tone: 'plain' },
  stiff: { word: 'Stiff', tone: 'watch' },
};

export const KEEPING_WORDS: Readonly<Record<KeepingVerdict, { word: string; tone: Tone }>> = {
  shelf: { word: 'Shelf', tone: 'good' },
  fridge: { word: 'Fridge', tone: 'watch' },
  freezer: { word: 'Freezer', tone: 'watch' },
  stop: { word: 'Stop', tone: 'bad' },
};

/**
 * The ends of the track solids are drawn on, per cent: some room on either side of what is wanted.
 */
const solidsTrack = ([least, most]: readonly [number, number]): readonly [number, number] =>
  least >= 50 ? [least - 15, most + 7] : [least - 10, most + 17];

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
}

/** Set, sharpness, solids, yield and keeping: each a word, its range, and why. */
export function Readouts({
  balance,
  keeping,
  formula,
  asWeighed,
  jarsNow,
  isFilled = false,
}: ReadoutsProps) {
  return (
    <>
      <SetReadout {...balance} />
      <Sharpness balance={balance} formula={formula} />
      <Solids balance={balance} formula={formula} />
      <Yield
        balance={asWeighed ?? balance}
        isWeighed={asWeighed !== undefined}
        jarsNow={asWeighed ? undefined : jarsNow}
      />
      <KeepingReadout
        keeping={keeping}
        balance={balance}
        altitude_m={formula.place.altitude_m}
        isFilled={isFilled}
      />
    </>
  );
}

function SetReadout({ set }: Balance) {
  const pours = set.model === 'none';
  const { word, tone } = pours
    ? ({ word: 'Pours', tone: 'plain' } as const)
    : SET_WORDS[set.verdict];
  const range = figures(set.firmness.low, set.firmness.high, 1);
  const [reason] = set.reasons;
  return (
    <RangeBar
      name="Set"
      note={pours ? 'a syrup' : '1 is a good set'}
      word={word}
      tone={tone}
      figures={pours ? '' : range}
      {...(!pours && {
        range: set.firmness,
        scale: [0, 2.5] as const,
        wanted: [FIRMNESS_BANDS.soft, FIRMNESS_BANDS.good] as const,
      })}
      reason={reason && sentence(reason.text)}
      spoken={
        pours
          ? 'Set: a syrup, it pours'
          : `Set: ${word.toLowerCase()}, ${range}, wanted ${FIRMNESS_BANDS.soft} to ${FIRMNESS_BANDS.good}`
      }
    />
  );
}

function Sharpness({
  balance: { pH, titratableAcidityPercent: acid },
  formula,
}: {
  readonly balance: Balance;
  readonly formula: PotFormula;
}) {
  const word = capital(sharpnessWord(pH.mid));
  const gels =
    formula.method !== 'no-gel' && formula.method !== 'egg' && formula.method !== 'calcium-pectin';
  const off = gels && (pH.mid < PECTIN_PH[0] || pH.mid > PECTIN_PH[1]);
  return (
    <RangeBar
      name="Sharpness"
      note={`pH · acid ${acid.mid.toFixed(acid.mid < 0.95 ? 1 : 0)} %`}
      word={word}
      tone={off ? 'watch' : 'plain'}
      figures={figures(pH.low, pH.high, 1)}
      range={pH}
      scale={[2.4, 4.8]}
      {...(gels && { wanted: PECTIN_PH })}
      spoken={`Sharpness: ${word.toLowerCase()}, pH ${figures(pH.low, pH.high, 1)}${gels ? `, wanted ${PECTIN_PH.join(' to ')}` : ''}`}
    />
  );
}

function Solids({
  balance: { finish },
  formula,
}: {
  readonly balance: Balance;
  readonly formula: PotFormula;
}) {
  const wanted = wantedSolids(formula.kind, formula.method);
  const said = solidsWord(finish.solubleSolidsPercent.mid, wanted);
  const word = capital(said);
  const percent = `${figures(finish.solubleSolidsPercent.low, finish.solubleSolidsPercent.high, 0)} %`;
  return (
    <RangeBar
      name="Solids"
      note="at the finish"
      word={word}
      tone={said === 'full' ? 'plain' : 'watch'}
      figures={percent}
      range={finish.solubleSolidsPercent}
      scale={solidsTrack(wanted)}
      wanted={wanted}
      spoken={`Solids: ${word}, ${percent}, wanted ${wanted.join(' to ')} %`}
    />
  );
}

function Yield({
  balance: { jars, finish, yieldBracket },
  isWeighed,
  jarsNow,
}: {
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
        name="Yield"
        note={`${yieldBracket.least.toFixed(0)} to ${yieldBracket.most.toFixed(0)} half-pints at the very limits`}
        word={formats.mass(finish.mass_kg.mid)}
        figures={filled
          .map(
            (each) => `${figures(each.count.low, each.count.high, 1)} × ${jarName(each.size, 2)}`,
          )
          .join(', ')}
        spoken={`Yield: ${filled.map((each) => jarsOf(jarWords(each.count.mid), each.size)).join(', ')}`}
      />
    );
  const { count, size } = jar;
  const range = figures(count.low, count.high, 1);
  return (
    <RangeBar
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

function KeepingReadout({
  keeping,
  balance: { pH },
  altitude_m,
  isFilled,
}: {
  readonly keeping: Keeping;
  readonly balance: Balance;
  readonly altitude_m: number | undefined;
  readonly isFilled: boolean;
}) {
  const { verdict, reasons, process, worstPH, limitPH, storage } = keeping;
  const { word, tone } = KEEPING_WORDS[verdict];
  const formats = useFormats();
  const stopWords = isFilled ? 'throw away, do not taste' : 'do not make it';
  const notKept = verdict === 'stop' ? stopWords : 'not for the shelf';
  const isTested = reasons[0]?.code === 'tested-source';
  const told = process ? `${process.minutes} min ${PROCESS_WORDS[process.method]}` : notKept;
  const [first, ...rest] = reasons;
  return (
    <RangeBar
      name="Keeping"
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
              {process.preSterilise ? 'jars boiled sterile first' : 'clean hot jars'},{' '}
              {process.headspace_mm.toFixed(0)} mm headspace. Best within
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
      spoken={`Keeping: ${word}, ${told}`}
    />
  );
}
