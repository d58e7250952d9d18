import { Moment } from './moments.js';
import { Text, Within, IfPresent } from './rules.js';

/** Fruit as bought and as it was when prepared: what this kitchen learns its losses from. */
export class SavePreparedWeight {
  @Text(60, 'write the ingredient, such as "quince"')
  ingredient!: string;

  @IfPresent()
  @Text(60, 'write the variety as text')
  variety?: string;

  @Within(0.001, 500, 'write the bought weight in kg, above 0')
  bought_kg!: number;

  @Within(0.001, 500, 'write the prepared weight in kg, above 0')
  prepared_kg!: number;

  @Moment('write when it was weighed, as 2026-09-12T18:00:00Z')
  at!: string;
}

export interface PreparedWeightView extends SavePreparedWeight {
  readonly id: string;
}
