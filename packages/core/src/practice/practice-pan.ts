import {
  addInto,
  COOLING_MIN,
  firmnessOf,
  nothing,
  panOf,
  pHOfContents,
  setModelOf,
  volumeInPan_l,
  type Contents,
} from '../balance/index.js';
import { CURDLES_ABOVE_FINISH_K } from '../forecast/index.js';
import type { CookingPlace, Lid, PotFormula } from '../formula/index.js';
import { NATURAL_GRADE, pectinLeft } from '../pectin/index.js';
import { HOUR_S, MINUTE_S } from '../quantity/index.js';
import { seeded, type Random } from '../random/index.js';
import {
  advance,
  BoilingCurve,
  cookOf,
  heatingOf,
  holdsAt_C,
  massOfPot,
  PANTRY_C,
  shortOfBoil_K,
  solidsOf,
  type Heating,
  type PanModel,
  type PotState,
} from '../thermal/index.js';
import { LOSS_W_PER_K, ROOM_C } from '../water/index.js';
import { INVERSION_FACTOR, inversionRate_perMin } from '../syrup/index.js';
import type { HiddenTruth } from './hidden-truth.js';
import {
  catching_perS,
  CATCHES_UNBOILED,
  CURD_BASE,
  CURDLES_PER_S,
  darkening_perS,
  dissolvesIn_s,
  DRAWN_AT_ONCE,
  FOAM_FOLLOWS_S,
  foamFactor,
  MOST_SPILLED,
  PECTIN_DISSOLVES_S,
  pectinDissolves,
  SOFTENS_FROM_C,
  SOFTENS_S,
  SOFTENS_UNDER_SOLIDS,
  SPILLS_PER_S,
  vigour,
} from './pan-effects.js';
import type { PracticeScenario } from './scenario.js';

/** Settings of the burner, as shares of its full heat. */
export const HEAT_LEVELS = [0, 0.25, 0.5, 0.75, 1] as const;

/** The flame wanders by this share, standard deviation, and forgets it in about so many seconds. Guesses. */
const WANDER = { sd: 0.05, forgets_s: 60 } as const;
/** A thermometer follows the pan with this time constant, s, and is read to this, K. */
const THERMOMETER = { lag_s: 8, noise_K: 0.12 } as const;
/** A kitchen scale under a hot pan, standard deviation, kg. Common practice. */
const SCALE_NOISE_KG = 0.008;
/** Off the boil by more than this, K, pectin is not lost. A choice of ours. */
const NEAR_BOIL_K = 1;
/** Pectin powder has to dissolve; in a liquid, and in jam sugar, it does so by itself. */
const LIQUID_PECTIN = 'pectin-liquid';
/** No flame is under a slow cooker: of what a base would catch it does so much. A guess. */
const GENTLE_CATCHES = 0.005;
/** A pan off the heat skins over: so much of its surface gives off vapour. A guess, for about 2 K a minute. */
const SKINNED_OVER = 0.05;
/** The pan is followed in steps of this, s: on a burner, and where it cooks for hours. */
const STEP_S = 1;
const GENTLE_STEP_S = 20;

/** A pan on the stove, with everything a cook cannot see. It is followed in place. */
export class PracticePan {
  readonly formula: PotFormula;
  readonly place: CookingPlace;
  /** Whether it cooks for hours where no flame drives it. */
  readonly isGentle: boolean;
  readonly step_s: number;
  /** What is in it; losses take of everything alike. */
  readonly contents: Contents = nothing();
  readonly pot: PotState;
  time_s = 0;
  /** Index into {@link HEAT_LEVELS}. */
  heat = 0;
  lid: Lid;
  hasPower = true;
  isBoiling = false;
  /** How hard, 0 to 2; see `vigour`. */
  boilsBy = 0;
  /** How high the foam stands, share of the pan's depth; over 1 it runs over. */
  foam = 0;
  /** The highest it stood. */
  highestFoam = 0;
  /** Kilograms that ran over. */
  spilled_kg = 0;
  /** How far the base has caught; see `catching_perS`. */
  caught = 0;
  /** How far it has darkened; see `darkening_perS`. */
  darkened = 0;
  unstirred_s = 0;
  /** Sugar that is not dissolved, kg. */
  grains_kg = 0;
  /** Minutes at the full boil since the sugar and the pectin are in. */
  boiled_min = 0;
  /** Minutes the fruit has been hot enough to soften, without its sugar. */
  softened_min = 0;
  /** Hottest the contents have been, C. */
  hottest_C: number;
  /** How far the egg has curdled; 1 is wholly. */
  curdled = 0;
  /** What the thermometer shows without its noise, C. */
  private shown_C: number;
  private pH = 3.3;
  /** Share of the fruit's pectin that is drawn out. */
  private drawn = DRAWN_AT_ONCE;
  private naturalLeft = 1;
  /** Added pectin, kg at 150 grade: what dissolves in time, what is dissolved of it. */
  private readonly added = { dissolves: 0, dissolved: 0 };
  private readonly calcium = { dissolves: 0, dissolved: 0 };
  private wander = 0;
  private readonly random: Random;
  /** Of its own, so that reading the thermometer changes nothing in the pan. */
  private readonly noise: Random;
  private readonly heatings = new Map<string, Heating>();
  private readonly curve: BoilingCurve;

  constructor(
    private readonly scenario: PracticeScenario,
    private readonly truth: HiddenTruth,
    formula: PotFormula,
    inPan: readonly number[],
    seed: number,
  ) {
    this.formula = formula;
    // The first stage is what is practised; a slow cooker or a bowl over water is one.
    const [stage] = cookOf(formula);
    this.place = stage ?? { where: 'burner', lid: 'off', heat: 'fast' };
    this.lid = this.place.lid;
    this.isGentle = ['slow-cooker', 'oven'].includes(this.place.where);
    for (const i of inPan) addInto(this.contents, this.part(i));
    this.pot = panOf(this.contents);
    this.hottest_C = this.pot.temperature_C;
    this.shown_C = this.pot.temperature_C;
    this.random = seeded(seed + 1);
    this.noise = seeded(seed + 2);
    this.curve = BoilingCurve.solved(truth.pressure_kPa, truth.curve);
    for (const i of inPan) this.takePectin(i);
    this.readAcid();
    this.step_s = this.isGentle ? GENTLE_STEP_S : STEP_S;
  }

  get mass_kg(): number {
    return massOfPot(this.pot) + this.grains_kg;
  }
  get solids(): number {
    return solidsOf(this.pot);
  }
  /** How full the pan is while nothing boils, share of its depth. */
  get fill(): number {
    const soluble = this.pot.soluble + this.grains_kg;
    return volumeInPan_l({ mass: this.mass_kg, soluble }) / this.scenario.pan.volume_l;
  }
  /** Where it boils, or holds, as it is now, C. */
  get boilsAt_C(): number {
    return holdsAt_C(this.pot, this.model());
  }
  get boilingPointOfWater_C(): number {
    return this.curve.at(0, 0);
  }

  private part(i: number): Contents {
    const part = this.truth.contents[i];
    if (!part) throw new Error(`there is nothing at place ${i}`);
    return part;
  }

  private heating(): Heating {
    const { where } = this.place;
    // A slow cooker has two heats; the upper half of the levels is its high one.
    const heat = this.isGentle && (HEAT_LEVELS[this.heat] ?? 0) < 0.75 ? 'low' : this.place.heat;
    const key = `${heat}:${this.lid}`;
    const known = this.heatings.get(key);
    if (known) return known;
    const made = heatingOf(this.formula, { where, lid: this.lid, heat }, this.contents.mass);
    this.heatings.set(key, made);
    return made;
  }

  /** The pan as the kettle model takes it; made anew when something of it changed. */
  private model(): PanModel {
    const pan = this.isGentle ? this.heating().pan : this.scenario.pan;
    const { known } = this;
    const isOff = !this.hasPower || this.heat === 0;
    if (known?.pan === pan && known.isOff === isOff && known.model.pH === this.pH)
      return known.model;
    const open = this.truth.surface * (isOff ? SKINNED_OVER : 1);
    const model: PanModel = {
      ...('gentle' in pan && pan.gentle && { gentle: pan.gentle }),
      // A factor on the area is its root on the diameter.
      diameter_m: pan.diameter_m * Math.sqrt(open),
      curve: this.curve,
      pH: this.pH,
    };
    this.known = { pan, isOff, model };
    return model;
  }
  private known:
    { readonly pan: object; readonly isOff: boolean; readonly model: PanModel } | undefined;

  /** Heat into it now, W. */
  private heat_W(): number {
    const share = HEAT_LEVELS[this.heat] ?? 0;
    if (share === 0 || !this.hasPower) return 0;
    const { burner, burnerDrift } = this.truth;
    const hidden =
      burner *
      (1 + burnerDrift * Math.min(this.time_s / HOUR_S, 1)) *
      (1 + WANDER.sd * this.wander);
    if (this.isGentle) return this.heating().heat_W.mid * hidden;
    return this.scenario.burner_W * share * hidden;
  }

  /** Follows the pan for so long, s. */
  follow(seconds: number): void {
    for (let left = seconds; left > 1e-9; left -= this.step_s)
      this.step(Math.min(left, this.step_s));
  }

  private step(dt: number): void {
    const { pot } = this;
    const keep = Math.exp(-dt / WANDER.forgets_s);
    this.wander = this.wander * keep + this.random.normal() * Math.sqrt(1 - keep * keep);
    const heat_W = this.heat_W();
    const model = this.model();
    this.isBoiling = heat_W > 0 && shortOfBoil_K(pot, model) <= 0;
    const walls_W = LOSS_W_PER_K * (pot.temperature_C - ROOM_C);
    this.boilsBy = this.isBoiling
      ? vigour(heat_W - (this.isGentle ? 0 : walls_W), model.diameter_m)
      : 0;
    advance(pot, heat_W, model, dt, this.truth.inversion);
    this.time_s += dt;
    this.unstirred_s += dt;
    this.hottest_C = Math.max(this.hottest_C, pot.temperature_C);
    this.shown_C += (pot.temperature_C - this.shown_C) * (1 - Math.exp(-dt / THERMOMETER.lag_s));
    this.dissolve(dt);
    this.ageOf(dt, model);
    this.foamUp(dt);
    this.seeEgg(dt);
    const { insoluble, temperature_C } = pot;
    this.darkened += darkening_perS(temperature_C, this.solids) * dt;
    this.caught +=
      dt *
      (this.isGentle ? GENTLE_CATCHES : 1) *
      catching_perS({
        boilsBy: Math.max(
          this.boilsBy,
          heat_W > 0 && !this.isGentle ? CATCHES_UNBOILED * (HEAT_LEVELS[this.heat] ?? 0) : 0,
        ),
        solids: this.solids,
        pulp: insoluble / this.mass_kg,
        unstirred_s: this.unstirred_s,
        grainShare: this.grains_kg / this.mass_kg,
      });
  }

  private dissolve(dt: number): void {
    if (this.grains_kg <= 0) return;
    const gone =
      this.grains_kg *
      (1 - Math.exp(-dt / dissolvesIn_s(this.pot.temperature_C, this.unstirred_s)));
    this.grains_kg -= gone;
    // Crystals that dissolve are sucrose: the invert sugar there is becomes a smaller share.
    const invert = this.pot.invertShare * this.pot.soluble;
    this.pot.soluble += gone;
    this.pot.invertShare = invert / this.pot.soluble;
    if (this.grains_kg < 1e-4) {
      this.pot.soluble += this.grains_kg;
      this.grains_kg = 0;
    }
  }

  /** What heat and time do to the pectin. */
  private ageOf(dt: number, model: PanModel): void {
    const { temperature_C } = this.pot;
    if (temperature_C >= SOFTENS_FROM_C && this.solids < SOFTENS_UNDER_SOLIDS) {
      this.softened_min += dt / MINUTE_S;
      this.drawn += (1 - this.drawn) * (1 - Math.exp(-dt / SOFTENS_S));
    }
    if (shortOfBoil_K(this.pot, model) > NEAR_BOIL_K) return;
    this.naturalLeft *= pectinLeft(dt / MINUTE_S, this.pH);
    for (const pectin of [this.added, this.calcium]) {
      pectin.dissolved *= pectinLeft(dt / MINUTE_S, this.pH);
      if (this.isBoiling) {
        const now = pectin.dissolves * (1 - Math.exp(-dt / PECTIN_DISSOLVES_S));
        pectin.dissolves -= now;
        pectin.dissolved += now;
      }
    }
    if (this.isBoiling) this.boiled_min += dt / MINUTE_S;
  }

  private foamUp(dt: number): void {
    const { kind } = this.formula;
    const foams = kind !== 'fruit-butter' && kind !== 'curd';
    const fat = this.contents.mass > 0 ? this.fat_kg / this.contents.mass : 0;
    const wanted =
      this.fill * (foams && this.isBoiling ? foamFactor(this.boilsBy, this.solids, fat) : 1);
    this.foam += (wanted - this.foam) * (1 - Math.exp(-dt / FOAM_FOLLOWS_S));
    this.highestFoam = Math.max(this.highestFoam, this.foam);
    if (this.foam <= 1) return;
    const share = Math.min((this.foam - 1) * SPILLS_PER_S * dt, MOST_SPILLED);
    this.spilled_kg += this.take(share * this.mass_kg);
  }
  private fat_kg = 0;

  private seeEgg(dt: number): void {
    const { finish } = this.formula;
    if (finish.type !== 'curd') return;
    const share = this.hasPower ? (HEAT_LEVELS[this.heat] ?? 0) : 0;
    const base_C =
      this.pot.temperature_C +
      CURD_BASE.each_K *
        share *
        Math.min(this.unstirred_s / CURD_BASE.spell_s, CURD_BASE.mostSpells);
    const over_K = base_C - finish.temperature_C - CURDLES_ABOVE_FINISH_K;
    if (over_K > 0) this.curdled = Math.min(this.curdled + CURDLES_PER_S * over_K * dt, 1);
  }

  /** Something goes in, as warm as the kitchen. @param i its place in `everythingIn` */
  add(i: number): void {
    const part = this.part(i);
    const line = this.formula.lines[i];
    const isDry = part.addedSugar > 0 && part.soluble / part.mass > 0.9;
    addInto(this.contents, part);
    this.takePectin(i);
    const before = this.mass_kg;
    const { pot } = this;
    const soluble = isDry ? 0 : part.soluble;
    const invert = pot.invertShare * pot.soluble + (isDry ? 0 : part.hexose);
    pot.water += Math.max(part.mass - part.soluble - part.insoluble, 0);
    pot.soluble += soluble;
    pot.insoluble += part.insoluble;
    pot.invertShare = pot.soluble > 0 ? Math.min(invert / pot.soluble, 1) : 0;
    pot.temperature_C = (pot.temperature_C * before + PANTRY_C * part.mass) / (before + part.mass);
    if (isDry) this.grains_kg += part.soluble;
    if (line?.ingredient.id === 'butter') this.fat_kg += part.mass;
    this.boiled_min = 0;
    this.readAcid();
  }

  /** Pectin that goes in dissolves by how much sugar is there already. */
  private takePectin(i: number): void {
    const { highMethoxyl, lowMethoxyl } = this.part(i);
    const ingredient = this.formula.lines[i]?.ingredient;
    const isPowder = ingredient?.category === 'pectin' && ingredient.id !== LIQUID_PECTIN;
    const share = isPowder ? pectinDissolves(this.solids) : 1;
    this.added.dissolves += highMethoxyl * share;
    this.calcium.dissolves += lowMethoxyl * share;
  }

  private readAcid(): void {
    if (this.contents.mass > 0) this.pH = pHOfContents(this.contents, this.contents.mass);
  }

  stir(): void {
    this.unstirred_s = 0;
  }

  /** Takes some out. @returns kg taken */
  take(mass_kg: number): number {
    const left = 1 - Math.min(mass_kg / this.mass_kg, 0.95);
    const taken = this.mass_kg * (1 - left);
    const { pot, contents } = this;
    pot.water *= left;
    pot.soluble *= left;
    pot.insoluble *= left;
    this.grains_kg *= left;
    for (const pectin of [this.added, this.calcium]) {
      pectin.dissolves *= left;
      pectin.dissolved *= left;
    }
    this.fat_kg *= left;
    const whole = { ...contents };
    Object.assign(contents, nothing());
    addInto(contents, whole, left);
    return taken;
  }

  /** What the thermometer in the pan shows, C. */
  reading_C(): number {
    return this.shown_C + this.truth.thermometer_K + this.noise.normal() * THERMOMETER.noise_K;
  }
  /** What the scale shows, less the empty pan, kg. */
  weighing_kg(): number {
    return this.mass_kg + this.noise.normal() * SCALE_NOISE_KG;
  }
  /** What it shows in boiling water, C. */
  readingInWater_C(): number {
    return this.boilingPointOfWater_C + this.truth.thermometer_K;
  }

  /** Acid goes on splitting the sugar while the jar cools. */
  private invertShareInJar(): number {
    const { invertShare } = this.pot;
    const rate =
      INVERSION_FACTOR.mid *
      this.truth.inversion *
      inversionRate_perMin(1 - this.solids * 0.9, this.pot.temperature_C, this.pH);
    return invertShare + (1 - invertShare) * (1 - Math.exp(-rate * COOLING_MIN));
  }

  /** Share of the added pectin that went in and is dissolved, or will be; 1 where none went in. */
  pectinUsed(): number {
    const { highMethoxyl, lowMethoxyl } = this.contents;
    const sum = highMethoxyl + lowMethoxyl;
    const used = [this.added, this.calcium].reduce((all, each) => all + each.dissolved, 0);
    return sum > 0 ? used / sum : 1;
  }

  /** How firm it would be in the jar, were it filled now: 1 is a good set. */
  firmness(): number {
    const { contents, pot, formula } = this;
    const mass = this.mass_kg;
    const natural = contents.pectin * NATURAL_GRADE * this.drawn * this.naturalLeft;
    return (
      (1 - this.curdled) *
      firmnessOf(setModelOf(formula, contents), {
        contents,
        pectinModel: 1,
        curdTemperature_C: this.hottest_C,
        solidsPercent: this.solids * 100,
        insolublePercent: (pot.insoluble / mass) * 100,
        invertShare: this.invertShareInJar(),
        pH: this.pH,
        highMethoxyl: ((natural + this.added.dissolved) / mass) * 100,
        lowMethoxyl: (this.calcium.dissolved / mass) * 100,
      })
    );
  }
}
