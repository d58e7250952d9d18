import { ArrayMaxSize, IsArray, IsIn, IsString, MaxLength, ValidateBy } from 'class-validator';
import {
  PRACTICE_MODES,
  readScenario,
  type PracticeMode,
  type PracticeScenario,
} from '@idle-kettle/core';
import { Moment } from './moments.js';
import { Count, Name } from './rules.js';

/** Seeds are whole numbers up to this: nine digits can be read out to somebody. */
export const LARGEST_SEED = 999_999_999;
const MOST_MEDALS = 20;

/** A run of a practice pan that is over: who cooked it, and what came of it. */
export class SavePracticeRun {
  /** Who stood at the pan. */
  @Name(40) player!: string;
  /** The id of its scenario. */
  @Name(60) scenario!: string;
  @Count(0, LARGEST_SEED, `write a seed from 0 to ${LARGEST_SEED}`) seed!: number;
  @IsIn(PRACTICE_MODES, { message: `write one of ${PRACTICE_MODES.join(', ')}` })
  mode!: PracticeMode;
  @Count(0, 100, 'write a score from 0 to 100') score!: number;
  /** Codes of the medals it earned. */
  @IsArray({ message: 'write a list' })
  @ArrayMaxSize(MOST_MEDALS, { message: `write at most ${MOST_MEDALS}` })
  @IsString({ each: true, message: 'write the code of a medal' })
  @MaxLength(40, { each: true, message: 'write the code of a medal' })
  medals!: string[];
  @Moment() at!: string;
}

export interface PracticeRunView extends SavePracticeRun {
  readonly id: string;
}

/** A scenario as core reads it; what is wrong with it is named with its path. */
const IsScenario = (): PropertyDecorator =>
  ValidateBy({
    name: 'isScenario',
    validator: {
      validate: (value) => readScenario(value).ok,
      defaultMessage: (where) => {
        const reading = readScenario(where?.value);
        if (reading.ok) return '';
        const [first] = reading.problems;
        return `${first?.path ?? ''}: ${first?.message ?? 'this is no practice scenario'}`;
      },
    },
  });

/** A scenario that somebody wrote, or that was made of a batch. */
export class SavePracticeScenario {
  @IsScenario() document!: PracticeScenario;
}

export interface PracticeScenarioView extends SavePracticeScenario {
  readonly id: string;
}
