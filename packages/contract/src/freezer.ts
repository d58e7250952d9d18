import { Day } from './moments.js';
import { Text, Within } from './rules.js';

/** Fruit that waits in the freezer for a quiet day. */
export class SaveFrozenFruit {
  @Text(60, 'write the fruit, such as "damson"')
  ingredient!: string;

  @Within(0.01, 500, 'write its weight in kg, 0.01 to 500')
  mass_kg!: number;

  /** Variety, how it was cut, which drawer. */
  @Text(100, 'write a note')
  note!: string;

  @Day()
  frozenOn!: string;
}

export interface FrozenFruitView extends SaveFrozenFruit {
  readonly id: string;
}
