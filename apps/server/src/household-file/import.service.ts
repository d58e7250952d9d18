import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Inject, Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';
import type { HouseholdImport, ProblemBody, ProblemCode } from '@idle-kettle/contract';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { ProblemException } from '../http/problem.filter.js';
import { SETTINGS, type Settings } from '../settings.js';
import { takeFile, type FileToTake } from './take-file.js';

/** What the thread is given. */
export interface TakeOrder extends FileToTake {
  readonly databaseUrl: string;
}

/** What it answers; what is no problem of the file fails the thread. */
export type TakeAnswer =
  | { readonly taken: HouseholdImport }
  | {
      readonly problem: {
        readonly code: ProblemCode;
        readonly detail: string;
        readonly extra: Pick<ProblemBody, 'errors' | 'current'>;
      };
    };

const WORKER = fileURLToPath(new URL('./take-file.worker.js', import.meta.url));
/** A file of the largest size, parsed and checked, takes half of this, MB. */
const MEMORY_MB = 3072;

/** Takes a household's file in, on a thread of its own, so that requests go on meanwhile. */
@Injectable()
export class ImportService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    @Inject(SETTINGS) private readonly settings: Settings,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /** @throws ProblemException 400 with everything to mend by its path, and nothing changed */
  async take(bytes: Uint8Array): Promise<HouseholdImport> {
    const file: FileToTake = {
      bytes,
      householdId: await this.households.current(),
      now: this.clock.now().getTime(),
    };
    // The unit tests run the sources, of which no thread can be made.
    if (!existsSync(WORKER)) return takeFile(file, this.sequelize);
    const answer = await answerOf({ ...file, databaseUrl: this.settings.databaseUrl });
    if ('taken' in answer) return answer.taken;
    const { code, detail, extra } = answer.problem;
    throw new ProblemException(code, detail, extra);
  }
}

/** @throws what the thread failed of */
function answerOf(order: TakeOrder): Promise<TakeAnswer> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(WORKER, {
      workerData: order,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
    worker.once('message', resolve);
    worker.once('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooMuch() : error),
    );
    worker.once('exit', () => reject(new Error('the thread that takes files in ended')));
  });
}

const tooMuch = (): ProblemException =>
  new ProblemException(
    'too-large',
    'the file holds more than can be imported at once; such a household moves by ./kettle backup',
  );
