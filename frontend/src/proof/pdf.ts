import type { PDFDocumentProxy } from "pdfjs-dist";
import { fetchPages } from "../document/fetch-pages";

/** Milliseconds. */
const KEPT_FOR_DRAWING = 3000;

/** The library that draws pages, read when they are first looked at. */
async function library() {
  const pdf = await import("pdfjs-dist");
  pdf.GlobalWorkerOptions.workerPort ??= new Worker(new URL("pdfjs-dist/build/pdf.worker.mjs", import.meta.url), {
    type: "module",
  });
  return pdf;
}

export type Pdf = PDFDocumentProxy;

/** The file that was opened last; whoever comes back to Proof has it at once. */
let last: { address: string; pdf: Promise<Pdf | null> } | null = null;

/** The library opens no file while it puts another one away. */
let ending: Promise<unknown> = Promise.resolve();

/** The pages of a document as they are now; null when they cannot be had. */
export function openPdf(address: string): Promise<Pdf | null> {
  if (last?.address !== address) {
    const before = last;
    last = { address, pdf: read(address) };
    // What is still being drawn of the former file is let be for a moment.
    if (before)
      window.setTimeout(() => {
        ending = before.pdf.then((pdf) => pdf?.loadingTask.destroy()).catch(() => undefined);
      }, KEPT_FOR_DRAWING);
  }
  return last.pdf;
}

async function read(address: string): Promise<Pdf | null> {
  const [, answer] = await Promise.all([library(), fetchPages(address)]);
  if (!answer?.ok) {
    last = null;
    return null;
  }
  return openOnce(await answer.arrayBuffer());
}

/** A file that whoever opens it puts away as well. */
export async function openOnce(bytes: ArrayBuffer): Promise<Pdf> {
  const { getDocument } = await library();
  const data = new Uint8Array(bytes);
  await ending;
  // Every face is in the file, so nothing else is ever fetched.
  return getDocument({
    data,
    disableFontFace: false,
    useSystemFonts: false,
    useWasm: false,
    isEvalSupported: false,
  }).promise;
}

/** Some of its pages as a file of their own. */
export async function pagesOf(pdf: Pdf, sheets: readonly number[]): Promise<Blob> {
  const bytes = await pdf.extractPages([{ document: null, includePages: sheets.map((sheet) => sheet - 1) }]);
  return new Blob([new Uint8Array(bytes)], { type: "application/pdf" });
}

/** Has the library ready before it is needed. */
export function preparePdf(): void {
  void library().catch(() => undefined);
}

export async function textLayerOf() {
  return (await library()).TextLayer;
}
