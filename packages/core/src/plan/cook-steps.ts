import { placeInWords, type CookStage, type StageWork } from '../formula/index.js';
import { MINUTE_MS } from '../quantity/index.js';
import type { Timed } from './schedule.js';
import type { Attention, Minutes, PlannedBatch, StepDraft, StepRule } from './plan-step.js';

/*
 * The steps of a batch that cooks in stages: butters, and whatever a formula says is cooked so.
 * Common practice, no source, where nothing else is said.
 */

/** What a place asks of the cook, and what may go wrong there. */
interface PlaceRules {
  readonly attention: Attention;
  /** Of the time that the cook stirs, share. */
  readonly stirring: number;
  readonly caution?: string;
}

/** Only a slow cooker is left to itself; whatever has a flame or a hot oven needs watching. */
const AT_PLACE: Readonly<Record<CookStage['where'], PlaceRules>> = {
  'slow-cooker': {
    attention: 'hands-off',
    stirring: 0.01,
    caution: 'on a bare, heat-proof surface; a cold crock is never put on heat',
  },
  oven: {
    attention: 'needs-watching',
    stirring: 0.05,
    caution:
      'a wide pan of hot purée: slide the rack out with both hands, do not lift at arm’s length',
  },
  burner: {
    attention: 'needs-watching',
    stirring: 0.1,
    caution: 'it spits as it thickens, and catches late: long sleeves, a long spoon',
  },
  'outdoor-burner': {
    attention: 'hands-on',
    stirring: 1,
    caution: 'outdoor gas never under a roof; children and pets out of the way',
  },
  'double-boiler': { attention: 'needs-watching', stirring: 0.2 },
};

/** How long what is done between two stages takes, and what it is called. */
const WORK: Readonly<Record<StageWork, { text: string; minutes: Minutes; caution: string }>> = {
  blend: {
    text: 'blend it smooth',
    minutes: [8, 15],
    caution:
      'hot purée jumps: fill the blender a third at most, lid vented under a towel, in batches; a stick blender stays under the surface',
  },
  sieve: {
    text: 'rub it through a sieve',
    minutes: [15, 40],
    caution: 'let it cool a little first: it splashes',
  },
  mill: {
    text: 'turn it through a food mill',
    minutes: [10, 25],
    caution: 'let it cool a little first: it splashes',
  },
};

/** What tells how far a butter is, before its last stage. */
const MILESTONES = ['it has fallen to a sauce', 'it is darker, and has sunk'] as const;
const IT_MOUNDS =
  'it mounds on the spoon, and no ring of water runs from it on a cold plate; it is thicker when cold';

const stageCode = (i: number): 'cook' | `cook-${number}` => (i === 0 ? 'cook' : `cook-${i + 1}`);

/** What a stage is told to stop at, where no clock ends it. */
function cueOf({ cooking, stages }: PlannedBatch, i: number): string | undefined {
  if (cooking !== 'butter') return undefined;
  if (i === stages.length - 1) return IT_MOUNDS;
  return MILESTONES[Math.min(i, MILESTONES.length - 1)];
}

/** A stage as a step of the plan. */
function stageStep(batch: PlannedBatch, stage: CookStage, i: number): StepDraft {
  const { balance, linesOfStage, loads } = batch;
  const { attention, stirring, caution } = AT_PLACE[stage.where];
  const { low, mid, high } = balance.cook.stages[i]?.minutes ?? { low: 0, mid: 0, high: 0 };
  const isLast = i === batch.stages.length - 1;
  const inLoads =
    i === 0 && loads > 1 ? ` in ${loads} loads, the pan four fifths full at first` : '';
  const cue = cueOf(batch, i);
  return {
    code: stageCode(i),
    text: `${isLast && stage.end.type === 'finish' ? 'cook it down' : 'cook it'}${inLoads} ${placeInWords(stage)}`,
    attention,
    minutes: [low, high],
    attended_min: mid * stirring,
    lines: linesOfStage(i),
    ...(caution !== undefined && { caution }),
    ...(cue !== undefined && { cue }),
  };
}

/** Every stage, and what is done before it. */
export const cookInStages: StepRule = (batch) => {
  if (batch.cooking !== 'butter' && batch.cooking !== 'stages') return [];
  return batch.stages.flatMap((stage, i): StepDraft[] => {
    const work = stage.work && WORK[stage.work];
    return [
      ...(stage.work && work
        ? [{ code: `${stage.work}-${i + 1}` as const, attention: 'hands-on' as const, ...work }]
        : []),
      stageStep(batch, stage, i),
    ];
  });
};

/** Back to the heat it must be filled at takes so long. */
const REHEAT_MIN: Minutes = [5, 20];

/** What comes from a slow cooker or an oven is not hot enough to fill. */
export const reheat: StepRule = (batch) => {
  const last = batch.stages.at(-1);
  const isCooler = last && (last.where === 'slow-cooker' || last.where === 'oven');
  return (batch.cooking === 'butter' || batch.cooking === 'stages') && isCooler
    ? [
        {
          code: 'reheat',
          text: 'bring it back to a simmer of 85 °C (185 °F) on the burner, and fill at once',
          attention: 'cannot-leave',
          minutes: REHEAT_MIN,
          caution: 'cooler than that, no tested time applies; it spits: long sleeves',
          cue: 'it blows slow bubbles all over',
        },
      ]
    : [];
};

/** When people sleep, hours of the day. Common practice. */
export interface Night {
  readonly from_h: number;
  readonly to_h: number;
}
const USUAL_NIGHT: Night = { from_h: 23, to_h: 6 };
/** The night is looked for at such steps. */
const LOOK_EVERY_MS = 30 * MINUTE_MS;

/**
 * Whether a stage of a cook that must not be left alone goes on in the night. Times in milliseconds
 * since 1970.
 *
 * @param hourOf the hour of the day where the kitchen is, 0 to 23
 */
export function needsWatchingAtNight(
  { code, attention, start, end }: Pick<Timed, 'code' | 'attention' | 'start' | 'end'>,
  hourOf: (at: number) => number,
  { from_h, to_h }: Night = USUAL_NIGHT,
): boolean {
  if (!code.startsWith('cook') || attention === 'hands-off') return false;
  for (let at = start; at < end; at += LOOK_EVERY_MS) {
    const hour = hourOf(at);
    if (hour >= from_h || hour < to_h) return true;
  }
  return false;
}
