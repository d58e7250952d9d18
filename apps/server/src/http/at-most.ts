import type { CallHandler, NestInterceptor } from '@nestjs/common';
import { finalize, type Observable } from 'rxjs';
import { ProblemException } from './problem.filter.js';

/** Lets so many requests be worked on at the same time; others are asked to come again. */
export class AtMost implements NestInterceptor {
  private underWay = 0;

  constructor(private readonly most: number) {}

  intercept(_: unknown, next: CallHandler): Observable<unknown> {
    if (this.underWay >= this.most)
      throw new ProblemException(
        'too-many',
        `${this.most} such requests are being answered already; try again in a moment`,
      );
    this.underWay += 1;
    return next.handle().pipe(finalize(() => (this.underWay -= 1)));
  }
}
