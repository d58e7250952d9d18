import { Controller, Sse, type MessageEvent } from '@nestjs/common';
import { filter, from, interval, map, merge, switchMap, type Observable } from 'rxjs';
import { HouseholdService } from '../households/household.service.js';
import { LiveService } from './live.service.js';

/** Often enough that a dead connection is noticed and no box on the way closes it. */
const BEAT_MS = 20_000;

@Controller('live')
export class LiveController {
  constructor(
    private readonly live: LiveService,
    private readonly households: HouseholdService,
  ) {}

  /**
   * What was changed, as it happens: which list, and which batch. A device asks for the new state
   * itself.
   */
  @Sse()
  changes(): Observable<MessageEvent> {
    const notices = from(this.households.current()).pipe(
      switchMap((ours) =>
        this.live.notices.pipe(filter(({ household }) => household === null || household === ours)),
      ),
      map(({ of, batch }): MessageEvent => ({ data: { of, batch } })),
    );
    return merge(
      notices,
      interval(BEAT_MS).pipe(map((): MessageEvent => ({ type: 'beat', data: '' }))),
    );
  }
}
