import type { CSSProperties } from 'react';
import type { Theme } from './theme.js';

/** The colour a fruit gives its batch, by day and by night. Text never sits on it. */
const COLOURS: Readonly<Record<string, readonly [day: string, night: string]>> = {
  damson: ['#5b2a55', '#b97fb0'],
  plum: ['#6a2f57', '#c083ac'],
  quince: ['#b86a14', '#e0a04e'],
  'bitter-orange': ['#c4560d', '#ee8e4a'],
  orange: ['#c4560d', '#ee8e4a'],
  blackcurrant: ['#38203f', '#9d7fae'],
  blackberry: ['#3e1f3f', '#a57fae'],
  blueberry: ['#37406f', '#8d98d2'],
  redcurrant: ['#a81c2c', '#ea7480'],
  raspberry: ['#a8234f', '#ea7aa0'],
  strawberry: ['#b02a30', '#ef7f80'],
  cranberry: ['#96182f', '#e0707f'],
  cherry: ['#7f1d31', '#d5798c'],
  'sour-cherry': ['#9c1f2e', '#e07a86'],
  apricot: ['#bd6516', '#f0a55c'],
  peach: ['#bb6631', '#efa67e'],
  pear: ['#8a7a26', '#cdbd69'],
  apple: ['#7d7b2a', '#c3c071'],
  'tart-apple': ['#6a7d2c', '#b3c573'],
  'passion-fruit': ['#a47806', '#e0b544'],
  lemon: ['#97800c', '#dcc550'],
  gooseberry: ['#67762b', '#b0c077'],
  rhubarb: ['#a0415a', '#e391a7'],
  grapefruit: ['#b4503f', '#ec9485'],
  'slip-skin-grape': ['#46275a', '#a884c2'],
  bilberry: ['#33305f', '#8a8fcc'],
  elderberry: ['#33203f', '#9a80ae'],
  grape: ['#5a6b2b', '#aebf72'],
  'crab-apple': ['#a33a35', '#e88a84'],
  kumquat: ['#c0600f', '#ef9a4e'],
  mandarin: ['#c25a0d', '#f0924a'],
  lime: ['#5f7d1f', '#acc566'],
  nectarine: ['#b4552f', '#ee9c78'],
  mango: ['#b8740a', '#efb24e'],
  papaya: ['#b95f25', '#f0a06e'],
  pineapple: ['#9a7d0c', '#dec14e'],
  fig: ['#5d3350', '#bd8bae'],
  guava: ['#a84f5c', '#ea97a2'],
  'rose-hip': ['#a8321c', '#ec8470'],
  banana: ['#8f7c1f', '#d3bf62'],
  cantaloupe: ['#b46a28', '#eeaa70'],
  watermelon: ['#a8364a', '#ea8496'],
  tomato: ['#a62c1f', '#ec7f72'],
  'sweet-pepper': ['#a5311f', '#eb8473'],
  'hot-pepper': ['#9d2219', '#e87a70'],
  onion: ['#7f5a3a', '#cba583'],
  carrot: ['#b85a14', '#ef9a55'],
  beetroot: ['#7a1f45', '#d67aa4'],
  pumpkin: ['#b5610f', '#efa04e'],
  'sweet-potato': ['#a85a2b', '#e8a27a'],
  courgette: ['#55702b', '#a5bf77'],
  sweetcorn: ['#967a10', '#dcc050'],
  ginger: ['#8f6f2f', '#cfb077'],
  applesauce: ['#8a7a35', '#cbbd77'],
};

const PLAIN = COLOURS.damson ?? ['#5b2a55', '#b97fb0'];

export const fruitColour = (fruit: string | null | undefined, theme: Theme): string =>
  (COLOURS[fruit ?? ''] ?? PLAIN)[theme === 'night' ? 1 : 0];

/** `--fruit` for everything inside the element. */
export const fruitStyle = (fruit: string | null | undefined, theme: Theme): CSSProperties =>
  ({ '--fruit': fruitColour(fruit, theme) }) as CSSProperties;
