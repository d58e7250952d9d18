import { AIR_SHARE, FILL_C, FILM_KG, FOAM_SHARE, preparePot } from '../balance/index.js';
import {
  boilFrom,
  type BatchEvent,
  type EventBodies,
  type EventType,
  type TestVerdict,
} from '../boil-log/index.js';
import { addWhenOf } from '../forecast/index.js';
import type {
  AddWhen,
  FormulaDocument,
  FormulaLine,
  Kitchen,
  PotFormula,
} from '../formula/index.js';
import { fillInOrder, fillVolume_ml } from '../jars/index.js';
import type { Keeping } from '../keeping/index.js';
import { CURD_C, FILLED_HOT_C, madeBatch } from '../made-batch/index.js';
import { MINUTE_S } from '../quantity/index.js';
import { syrupDensity_kgPerM3 } from '../syrup/index.js';
import { displayName } from '../produce/index.js';
import { boilingPointAt } from '../water/index.js';
import type { PracticeAction } from './actions.js';
import { hiddenTruth, potFormulaOf, type HiddenTruth } from './hidden-truth.js';
import { HEAT_LEVELS, PracticePan } from './practice-pan.js';
import { everythingIn } from './scenario-reader.js';
import type { Happening, PracticeScenario } from './scenario.js';

/** Practice has no day of its own: its clock begins here, milliseconds since 1970. */
export const PRACTICE_BEGINS_MS = Date.UTC(2026, 0, 1, 12);

/** On the stove, off it and resting, in the jars, in the canner, stored. */
export type PracticePhase = 'stove' | 'rest' | 'jars' | 'canner' | 'over';

/** Something the cook is told the moment it happens. */
export interface PracticeNotice {
  readonly time_s: number;
  readonly code:
    'power-off' | 'power-on' | 'helper-added' | 'runs-over' | 'canner-stopped' | 'canner-boils';
  /** What the helper put in. */
  readonly item?: number;
}

/** A spoonful on the cold plate. */
export interface OnPlate {
  readonly takenAt_s: number;
  /** How firm it would be once it is cold. */
  readonly firmness: number;
}

/** Something that may go into the pan. */
export interface PanItem {
  readonly index: number;
  readonly text: string;
  readonly when: AddWhen;
  /** A line of the formula. */
  readonly isPlanned: boolean;
  /** The cook can put it in; the rest only a helper does. */
  readonly isWithinReach: boolean;
}

/** It cools on the plate with this time constant, s. A guess. */
const PLATE_COOLS_S = 40;
/** Warm from the pan it shows this share of how firm it gets. A guess. */
const WARM_SHOWS = 0.25;
/** Upper ends of what a push shows, on the firmness scale; above the last it is stiff. Guesses. */
const PUSHED: readonly (readonly [number, TestVerdict])[] = [
  [0.35, 'runs'],
  [0.6, 'slowly closes'],
  [0.82, 'holds a line'],
  [1.5, 'wrinkles'],
];
/** A power cut strikes between this much and this much of its distance from the finish. A choice of ours. */
const STRIKES = { least: 0.7, spread: 0.6 } as const;

/**
 * One go at a scenario: the pan, the jars and the canner, and the log the cook keeps. The same
 * scenario, seed and deeds give the same run, on every device.
 */
export class PracticeRun {
  readonly truth: HiddenTruth;
  /** Everything that may go in. */
  readonly formula: PotFormula;
  /** Soluble solids its formula ends at by the balance, per cent. */
  readonly wantedSolidsPercent: number;
  readonly pan: PracticePan;
  readonly items: readonly PanItem[];
  readonly actions: PracticeAction[] = [];
  readonly notices: PracticeNotice[] = [];
  readonly log: BatchEvent[] = [];
  phase: PracticePhase = 'stove';
  time_s = 0;
  onPlate: OnPlate | undefined;
  /** The boiling point as read on the thermometer in water, once it was checked, C. */
  checkedIn_C: number | undefined;
  finishedAt_s: number | undefined;
  filledAt_s: number | undefined;
  filledAt_C: number | undefined;
  /** Fractional jars of each size. */
  jars: readonly number[] = [];
  /** When the timer of the canner was last started. */
  timerFrom_s: number | undefined;
  /** Since when the canner boils; undefined while it does not. */
  cannerBoilsFrom_s: number | undefined;
  cannerBoilsAgainAt_s: number | undefined;
  /** When the canner's boil stopped, after the timer was last started. */
  cannerStoppedAt_s: number | undefined;
  storedIn: 'shelf' | 'fridge' | 'freezer' | undefined;
  private readonly inPan = new Set<number>();
  private readonly happened = new Set<Happening>();
  private powerBackAt_s = Infinity;
  private ranOver = false;

  constructor(
    readonly scenario: PracticeScenario,
    readonly seed: number,
  ) {
    const everything = potFormulaOf(scenario);
    const written = everythingIn(scenario).lines;
    const planned = scenario.formula.lines.length;
    const reached = planned + (scenario.within ?? []).length;
    this.formula = everything;
    const ownFormula = { ...everything, lines: everything.lines.slice(0, planned) };
    const whenOf = addWhenOf(ownFormula);
    this.wantedSolidsPercent = preparePot(ownFormula)?.outcome.solids ?? 0;
    this.items = everything.lines.map((line, index) => ({
      index,
      text: textOf(written[index] ?? { amount: '' }, line),
      when: whenOf(line),
      isPlanned: index < planned,
      isWithinReach: index < reached,
    }));
    this.truth = hiddenTruth(scenario, seed);
    for (const { index, when, isPlanned } of this.items)
      if (isPlanned && when === 'start') this.inPan.add(index);
    this.pan = new PracticePan(scenario, this.truth, everything, [...this.inPan], seed);
    this.lightLog();
  }

  /** Where it is cooked, as far as the cook knows. */
  get kitchen(): Kitchen {
    const { altitude_m } = this.scenario;
    return {
      altitude_m,
      ...(this.checkedIn_C !== undefined && { boilingPoint_C: this.checkedIn_C }),
    };
  }
  get document(): FormulaDocument {
    return this.scenario.formula;
  }
  /** Milliseconds since 1970 by the clock of practice. */
  get now_ms(): number {
    return PRACTICE_BEGINS_MS + this.time_s * 1000;
  }
  /** Minutes of the canner for what is in the jars, by the table; 0 before there are any, and where there is no row. */
  get processMinutes(): number {
    const { verdict, process } = this.asFilled() ?? {};
    return verdict === 'shelf' ? (process?.minutes ?? 0) : 0;
  }
  /** Where jars go that are not processed. */
  get coldStorage(): 'fridge' | 'freezer' {
    return this.asFilled()?.verdict === 'freezer' ? 'freezer' : 'fridge';
  }
  /** Takes how the filled jars will keep as it was worked out elsewhere, by `madeBatch` from this log. */
  takeKeeping(keeping: Keeping): void {
    this.filledKeeping = keeping;
  }
  /** How the filled jars will keep once they are processed; worked out when somebody asks. */
  private asFilled(): Keeping | undefined {
    if (this.filledAt_s === undefined) return undefined;
    return (this.filledKeeping ??= madeBatch(this.document, boilFrom(this.log), this.kitchen, {
      planned: true,
    }).keeping);
  }
  private filledKeeping: Keeping | undefined;

  isIn(item: number): boolean {
    return this.inPan.has(item);
  }

  /** Writes an event into the log the cook keeps. */
  record<T extends EventType>(type: T, body: EventBodies[T]): void {
    this.log.push(this.event(type, body));
  }
  private event<T extends EventType>(type: T, body: EventBodies[T]): BatchEvent {
    return {
      id: `practice-${this.log.length + 1}`,
      type,
      at: new Date(this.now_ms).toISOString(),
      device: 'practice',
      body,
    } as BatchEvent;
  }

  /** The pan goes on, at the place as it is known; written anew when the thermometer is checked. */
  lightLog(): void {
    const water_C = boilingPointAt(this.kitchen).boilingPoint_C.mid;
    const { finish } = this.formula;
    const rise_K = finish.type === 'gel-temperature' ? finish.rise_K : 0;
    const body: EventBodies['light'] = {
      boilingPoint_C: water_C,
      gelTemperature_C: finish.type === 'curd' ? finish.temperature_C : water_C + rise_K,
      altitude_m: this.scenario.altitude_m,
    };
    const [first] = this.log;
    this.log[0] = first ? ({ ...first, body } as BatchEvent) : this.event('light', body);
  }

  /**
   * Follows everything for so long, s: in whole steps of the pan, so that how often it is called
   * changes nothing; the rest is made up for the next time.
   */
  advance(seconds: number): void {
    const { step_s } = this.pan;
    this.owed_s += seconds;
    while (this.owed_s >= step_s - 1e-9 && this.phase !== 'over') {
      if (this.phase === 'stove' || this.phase === 'rest') this.pan.follow(step_s);
      this.owed_s -= step_s;
      this.time_s += step_s;
      this.see();
    }
  }
  /** Time that was asked for and not followed yet, s: less than a step. */
  private owed_s = 0;

  /** What happens by itself. */
  private see(): void {
    const { happenings = [] } = this.scenario;
    happenings.forEach((happening, i) => {
      if (this.happened.has(happening) || !this.strikes(happening, this.truth.strikes[i] ?? 0.5))
        return;
      this.happened.add(happening);
      this.happen(happening);
    });
    if (this.time_s >= this.powerBackAt_s) {
      this.powerBackAt_s = Infinity;
      this.pan.hasPower = true;
      this.notice('power-on');
    }
    if (this.cannerBoilsAgainAt_s !== undefined && this.time_s >= this.cannerBoilsAgainAt_s) {
      this.cannerBoilsFrom_s = this.time_s;
      this.cannerBoilsAgainAt_s = undefined;
      this.notice('canner-boils');
    }
    if (this.pan.foam > 1 && !this.ranOver) this.notice('runs-over');
    this.ranOver = this.pan.foam > 1;
  }

  private notice(code: PracticeNotice['code'], item?: number): void {
    this.notices.push({ time_s: this.time_s, code, ...(item !== undefined && { item }) });
  }

  private strikes(happening: Happening, draw: number): boolean {
    const share = STRIKES.least + STRIKES.spread * draw;
    switch (happening.type) {
      case 'power-cut':
        return (
          this.phase === 'stove' &&
          this.finishAt_C() - this.pan.pot.temperature_C <= happening.belowFinish_K * share
        );
      case 'helper-adds':
        return this.phase === 'stove' && this.time_s >= happening.afterMinutes * share * MINUTE_S;
      case 'canner-stops':
        return (
          this.phase === 'canner' &&
          this.timerFrom_s !== undefined &&
          this.time_s - this.timerFrom_s >=
            Math.min(happening.afterShare * share, 0.9) * this.processMinutes * MINUTE_S
        );
    }
  }

  private happen(happening: Happening): void {
    switch (happening.type) {
      case 'power-cut':
        this.pan.hasPower = false;
        this.powerBackAt_s = this.time_s + happening.minutes * MINUTE_S;
        this.notice('power-off');
        return;
      case 'helper-adds': {
        const item = this.items.findLast(
          ({ index, isWithinReach }) => !isWithinReach && !this.inPan.has(index),
        )?.index;
        if (item === undefined) return;
        this.putIn(item);
        this.notice('helper-added', item);
        return;
      }
      case 'canner-stops':
        this.cannerBoilsFrom_s = undefined;
        this.cannerStoppedAt_s = this.time_s;
        this.notice('canner-stopped');
    }
  }

  /** Where the pan truly sets today, or how hot a curd should get, C; infinite where heat tells nothing. */
  finishAt_C(): number {
    const { finish } = this.formula;
    if (finish.type === 'curd') return finish.temperature_C;
    if (finish.type === 'gel-temperature') return this.pan.boilingPointOfWater_C + finish.rise_K;
    return Infinity;
  }

  /** Turns the burner, and logs what was done to the heat. */
  turn(level: number): void {
    const { pan } = this;
    const before = pan.heat;
    pan.heat = Math.min(Math.max(Math.round(level), 0), HEAT_LEVELS.length - 1);
    if (pan.heat === before) return;
    if (pan.heat === 0) this.record('off-heat', {});
    else if (before === 0 && this.time_s > 0) this.record('on-heat', {});
    else if (this.time_s > 0) this.record('heat', { turned: pan.heat > before ? 'up' : 'down' });
  }

  /** Puts something in, and logs it. */
  putIn(item: number): void {
    const line = this.formula.lines[item];
    const { text, isPlanned } = this.items[item] ?? { text: '', isPlanned: false };
    this.inPan.add(item);
    this.pan.add(item);
    this.record('addition', { text, ...(isPlanned && { planned: true, line: item }) });
    const isSweet = ({ index }: PanItem): boolean =>
      this.formula.lines[index]?.ingredient.category === 'sweetener';
    if (line?.ingredient.category !== 'sweetener') return;
    const waiting = this.items.some(
      (each) => each.isPlanned && isSweet(each) && !this.isIn(each.index),
    );
    if (!waiting) this.record('sugar-in', {});
  }

  /** What a push shows of the spoonful on the plate, as cold as it is now. */
  plateShows(): TestVerdict {
    const { onPlate } = this;
    if (!onPlate) return 'runs';
    const cold = 1 - Math.exp(-(this.time_s - onPlate.takenAt_s) / PLATE_COOLS_S);
    const seen = onPlate.firmness * (WARM_SHOWS + (1 - WARM_SHOWS) * cold);
    return PUSHED.find(([most]) => seen < most)?.[1] ?? 'stiff';
  }

  /** Off the heat for good: what was left out is logged. */
  finish(): void {
    const { pan } = this;
    this.finishedAt_s = this.time_s;
    pan.heat = 0;
    for (const { index, isPlanned } of this.items) {
      if (!isPlanned || this.inPan.has(index)) continue;
      const ingredient = this.document.lines[index]?.ingredient ?? '';
      this.record('omission', { ingredient, line: index });
    }
    this.record('done', {});
    this.phase = 'rest';
  }

  /** What is in the pan goes into the jars. */
  fill(): void {
    const { pan, formula } = this;
    this.filledAt_s = this.time_s;
    this.filledAt_C = pan.pot.temperature_C;
    const density = syrupDensity_kgPerM3(Math.min(pan.solids, 0.85), FILL_C) * (1 - AIR_SHARE.mid);
    const jarred_kg = Math.max(pan.mass_kg - FILM_KG.mid, 0) * (1 - FOAM_SHARE.mid);
    this.jars = fillInOrder(
      (jarred_kg / density) * 1e6,
      formula.jars.map(({ jar, headspace_mm, available }) => ({
        fill_ml: fillVolume_ml(jar, headspace_mm),
        ...(available !== undefined && { available }),
      })),
    );
    this.record('heat-stated', {
      reached: formula.kind === 'curd' ? pan.hottest_C >= CURD_C : this.filledAt_C >= FILLED_HOT_C,
    });
    this.record('jarred', {
      jars: this.jars.map((count, i) => ({
        size: formula.jars[i]?.size ?? 'half-pint',
        full: Math.floor(count),
        part: Math.round((count % 1) * 100) / 100,
      })),
    });
    this.phase = 'jars';
  }

  /** The timer of the canner counts from now. */
  startTimer(): void {
    this.timerFrom_s = this.time_s;
    this.cannerStoppedAt_s = undefined;
    this.record('process-begun', { minutes: this.processMinutes });
  }

  /** Out of the canner: what was counted is what it truly boiled for, without a stop. */
  lift(): void {
    const from_s = Math.max(this.timerFrom_s ?? 0, this.cannerBoilsFrom_s ?? 0);
    const to_s = this.cannerBoilsFrom_s === undefined ? (this.cannerStoppedAt_s ?? 0) : this.time_s;
    const boiled_min = Math.floor(Math.max(to_s - from_s, 0) / MINUTE_S + 1e-6);
    if (this.cannerStoppedAt_s !== undefined) {
      this.record('process-lost', {});
      this.record('process-begun', { minutes: this.processMinutes });
    }
    this.record('processed', {
      method: 'boiling-water',
      minutes: Math.min(boiled_min, this.processMinutes),
      altitude_m: this.scenario.altitude_m,
    });
    this.storedIn = 'shelf';
    this.phase = 'over';
  }
}

/** A line as its log has it: an amount and a name that are read again as what they are. */
const textOf = (
  { amount }: FormulaLine,
  { form, ingredient }: PotFormula['lines'][number],
): string => {
  const written = typeof amount === 'string' ? amount : `${amount.value} ${amount.unit}`;
  return `${written} ${displayName(ingredient, form)}`;
};
