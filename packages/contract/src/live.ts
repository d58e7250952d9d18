/**
 * Something changed on some device; "everything" after a gap in which news may have been missed.
 */
export interface News {
  readonly of:
    | 'kitchens'
    | 'formulas'
    | 'prepared_weights'
    | 'batches'
    | 'batch_events'
    | 'shelf_lots'
    | 'shelf_moves'
    | 'frozen_fruit'
    | 'practice_runs'
    | 'practice_scenarios'
    | 'boil_lessons'
    | 'batch_photos'
    | 'instruments'
    | 'instrument_places'
    | 'everything';
  /** Which batch it is about, or null. */
  readonly batch: string | null;
}
