import {
  canDoDeed,
  doDeed,
  PRACTICE_BEGINS_MS,
  PracticeRun,
  signsOfPan,
  type BatchEvent,
  type Deed,
  type Keeping,
  type Lid,
  type PracticeNotice,
  type PanItem,
  type PracticeScenario,
  type PanSign,
  type TestVerdict,
} from '@idle-kettle/core';

/** How many times as fast as a real pan it runs; 0 stands still. */
export const SPEEDS = [0, 1, 5, 15, 30] as const;

/** Something within reach, and whether it is in. */
export interface TableItem extends PanItem {
  readonly isIn: boolean;
}

/** A practice pan as it is shown: everything a cook may know of it, and nothing more. */
export interface PracticeView {
  readonly time_s: number;
  readonly phase: PracticeRun['phase'];
  readonly speed: number;
  readonly heat: number;
  readonly lid: Lid;
  readonly isGentle: boolean;
  readonly hasPower: boolean;
  readonly signs: readonly PanSign[];
  /** Shares of the depth of the pan. */
  readonly fill: number;
  readonly foam: number;
  /** 0 still, 1 a full rolling boil. */
  readonly boilsBy: number;
  /** 0 thin and frothy, 1 thick and glossy. */
  readonly thickness: number;
  /** 0 bright, 1 brown. */
  readonly darkness: number;
  readonly isSteaming: boolean;
  readonly items: readonly TableItem[];
  readonly lastReading_C: number | undefined;
  readonly lastWeighing_kg: number | undefined;
  readonly lastTest: TestVerdict | undefined;
  /** Seconds since a spoonful was put on the plate. */
  readonly onPlate_s: number | undefined;
  readonly plateShows: TestVerdict;
  readonly checkedIn_C: number | undefined;
  readonly notices: readonly PracticeNotice[];
  readonly log: readonly BatchEvent[];
  readonly stirred_s: number;
  /** Seconds on the clock of a timed boil, once it was started. */
  readonly timed_s: number | undefined;
  readonly jars: readonly number[];
  readonly rested_s: number;
  /** Undefined while it is looked up how the filled jars keep. */
  readonly processMinutes: number | undefined;
  /** Seconds on the timer of the canner. */
  readonly timer_s: number;
  readonly cannerBoils: boolean;
  readonly isForecastShown: boolean;
}

/** Somebody did something, or time passed. */
type ChangedBy = 'deed' | 'time';
type Watcher = (by: ChangedBy) => void;

/** It is drawn so often, ms. */
const DRAWN_EVERY_MS = 200;
/** Thickness is drawn between these, mass fraction of solids: a guess of what the eye sees. */
const THIN_TO_THICK = { from: 0.45, to: 0.68 } as const;
/** Steam is seen from here on, C. */
const STEAMS_FROM_C = 70;

const numberOf = (log: readonly BatchEvent[], type: 'reading' | 'weighed'): number | undefined => {
  const event = log.findLast((each) => each.type === type);
  if (event?.type === 'reading') return event.body.temperature_C;
  return event?.type === 'weighed' ? event.body.mass_kg : undefined;
};

/** The list as it was shown where nothing of it is another: what shows it is not drawn again. */
const sameList = <T>(
  before: readonly T[] | undefined,
  now: readonly T[],
  key: (each: T) => unknown = (each) => each,
): readonly T[] =>
  before?.length === now.length &&
  now.every((each, i) => {
    const was = before[i];
    return was !== undefined && key(was) === key(each);
  })
    ? before
    : [...now];

/** Nothing in the picture moves by less, share of the pan. */
const SEEN_TO = 0.01;
const asSeen = (share: number): number => Math.round(share / SEEN_TO) * SEEN_TO;

/** A run at a pan that somebody cooks: its clock, what is shown of it, and whether the forecast was seen. */
export class PracticeGame {
  readonly run: PracticeRun;
  /** Whether the forecast was ever shown: then the score is one with the forecast. */
  hasSeenForecast = false;
  private speed = 0;
  private isForecastShown = false;
  private readonly watchers = new Set<Watcher>();
  private timer: ReturnType<typeof setInterval> | undefined;
  private shown: PracticeView;

  constructor(
    readonly scenario: PracticeScenario,
    readonly seed: number,
    /** How filled jars keep, worked out beside the page; in it where nothing is given. */
    private readonly judge?: (run: PracticeRun) => Promise<Keeping>,
  ) {
    this.run = new PracticeRun(scenario, seed);
    this.shown = this.look();
  }

  readonly snapshot = (): PracticeView => this.shown;
  readonly watch = (tell: Watcher): (() => void) => {
    this.watchers.add(tell);
    this.keepTime();
    return () => {
      this.watchers.delete(tell);
      this.keepTime();
    };
  };
  readonly can = (deed: Deed): boolean => canDoDeed(this.run, deed);

  readonly act = (deed: Deed): void => {
    const isFilled = doDeed(this.run, deed) && deed.type === 'fill';
    if (isFilled && this.judge) this.isJudging = true;
    this.draw();
    if (isFilled && this.judge) void this.lookUpKeeping();
  };

  private isJudging = false;
  private async lookUpKeeping(): Promise<void> {
    const keeping = await this.judge?.(this.run);
    if (keeping) this.run.takeKeeping(keeping);
    this.isJudging = false;
    this.draw();
  }

  readonly setSpeed = (speed: number): void => {
    this.speed = speed;
    this.keepTime();
    this.draw();
  };

  readonly showForecast = (isShown: boolean): void => {
    this.isForecastShown = isShown;
    this.hasSeenForecast ||= isShown;
    this.draw();
  };

  /** Lets so much time pass at once, s; up to the next thing that happens by itself. */
  readonly skip = (seconds: number): void => {
    const { run } = this;
    const before = run.notices.length;
    const step = run.pan.step_s;
    for (let left = seconds; left > 0 && run.notices.length === before; left -= step)
      run.advance(step);
    this.draw();
  };

  private keepTime(): void {
    clearInterval(this.timer);
    if (this.speed > 0 && this.watchers.size > 0)
      this.timer = setInterval(() => {
        this.run.advance((DRAWN_EVERY_MS / 1000) * this.speed);
        this.draw('time');
      }, DRAWN_EVERY_MS);
  }

  private draw(by: ChangedBy = 'deed'): void {
    if (this.run.phase === 'over') {
      this.speed = 0;
      clearInterval(this.timer);
    }
    this.shown = this.look(this.shown);
    this.watchers.forEach((tell) => tell(by));
  }

  private look(before?: PracticeView): PracticeView {
    const { run, speed, isForecastShown } = this;
    const { pan, log, time_s } = run;
    const test = log.findLast(({ type }) => type === 'test');
    const timed = log.findLast(({ type }) => type === 'minute');
    const { from, to } = THIN_TO_THICK;
    return {
      time_s,
      phase: run.phase,
      speed,
      heat: pan.heat,
      lid: pan.lid,
      isGentle: pan.isGentle,
      hasPower: pan.hasPower,
      signs: sameList(before?.signs, signsOfPan(pan), ({ code }) => code),
      fill: asSeen(pan.fill),
      foam: asSeen(Math.max(pan.foam, pan.fill)),
      boilsBy: asSeen(pan.boilsBy),
      thickness: asSeen(Math.min(Math.max((pan.solids - from) / (to - from), 0), 1)),
      darkness: asSeen(Math.min(pan.darkened, 1)),
      isSteaming: pan.pot.temperature_C >= STEAMS_FROM_C,
      items: sameList(
        before?.items,
        run.items.map((item) => ({ ...item, isIn: run.isIn(item.index) })),
        ({ isIn }) => isIn,
      ),
      lastReading_C: numberOf(log, 'reading'),
      lastWeighing_kg: numberOf(log, 'weighed'),
      lastTest: test?.type === 'test' ? test.body.verdict : undefined,
      onPlate_s: run.onPlate && time_s - run.onPlate.takenAt_s,
      plateShows: run.plateShows(),
      checkedIn_C: run.checkedIn_C,
      notices: sameList(before?.notices, run.notices),
      log: sameList(before?.log, log),
      stirred_s: pan.unstirred_s,
      timed_s: timed && time_s - (Date.parse(timed.at) - PRACTICE_BEGINS_MS) / 1000,
      jars: run.jars,
      rested_s: run.finishedAt_s === undefined ? 0 : time_s - run.finishedAt_s,
      processMinutes: this.isJudging ? undefined : run.processMinutes,
      timer_s: run.timerFrom_s === undefined ? 0 : time_s - run.timerFrom_s,
      cannerBoils: run.cannerBoilsFrom_s !== undefined,
      isForecastShown,
    };
  }
}
