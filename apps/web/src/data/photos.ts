import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { LARGEST_PHOTO_MB, PHOTO_TYPES, type PhotoView } from '@idle-kettle/contract';
import { get, request } from './api.js';
import { now } from './clock.js';
import { keys, queryClient } from './queries.js';
import { MINUTE_MS } from '@idle-kettle/core';

/** A large picture over a slow network, ms. */
const PATIENCE_MS = MINUTE_MS;

/** What the chooser of files offers. */
export const PHOTO_ACCEPT = PHOTO_TYPES.join(',');

export const usePhotos = (batchId: string): UseQueryResult<PhotoView[]> =>
  useQuery({
    queryKey: keys.photos(batchId),
    queryFn: () => get<PhotoView[]>(`/batches/${batchId}/photos`),
  });

export const photoUrl = (id: string, size?: 'small'): string =>
  `/api/photos/${id}${size === undefined ? '' : '/small'}`;

/**
 * Why a file is not worth sending; undefined where it may be. The server looks at what it really
 * is.
 */
export function notWorthSending({ type, size }: Pick<File, 'type' | 'size'>): string | undefined {
  if (!(PHOTO_TYPES as readonly string[]).includes(type))
    return 'it is not a JPEG, PNG or WebP picture';
  if (size > LARGEST_PHOTO_MB * 1e6)
    return `it has ${(size / 1e6).toFixed(0)} MB; at most ${LARGEST_PHOTO_MB} are taken`;
  return undefined;
}

/**
 * Sends a photo; with the same id again it is there once.
 * @throws ServerAway, ApiProblem as `request` does
 */
export async function sendPhoto(batchId: string, id: string, file: File): Promise<void> {
  await request<PhotoView>(
    'PUT',
    `/batches/${batchId}/photos/${id}?at=${new Date(now()).toISOString()}`,
    file,
    {},
    PATIENCE_MS,
  );
  await queryClient.invalidateQueries({ queryKey: keys.photos(batchId) });
}

export async function writeUnder(batchId: string, id: string, note: string): Promise<void> {
  await request('PATCH', `/photos/${id}`, { note });
  await queryClient.invalidateQueries({ queryKey: keys.photos(batchId) });
}

/** Takes a photo out, or brings it back. */
export async function takePhotoOut(batchId: string, id: string, out: boolean): Promise<void> {
  await (out ? request('DELETE', `/photos/${id}`) : request('POST', `/photos/${id}/back`));
  await queryClient.invalidateQueries({ queryKey: keys.photos(batchId) });
}
