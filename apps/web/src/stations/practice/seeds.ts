import { LARGEST_SEED } from '@idle-kettle/contract';

/** A pan nobody has cooked yet, as far as chance goes. */
export const anySeed = (): number => Math.floor(Math.random() * LARGEST_SEED);

/** A seed of an address; undefined where it is none. */
export function seedFrom(text: string | null): number | undefined {
  const seed = Number(text);
  const isSeed = text !== null && /^\d{1,9}$/.test(text) && seed <= LARGEST_SEED;
  return isSeed ? seed : undefined;
}

/** A seed as it is read out: "4 711 042". */
export const seedWords = (seed: number): string => String(seed).replace(/\B(?=(\d{3})+$)/g, ' ');
