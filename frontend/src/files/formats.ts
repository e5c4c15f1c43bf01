import type { FileFormat } from "../document/files";

/** The kinds of file a document can be written to, each as a menu names it and as a sentence does. */
export const FORMATS: readonly { format: FileFormat; label: string; inSentence: string }[] = [
  { format: "pdf", label: "PDF, the pages as they are", inSentence: "PDF" },
  { format: "docx", label: "Word-processor document", inSentence: "a word-processor document" },
  { format: "html", label: "Web page, one file", inSentence: "a web page" },
  { format: "md", label: "Markdown", inSentence: "Markdown" },
];
