import { JAR_DOUBT } from '../balance/index.js';
import {
  isSamePanAndBurner,
  isSamePlace,
  withPanAndBurner,
  type CookingPlace,
  type Kitchen,
  type PanAndBurner,
} from '../formula/index.js';
import { kitchenHeat_W, usualLoss_kgPerH } from '../thermal/index.js';
import { Z90, type Range } from '../range/index.js';
import { boilingPointAt, GEL_RISE_C } from '../water/index.js';
import type { BoilEvidence } from './boil-evidence.js';
import { byFactor, lessonFrom, type Estimate, type Lesson } from './lesson.js';

/** What the past boils of a kitchen have told. */
export interface Lessons {
  /** How much too high the thermometer reads, K. */
  readonly offset_K: Lesson;
  /** Into the usual pan on its ring, W. */
  readonly heat_W: Lesson;
  /** The same of each pan on each ring that boils tell of. */
  readonly stoves: readonly (PanAndBurner & { readonly heat_W: Lesson })[];
  /**
   * What comes to the jars, as a share of what is computed: the ladle, the foam, the jars as they
   * are filled here.
   */
  readonly yieldShare: Lesson;
  /** Over boiling water to the set that is liked here, K. */
  readonly rise_K: Lesson;
  /** Water lost at each place where long cooks were weighed, in a pan of ordinary size, kg an hour. */
  readonly places: readonly (CookingPlace & { readonly loss_kgPerH: Lesson })[];
}

/** A household thermometer reads within 1.5 K or so, standard deviation. Common practice. */
const THERMOMETER_SD_K = 1;
/**
 * Weather moves the boiling point by this much from day to day, K, standard deviation: +-2 kPa,
 * 5-95 %.
 */
const WEATHER_SD_K = 0.55 / Z90;
/** An ordinary batch, kg: what a burner nobody knows is thought to give goes by it. Common practice. */
const ORDINARY_BATCH_KG = 3;
/** Boiling water as read, K, standard deviation. */
const MEASURED_SD_K = 0.2 / Z90;
/** The flame is not set alike twice: logarithm, standard deviation. Common practice. */
const FLAME_SD = 0.08;
/**
 * What is computed of a yield errs by this in a kitchen, and again by the fruit of a batch:
 * logarithms, standard deviations. A guess.
 */
const YIELD_SD = 0.03;
const BATCH_SD = 0.04;
/** How far the set that is liked lies from the usual one, K, standard deviation. A guess. */
const LIKING_SD_K = 0.8;
/** One opened jar is not liked just like the next, K, standard deviation. A guess. */
const MOOD_SD_K = 0.4;

/** A range as a normal of its logarithm. */
const byLogarithm = ({ low, mid, high }: Range): Estimate => ({
  mid: Math.log(mid),
  sd: Math.log(high / low) / (2 * Z90),
});

const told = <K extends 'offset_K' | 'logHeat_W' | 'rise_K'>(
  boils: readonly BoilEvidence[],
  of: K,
) => boils.flatMap((each) => each[of] ?? []);

/**
 * What a kitchen's boils tell of it, in any order.
 *
 * @param kitchen what is known of it without them: a measured pan, a burner
 */
export function learnFrom(boils: readonly BoilEvidence[], kitchen: Kitchen): Lessons {
  const { learned: _learned, ...plain } = kitchen;
  const heatTold = (of: readonly BoilEvidence[], { pan }: Kitchen): Lesson => {
    const usual = kitchenHeat_W({ ...(pan && { pan }) }, ORDINARY_BATCH_KG);
    return byFactor(lessonFrom(byLogarithm(usual), told(of, 'logHeat_W'), FLAME_SD, FLAME_SD));
  };
  const offset_K = lessonFrom(
    { mid: 0, sd: THERMOMETER_SD_K },
    told(boils, 'offset_K'),
    WEATHER_SD_K,
  );
  const believed = believedOffset(plain, offset_K);
  const shares = boils.flatMap(({ yield: came }) =>
    came
      ? [{ mid: came.logShare - came.perK * believed.mid, sd: Math.abs(came.perK) * believed.sd }]
      : [],
  );
  return {
    offset_K,
    heat_W: heatTold(boils, plain),
    stoves: stovesOf(boils).map((panAndBurner) => ({
      ...panAndBurner,
      heat_W: heatTold(
        boils.filter(
          (each) => each.panAndBurner && isSamePanAndBurner(each.panAndBurner, panAndBurner),
        ),
        withPanAndBurner(plain, panAndBurner),
      ),
    })),
    yieldShare: byFactor(lessonFrom({ mid: 0, sd: YIELD_SD }, shares, BATCH_SD, JAR_DOUBT / Z90)),
    rise_K: lessonFrom({ mid: GEL_RISE_C, sd: LIKING_SD_K }, told(boils, 'rise_K'), MOOD_SD_K),
    places: placesTold(boils, plain),
  };
}

/** Water lost at each place that cooks tell of, from what is usual there and what was weighed. */
function placesTold(boils: readonly BoilEvidence[], kitchen: Kitchen): Lessons['places'] {
  const told = boils.flatMap(({ losses = [] }) => losses);
  const places = told.filter(
    (each, i) => told.findIndex((other) => isSamePlace(other, each)) === i,
  );
  return places.map(({ where, lid, heat }) => {
    const place = { where, lid, heat };
    const usual = usualLoss_kgPerH({ ...(kitchen.pan && { pan: kitchen.pan }) }, place);
    const here = told.filter((each) => isSamePlace(each, place)).map(({ logLoss }) => logLoss);
    return {
      ...place,
      loss_kgPerH: byFactor(lessonFrom(byLogarithm(usual), here, FLAME_SD, FLAME_SD)),
    };
  });
}

/** Each pan on each ring once. */
const stovesOf = (boils: readonly BoilEvidence[]): PanAndBurner[] =>
  boils
    .flatMap(({ panAndBurner }) => panAndBurner ?? [])
    .filter(
      (panAndBurner, i, all) =>
        all.findIndex((other) => isSamePanAndBurner(other, panAndBurner)) === i,
    );

/**
 * The thermometer's error as it is believed: as boiling water was read on it, where it was, else as
 * the boils tell.
 */
export function believedOffset(kitchen: Kitchen, { value }: Lesson): Estimate {
  const { boilingPoint_C: measured, offset_K: _learned, ...plain } = kitchen;
  if (measured === undefined) return { mid: value.mid, sd: (value.high - value.low) / (2 * Z90) };
  return { mid: measured - boilingPointAt(plain).boilingPoint_C.mid, sd: MEASURED_SD_K };
}

/**
 * The kitchen with its lessons, for the next forecast. What was measured beats what was learned:
 * boiling water on the thermometer in use settles its error. The altitude, and with it every
 * process time, stays what the maker stated.
 */
export function taught(
  kitchen: Kitchen,
  { offset_K, heat_W, stoves, yieldShare, places }: Lessons,
): Kitchen {
  return {
    ...kitchen,
    ...(offset_K.boils > 0 && kitchen.boilingPoint_C === undefined && { offset_K: offset_K.value }),
    learned: {
      ...(heat_W.boils > 0 && { heat_W: heat_W.value }),
      ...(stoves.length > 0 && {
        stoves: stoves.map((panAndBurner) => ({
          ...panAndBurner,
          heat_W: panAndBurner.heat_W.value,
        })),
      }),
      ...(yieldShare.boils > 0 && { yieldShare: yieldShare.value }),
      ...(places.length > 0 && {
        losses: places.map((place) => ({ ...place, loss_kgPerH: place.loss_kgPerH.value })),
      }),
    },
  };
}
