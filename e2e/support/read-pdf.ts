import { createCanvas } from '@napi-rs/canvas';
import { createRequire } from 'node:module';
import type jsQRFunction from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** A text of a page: its baseline from the top left, and its size, pt. */
export interface PdfText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly size: number;
}

export interface PdfPage {
  readonly width: number;
  readonly height: number;
  readonly texts: readonly PdfText[];
  /** What the QR code inside a box of the page says, pt from the top left. */
  readonly codeIn: (box: {
    x: number;
    y: number;
    width: number;
    height: number;
  }) => string | undefined;
}

// Its types say that it is an ES module; it is not.
const jsQR = createRequire(import.meta.url)('jsqr') as typeof jsQRFunction.default;

/** Dots in a point: 220 to the inch, less than any printer has. */
const SCALE = 3;

/**
 * Reads a PDF back with a reader that had no part in making it: where its words stand, and what its
 * picture shows.
 */
export async function readPdf(bytes: Uint8Array): Promise<PdfPage[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes) }).promise;
  const pages: PdfPage[] = [];
  for (let number = 1; number <= pdf.numPages; number++) {
    const page = await pdf.getPage(number);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    const texts = items.flatMap((item): PdfText[] => {
      if (!('str' in item) || item.str.trim() === '') return [];
      const [size, , , , x, y] = item.transform as [number, number, number, number, number, number];
      return [{ text: item.str, x, y: height - y, width: item.width, size }];
    });
    const viewport = page.getViewport({ scale: SCALE });
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    const context = canvas.getContext('2d');
    await page.render({
      canvas: canvas as unknown as HTMLCanvasElement,
      canvasContext: context as unknown as CanvasRenderingContext2D,
      viewport,
    }).promise;
    pages.push({
      width,
      height,
      texts,
      codeIn: ({ x, y, width: across, height: down }) => {
        const [w, h] = [Math.floor(across * SCALE), Math.floor(down * SCALE)];
        const { data } = context.getImageData(Math.floor(x * SCALE), Math.floor(y * SCALE), w, h);
        return jsQR(new Uint8ClampedArray(data), w, h)?.data;
      },
    });
  }
  return pages;
}
