import type { Lid } from '../formula/index.js';

/** What a cook can do. */
export type Deed =
  /** Turns the burner; the index of one of `HEAT_LEVELS`, 0 is off. */
  | { readonly type: 'heat'; readonly level: number }
  | { readonly type: 'lid'; readonly lid: Lid }
  | { readonly type: 'stir' }
  /** Puts something in, by its place in `everythingIn`. */
  | { readonly type: 'add'; readonly item: number }
  /** Reads the thermometer in the pan. */
  | { readonly type: 'read' }
  /** Puts the pan on the scale, less the empty pan. */
  | { readonly type: 'weigh' }
  /** Ticks off an advice that is done beside the pan, by its text. */
  | { readonly type: 'note'; readonly text: string }
  /** Starts the clock of a timed boil. */
  | { readonly type: 'time' }
  /** Holds the thermometer in boiling water. */
  | { readonly type: 'check' }
  /** Puts a spoonful on the cold plate. */
  | { readonly type: 'plate' }
  /** Pushes what is on the plate with a finger. */
  | { readonly type: 'push' }
  /** Off the heat for good. */
  | { readonly type: 'finish' }
  | { readonly type: 'fill' }
  /** The filled jars go into the canner, and its timer is started at the full boil. */
  | { readonly type: 'process' }
  /** Turns the heat under the canner up again. */
  | { readonly type: 'canner-up' }
  /** Starts the timer of the canner from zero. */
  | { readonly type: 'restart' }
  /** Lifts the jars out: for the shelf. */
  | { readonly type: 'lift' }
  | { readonly type: 'store'; readonly keptIn: 'fridge' | 'freezer' };

/** A deed and when it was done, seconds since the pan went on. */
export type PracticeAction = Deed & { readonly time_s: number };

/** What a choice is about: an aspect can be played again otherwise, with everything else as it was. */
export const ASPECTS = ['add', 'heat', 'stir', 'look', 'finish', 'fill', 'storage'] as const;
export type Aspect = (typeof ASPECTS)[number];
