import { sendFile, type FileProgress } from "../api/send-file";
import type { components } from "../generated/api";

/** What can be read; the server looks at what a file is, whatever its name says. */
export const READABLE = ".docx,.docm,.dotx,.odt,.ott,.epub,.html,.htm,.xhtml,.md,.markdown,.opml,.txt,.text";

export type Imported = components["schemas"]["Imported"];
export type Progress = FileProgress;

export function importFile(file: File, tell: (progress: Progress) => void, leave?: AbortSignal): Promise<Imported> {
  return sendFile(`/api/documents/import?name=${encodeURIComponent(file.name)}`, file, {
    tell,
    leave,
    cancelled: "The import was cancelled; nothing was put on the desk.",
  });
}
