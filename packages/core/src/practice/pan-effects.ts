import { along } from '../range/index.js';

/*
 * What a pan does besides losing water: it foams, catches, darkens, and dissolves its sugar. Common
 * practice for what happens when; how much, and how fast, are guesses of ours, made for practice
 * and used for nothing else. Each is a function of the pan as it is, or a rate a second.
 */

/** Heat through the open surface at which a pan boils as hard as it may, W/m2: 1.6 kW in a pan of 28 cm. */
const FULL_BOIL_W_PER_M2 = 1600 / 0.0616;

/** How hard a pan boils: 0 not at all, 1 a full rolling boil, up to 2. @param vapour_W heat that goes into vapour */
export const vigour = (vapour_W: number, diameter_m: number): number =>
  Math.min(Math.max(vapour_W / ((Math.PI / 4) * diameter_m ** 2) / FULL_BOIL_W_PER_M2, 0), 2);

/** How well a syrup of these solids, mass fraction, foams: fruit alone hardly, thick syrup less again. */
const FOAMS_BY_SOLIDS = [0.1, 0.25, 0.3, 1, 0.52, 1, 0.62, 0.6, 0.68, 0.4] as const;
/** Sugar foams up to this many times its own depth at a full boil; `FILL_BEFORE_FOAM` is for that. */
const FOAM_RISES_BY = 2;
/** A knob of butter leaves so much of the foam. */
const FOAM_WITH_FAT = 0.55;
/** Fat that does so, share of the pan. */
const FAT_SHARE = 0.0004;

/** A boil harder than this raises it no further. */
const FOAMS_UP_TO = 1.4;

/** How high the foam stands in the end, as a factor on the depth of what is in the pan. */
export const foamFactor = (boilsBy: number, solids: number, fatShare: number): number =>
  1 +
  FOAM_RISES_BY *
    Math.min(boilsBy, FOAMS_UP_TO) *
    along(FOAMS_BY_SOLIDS, solids) *
    (fatShare >= FAT_SHARE ? FOAM_WITH_FAT : 1);

/** Foam follows the boil with this time constant, s. */
export const FOAM_FOLLOWS_S = 12;
/** Over the rim so much of the pan is lost a second, share, for each share it stands over. */
export const SPILLS_PER_S = 0.01;
/** No more than this runs over at once, share. */
export const MOST_SPILLED = 0.2;
/** A base under a pan that does not boil yet catches as one that boils so hard at full heat. */
export const CATCHES_UNBOILED = 0.3;

/** How thick a syrup lies on the base, 0 to 1, by its solids, mass fraction. */
const STICKS_BY_SOLIDS = [0.3, 0.05, 0.5, 0.35, 0.62, 0.8, 0.7, 1.2] as const;
/** Pulp sticks by itself, by its mass fraction: a butter of 40 % of it as a jam near its end does. */
const PULP_STICKS = 2;
/** So long unstirred does no harm, s: sugared fruit, and one near its end. Common practice: every 4 min, then every 2. */
const SAFE_UNSTIRRED = [0.5, 300, 0.62, 150] as const;
/** From there it catches at this rate, a second, for each such spell that it goes unstirred. */
const CATCHES_PER_S = 0.004;
/** Sugar that lies on the base undissolved catches so much faster, from this share of the pan on. */
const GRAINS_CATCH = { times: 3, fromShare: 0.1 } as const;

/** How fast a base catches, a second; 1 in all is burnt, 0.15 is the first whiff of caramel. */
export function catching_perS(pan: {
  readonly boilsBy: number;
  readonly solids: number;
  readonly pulp: number;
  readonly unstirred_s: number;
  readonly grainShare: number;
}): number {
  const safe_s = along(SAFE_UNSTIRRED, pan.solids);
  const overdue = Math.max(pan.unstirred_s - safe_s, 0) / safe_s;
  const sticks = along(STICKS_BY_SOLIDS, pan.solids) + PULP_STICKS * pan.pulp;
  return (
    CATCHES_PER_S *
    pan.boilsBy *
    sticks *
    overdue *
    (1 + (GRAINS_CATCH.times - 1) * Math.min(pan.grainShare / GRAINS_CATCH.fromShare, 1))
  );
}

/** So long at this temperature makes a spread brown, s and C; so much hotter in half the time, K. */
const DARKENS = { at_C: 105, in_s: 4500, doubles_K: 9 } as const;
/** Fruit without its sugar, up to these solids, mass fraction, darkens so much less. */
const DARKENS_UNSUGARED = { upTo: 0.25, share: 0.3 } as const;
/** How fast a spread darkens, a second; 1 is brown. */
export const darkening_perS = (temperature_C: number, solids: number): number =>
  (solids > DARKENS_UNSUGARED.upTo ? 1 : DARKENS_UNSUGARED.share) *
  (2 ** ((temperature_C - DARKENS.at_C) / DARKENS.doubles_K) / DARKENS.in_s);

/** Sugar dissolves with these time constants, s. */
const DISSOLVES_S = { stirred: 35, unstirred: 260, cool: 900 } as const;
/** Under this it hardly does, C. */
const COOL_C = 50;
/** Stirred within this, s, counts as stirred. */
const STIRRED_LATELY_S = 45;

/** Time constant with which sugar dissolves, s. */
export const dissolvesIn_s = (temperature_C: number, unstirred_s: number): number => {
  if (temperature_C < COOL_C) return DISSOLVES_S.cool;
  return unstirred_s <= STIRRED_LATELY_S ? DISSOLVES_S.stirred : DISSOLVES_S.unstirred;
};

/** Pectin stirred into so many solids, mass fraction, dissolves to this share: sugar takes the water it needs. */
const PECTIN_DISSOLVES = [0.25, 1, 0.45, 0.5, 0.6, 0.25] as const;
export const pectinDissolves = (solids: number): number => along(PECTIN_DISSOLVES, solids);
/** What dissolves does so at the boil with this time constant, s: most of it in the one hard minute. */
export const PECTIN_DISSOLVES_S = 25;

/** Fruit gives this share of its pectin at once, and the rest as it softens before the sugar. As the balance has it. */
export const DRAWN_AT_ONCE = 0.6;
/** It softens with this time constant, s, hot and without sugar. */
export const SOFTENS_S = 420;
/** Sugar hardens skins: with more solids than this, mass fraction, nothing softens on. */
export const SOFTENS_UNDER_SOLIDS = 0.25;
/** Fruit softens from this on, C. */
export const SOFTENS_FROM_C = 80;

/**
 * A curd's base is hotter than its middle by this at full heat, K, for each such spell unstirred, s, up
 * to so many.
 */
export const CURD_BASE = { each_K: 2.5, spell_s: 30, mostSpells: 3 } as const;
/** Egg curdles at this rate, a second, for each kelvin its hottest part is over the limit. */
export const CURDLES_PER_S = 0.012;
