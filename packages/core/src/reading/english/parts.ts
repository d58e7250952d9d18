/**
 * A part of a plant or a fruit, by the nouns for it.
 *
 * A part that is taken out changes nothing but the weight. A part that is the food itself ("mint
 * leaves", "garlic cloves") is listed with the ingredient. Any other part that is named is another
 * food, or stays in: `staysIn` says what that means.
 */
export interface PartWord {
  readonly id: PartId;
  readonly nouns: readonly string[];
  /**
   * What the food is where the part is left on it: the `same` food; weighed `as-bought`; or
   * `another`, for leaves and stems bring what the fruit does not have.
   */
  readonly staysIn: 'same' | 'as-bought' | 'another';
}

export type PartId =
  | 'leaf'
  | 'stem'
  | 'stone'
  | 'kernel'
  | 'seed'
  | 'core'
  | 'skin'
  | 'pith'
  | 'hull'
  | 'top'
  | 'root'
  | 'flower'
  | 'pod'
  | 'bulb'
  | 'husk'
  | 'wood';

const part = (id: PartId, staysIn: PartWord['staysIn'], nouns: string): PartWord => ({
  id,
  staysIn,
  nouns: nouns.split(', '),
});

export const PARTS: readonly PartWord[] = [
  part('leaf', 'another', 'leaf, leaves, foliage, greens, fronds, frond, shoots, needles'),
  part(
    'stem',
    'another',
    'stem, stems, stalk, stalks, twig, twigs, sprig, sprigs, cane, canes, vine, tendrils',
  ),
  part('stone', 'as-bought', 'stone, stones, pit, pits'),
  part('kernel', 'another', 'kernel, kernels'),
  part('seed', 'same', 'seed, seeds, pip, pips, arils'),
  part('core', 'same', 'core, cores'),
  part('skin', 'same', 'skin, skins, peel, peels, peelings, rind, rinds, zest'),
  part(
    'pith',
    'same',
    'pith, piths, membrane, membranes, white pith, white parts, white part, white bits, white ends, white base, ribs, veins, strings, fibres, fibers',
  ),
  part(
    'hull',
    'another',
    'hull, hulls, calyx, calyxes, cap, caps, crown, crowns, stalk ends, stem ends, stem end',
  ),
  part('top', 'same', 'top, tops, tail, tails, end, ends, blossom end, blossom ends, eye, eyes'),
  part('root', 'another', 'root, roots, tuber, tubers, rhizome, rhizomes'),
  part(
    'flower',
    'another',
    'flower, flowers, blossom, blossoms, bloom, blooms, bud, buds, petal, petals, catkins, pollen',
  ),
  part('pod', 'another', 'pod, pods, bean'),
  part('bulb', 'another', 'bulb, bulbs, head, heads, clove, cloves'),
  part('husk', 'another', 'husk, husks, shell, shells'),
  part('wood', 'another', 'bark, wood, resin, gum, sap'),
];

/**
 * The parts that are the food, by ingredient: "mint leaves" are the herb, "rhubarb stalks" the
 * rhubarb. Common practice.
 */
export const OWN_PARTS: Readonly<Record<string, readonly PartId[]>> = {
  'fresh-herb': ['leaf', 'stem', 'flower'],
  'dried-herb': ['leaf', 'flower'],
  rhubarb: ['stem'],
  celery: ['stem', 'bulb'],
  garlic: ['bulb'],
  ginger: ['root'],
  galangal: ['root'],
  horseradish: ['root'],
  fennel: ['bulb'],
  onion: ['bulb'],
  beetroot: ['bulb', 'root'],
  cabbage: ['bulb', 'leaf'],
  'whole-spice': ['seed', 'pod', 'wood', 'bulb'],
  'ground-spice': ['seed', 'bulb'],
  'vanilla-pod': ['pod', 'seed'],
  vanilla: ['pod', 'seed'],
  nuts: ['kernel'],
  seed: ['seed'],
  pomegranate: ['seed'],
  'passion-fruit': ['seed'],
  sweetcorn: ['kernel', 'bulb'],
  'hot-pepper': ['pod'],
  lavender: ['flower', 'bulb', 'stem'],
  elderflower: ['flower', 'bulb'],
  dandelion: ['flower', 'bulb'],
  'rose-petal': ['flower'],
  'edible-flower': ['flower', 'bulb'],
  gelatin: ['leaf'],
  'candied-peel': ['skin'],
  'lemon-zest': ['skin'],
};
