import { INGREDIENTS, isProduce, JAR_SIZES } from '@idle-kettle/core';
import { jarName } from '../ui/jar-picture.js';

/** A row of a table that can be found by its name. */
interface TableRow {
  readonly to: string;
  readonly name: string;
  /** The table it stands in. */
  readonly table: string;
}

const rowOf = (page: string, id: string): string => `/tables/${page}?find=${id}`;

/** The rows of all tables, by what one may look for. */
export const TABLE_ROWS: readonly TableRow[] = [
  ...INGREDIENTS.filter(isProduce).map(({ id, name }) => ({
    to: rowOf('fruit', id),
    name: name[1],
    table: 'Fruit table',
  })),
  ...INGREDIENTS.filter(({ category }) => category === 'sweetener' || category === 'pectin').map(
    ({ id, name }) => ({ to: rowOf('sugars', id), name: name[0], table: 'Sugars and pectins' }),
  ),
  ...JAR_SIZES.map(({ id }) => ({
    to: rowOf('jars', id),
    name: jarName(id, 2),
    table: 'Jars and headspace',
  })),
];
