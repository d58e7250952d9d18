import { ImagePlus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { MOST_PHOTOS, type PhotoView } from '@idle-kettle/contract';
import { ApiProblem } from '../../data/api.js';
import {
  notWorthSending,
  PHOTO_ACCEPT,
  photoUrl,
  sendPhoto,
  takePhotoOut,
  usePhotos,
  writeUnder,
} from '../../data/photos.js';
import { newId } from '../../data/ids.js';
import * as dates from '../../ui/dates.js';
import { FileButton } from '../../ui/file-button.js';

/** A picture on its way; `why` it did not get there. */
interface OnItsWay {
  readonly id: string;
  readonly file: File;
  readonly why?: string;
}

const wordsOf = (error: unknown): string =>
  error instanceof ApiProblem
    ? (error.problem.errors?.[0]?.message ?? error.message)
    : 'the server does not answer';

const UNDO_MS = 8000;

/** Photos of a batch: seen large at a tap, a few words under each; taken out and brought back. */
export function Photos({
  batchId,
  title,
  alone,
}: {
  readonly batchId: string;
  readonly title: string;
  readonly alone: boolean;
}) {
  const photos = usePhotos(batchId).data ?? [];
  const [sending, setSending] = useState<readonly OnItsWay[]>([]);
  const [open, setOpen] = useState<string>();
  const drop = (id: string): void => setSending((was) => was.filter((each) => each.id !== id));
  const send = async ({ id, file }: OnItsWay): Promise<void> => {
    setSending((was) => [...was.filter((each) => each.id !== id), { id, file }]);
    const failed = (why: string): void =>
      setSending((was) => was.map((each) => (each.id === id ? { ...each, why } : each)));
    const why = notWorthSending(file);
    if (why !== undefined) return failed(why);
    try {
      await sendPhoto(batchId, id, file);
      drop(id);
    } catch (error) {
      failed(wordsOf(error));
    }
  };
  if (!alone && photos.length === 0) return null;
  const at = photos.findIndex(({ id }) => id === open);
  return (
    <section aria-label="Photos">
      {alone && <h3 className="text-lg">Photos</h3>}
      {photos.length > 0 && (
        <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(112px,1fr))] gap-2">
          {photos.map((photo, i) => (
            <li key={photo.id}>
              <button
                type="button"
                className="block w-full rounded-[12px]"
                onClick={() => setOpen(photo.id)}
              >
                <img
                  src={photoUrl(photo.id, 'small')}
                  alt={photo.note === '' ? `Photo ${i + 1} of ${title}` : photo.note}
                  loading="lazy"
                  className="aspect-square w-full rounded-[12px] border border-line object-cover"
                />
              </button>
              {photo.note !== '' && (
                <p className="mt-0.5 truncate text-sm text-soft">{photo.note}</p>
              )}
            </li>
          ))}
        </ul>
      )}
      {sending.length > 0 && (
        <ul aria-label="On their way" aria-live="polite" className="mt-2">
          {sending.map((each) => (
            <li
              key={each.id}
              className="flex flex-wrap items-center gap-x-3 border-t border-line py-2"
            >
              <span className="min-w-0 flex-1 truncate">{each.file.name}</span>
              {each.why === undefined ? (
                <span className="flex items-center gap-2 text-soft">
                  <span className="loading loading-spinner loading-sm" aria-hidden="true" /> being
                  sent
                </span>
              ) : (
                <>
                  <span className="text-bad">not saved: {each.why}</span>
                  <button type="button" className="btn" onClick={() => void send(each)}>
                    Try again
                  </button>
                  <button
                    type="button"
                    className="btn btn-ghost"
                    aria-label={`Leave ${each.file.name} out`}
                    onClick={() => drop(each.id)}
                  >
                    Leave it out
                  </button>
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {alone && (
        <>
          <FileButton
            label="Photos of this batch"
            accept={PHOTO_ACCEPT}
            isMultiple
            className="mt-2"
            isDisabled={photos.length >= MOST_PHOTOS}
            onChoose={(files) => files.forEach((file) => void send({ id: newId(), file }))}
          >
            <ImagePlus aria-hidden="true" className="size-5" /> Add a photo
          </FileButton>
          {photos.length >= MOST_PHOTOS && (
            <p className="mt-1 text-sm text-soft">
              {MOST_PHOTOS} are as many as a batch has room for.
            </p>
          )}
        </>
      )}
      {photos[at] && (
        <Large
          key={photos[at].id}
          batchId={batchId}
          photo={photos[at]}
          title={title}
          before={photos[at - 1]}
          after={photos[at + 1]}
          onShow={setOpen}
        />
      )}
    </section>
  );
}

interface LargeProps {
  readonly batchId: string;
  readonly photo: PhotoView;
  readonly title: string;
  readonly before: PhotoView | undefined;
  readonly after: PhotoView | undefined;
  /** Shows another one, or none. */
  readonly onShow: (id: string | undefined) => void;
}

/** One photo as large as the screen allows. */
function Large({ batchId, photo, title, before, after, onShow }: LargeProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [note, setNote] = useState(photo.note);
  useEffect(() => dialog.current?.showModal(), []);
  const keep = async (): Promise<void> => {
    if (note.trim() === photo.note) return;
    try {
      await writeUnder(batchId, photo.id, note);
    } catch (error) {
      toast.error('What you wrote under the photo is not saved yet', {
        description: wordsOf(error),
        action: { label: 'Try again', onClick: () => void keep() },
      });
    }
  };
  const out = async (): Promise<void> => {
    try {
      await takePhotoOut(batchId, photo.id, true);
      onShow(undefined);
      toast('Photo deleted', {
        action: {
          label: 'Undo',
          onClick: () => void takePhotoOut(batchId, photo.id, false),
        },
        duration: UNDO_MS,
      });
    } catch (error) {
      toast.error('The photo could not be deleted', { description: wordsOf(error) });
    }
  };
  const show = (other: PhotoView | undefined): void => {
    if (!other) return;
    void keep();
    onShow(other.id);
  };
  return (
    <dialog
      ref={dialog}
      aria-label={`Photo of ${title}`}
      className="m-auto max-h-[96dvh] max-w-[96vw] rounded-[14px] border border-line bg-base-100 p-3 text-base-content backdrop:bg-black/70"
      onClose={() => {
        void keep();
        onShow(undefined);
      }}
      onKeyDown={(event) => {
        if (event.target instanceof HTMLInputElement) return;
        if (event.key === 'ArrowLeft') show(before);
        if (event.key === 'ArrowRight') show(after);
      }}
    >
      <img
        src={photoUrl(photo.id)}
        width={photo.width}
        height={photo.height}
        alt={photo.note === '' ? `Photo of ${title}` : photo.note}
        className="mx-auto h-auto max-h-[70dvh] w-auto max-w-full rounded-[10px]"
      />
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <label className="flex min-w-[12rem] flex-1 flex-col gap-1 text-sm text-soft">
          what it shows · {dates.dayYearAndTime(photo.at)}
          <input
            className="input w-full text-base-content"
            maxLength={200}
            value={note}
            onChange={(event) => setNote(event.target.value)}
            onBlur={() => void keep()}
          />
        </label>
        {(before ?? after) && (
          <>
            <button type="button" className="btn" disabled={!before} onClick={() => show(before)}>
              Before
            </button>
            <button type="button" className="btn" disabled={!after} onClick={() => show(after)}>
              Next
            </button>
          </>
        )}
        <button type="button" className="btn btn-ghost" onClick={() => void out()}>
          Delete
        </button>
        <button type="button" className="btn btn-primary" onClick={() => dialog.current?.close()}>
          Close
        </button>
      </div>
    </dialog>
  );
}
