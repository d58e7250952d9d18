import { Moment } from './moments.js';
import { Text, IfPresent } from './rules.js';

/** What a photo may come as. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
/** The largest file taken, megabytes. */
export const LARGEST_PHOTO_MB = 20;
/** Photos of one batch. */
export const MOST_PHOTOS = 40;

/** When a photo was put to its batch. */
export class KeepPhoto {
  @IfPresent()
  @Moment('write when it was taken, as 2026-09-12T18:00:00.000Z')
  at?: string;
}

/** What is written under a photo. */
export class PhotoNote {
  @Text(200, 'write what it shows')
  note!: string;
}

/**
 * A photo of a batch; the picture itself is at `/api/photos/<id>`, a small one at
 * `/api/photos/<id>/small`.
 */
export interface PhotoView {
  readonly id: string;
  readonly note: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  /** ISO 8601. */
  readonly at: string;
}
