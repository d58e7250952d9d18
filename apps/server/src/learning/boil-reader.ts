import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { Mutex } from 'async-mutex';
import { lookAt, type BoilToLookAt, type LookedAt } from './look-at.js';

/** A boil that takes longer than this is tried again later, ms: a hundred times what one takes. */
const PATIENCE_MS = 10_000;
/** Each time it is tried again it has twice as long, up to so many times that. */
const MOST_PATIENCE = 8;
/** A thread that has nothing to do for so long is ended, ms. */
const IDLE_MS = 30_000;

const WORKER = fileURLToPath(new URL('./look-at.worker.js', import.meta.url));

/** Looks at boils on a thread of its own, one after the other, so that requests go on meanwhile. */
@Injectable()
export class BoilReader implements OnModuleDestroy {
  private readonly turns = new Mutex();
  private worker: Worker | undefined;
  private idle: ReturnType<typeof setTimeout> | undefined;
  /** How long the first try may take, ms. */
  protected readonly patience_ms: number = PATIENCE_MS;

  /**
   * @param tries how often it was tried in vain
   * @returns undefined where it took too long, or the thread failed: that says nothing of the boil
   */
  lookAt(boil: BoilToLookAt, tries = 0): Promise<LookedAt | undefined> {
    // The unit tests run the sources, of which no thread can be made.
    if (!existsSync(WORKER)) return Promise.resolve(lookAt(boil));
    const patience_ms = this.patience_ms * Math.min(2 ** tries, MOST_PATIENCE);
    return this.turns.runExclusive(() => this.ask(boil, patience_ms));
  }

  async onModuleDestroy(): Promise<void> {
    clearTimeout(this.idle);
    await this.worker?.terminate();
  }

  private async ask(boil: BoilToLookAt, patience_ms: number): Promise<LookedAt | undefined> {
    clearTimeout(this.idle);
    const worker = (this.worker ??= newWorker());
    const answer = await answerOf(worker, boil, patience_ms);
    if (answer === undefined) await this.end();
    else this.idle = setTimeout(() => void this.end(), IDLE_MS).unref();
    return answer;
  }

  private async end(): Promise<void> {
    const worker = this.worker;
    this.worker = undefined;
    await worker?.terminate();
  }
}

/** What goes wrong in a thread while nobody waits for it is nobody's concern. */
const newWorker = (): Worker => new Worker(WORKER).on('error', () => undefined);

/** @returns undefined where the thread failed, or took too long */
function answerOf(
  worker: Worker,
  boil: BoilToLookAt,
  patience_ms: number,
): Promise<LookedAt | undefined> {
  return new Promise((resolve) => {
    const settle = (found: LookedAt | undefined): void => {
      clearTimeout(timer);
      worker.off('message', settle).off('error', fail).off('exit', fail);
      resolve(found);
    };
    const fail = (): void => settle(undefined);
    const timer = setTimeout(fail, patience_ms);
    worker.on('message', settle).on('error', fail).on('exit', fail);
    worker.postMessage(boil);
  });
}
