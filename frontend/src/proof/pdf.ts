import type { PDFDocumentProxy } from "pdfjs-dist";

/** The library that draws pages, read when they are first looked at. */
async function library() {
  const pdf = await import("pdfjs-dist");
  pdf.GlobalWorkerOptions.workerPort ??= new Worker(new URL("pdfjs-dist/build/pdf.worker.mjs", import.meta.url), {
    type: "module",
  });
  return pdf;
}

export type Pdf = PDFDocumentProxy;

/** The pages of a document as they are now; null when they cannot be had. */
export async function openPdf(address: string): Promise<Pdf | null> {
  const { getDocument } = await library();
  const answer = await fetch(address).catch(() => null);
  if (!answer?.ok) return null;
  // Every face is in the file, so nothing else is ever fetched.
  return getDocument({
    data: new Uint8Array(await answer.arrayBuffer()),
    disableFontFace: false,
    useSystemFonts: false,
    useWasm: false,
    isEvalSupported: false,
  }).promise;
}

export async function textLayerOf() {
  return (await library()).TextLayer;
}
