import { figures, kitchenFraction, type Unit } from '@idle-kettle/core';

/** Cups and spoons are filled to a fraction within these; beyond them a figure says it better. */
const IN_FRACTIONS = { least: 0.2, below: 20 } as const;

/** A number of a unit as it is measured: a fraction of cups and spoons, figures of the rest. */
export const numberIn = (value: number, unit: Unit): string =>
  unit.kind === 'volume' &&
  unit.id !== 'ml' &&
  value >= IN_FRACTIONS.least &&
  value < IN_FRACTIONS.below
    ? kitchenFraction(value)
    : figures(value, 3);
