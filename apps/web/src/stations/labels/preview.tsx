import { useEffect, useRef, useState } from 'react';
import * as pdfjs from 'pdfjs-dist';
import workerUrl from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

pdfjs.GlobalWorkerOptions.workerSrc = workerUrl;

/** The pages of a PDF as they will be printed: the file itself, drawn. */
export default function Preview({
  bytes,
  pages,
}: {
  readonly bytes: Uint8Array;
  readonly pages: number;
}) {
  const [shown, setShown] = useState(0);
  const canvas = useRef<HTMLCanvasElement>(null);
  const page = Math.min(shown, pages - 1);
  useEffect(() => {
    // The reader takes the bytes it is given for itself.
    const reading = pdfjs.getDocument({ data: bytes.slice() });
    let stale = false;
    void (async () => {
      const found = await (await reading.promise).getPage(page + 1);
      const target = canvas.current;
      if (stale || !target) return;
      const viewport = found.getViewport({ scale: 2 });
      target.width = viewport.width;
      target.height = viewport.height;
      await found.render({ canvas: target, viewport }).promise;
      target.dataset.page = String(page + 1);
    })().catch(() => undefined);
    return () => {
      stale = true;
      void reading.destroy();
    };
  }, [bytes, page]);
  return (
    <div>
      <canvas
        ref={canvas}
        role="img"
        aria-label={`Page ${page + 1} of ${pages} as it will be printed`}
        className="w-full rounded-[6px] border border-line bg-white shadow"
      />
      {pages > 1 && (
        <div className="mt-2 flex items-center justify-center gap-3">
          <button
            type="button"
            className="btn"
            disabled={page === 0}
            onClick={() => setShown(page - 1)}
          >
            Page before
          </button>
          <span>
            {page + 1} of {pages}
          </span>
          <button
            type="button"
            className="btn"
            disabled={page === pages - 1}
            onClick={() => setShown(page + 1)}
          >
            Next page
          </button>
        </div>
      )}
    </div>
  );
}
