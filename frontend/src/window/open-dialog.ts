import { create } from "zustand";
import type { Scope } from "../outline/scope";
import type { FileFormat } from "../document/files";

/** A dialog that can be opened from anywhere in the window, with what it is about. */
export type OpenDialog =
  | { kind: "likely-headings" }
  | { kind: "split"; section: string }
  | { kind: "import"; target: string; landing: "before" | "after" | "inside" }
  | { kind: "standing"; target: string }
  | { kind: "keep-starter" | "keys" | "about" }
  | { kind: "dead-links"; format: FileFormat; scope?: Scope | undefined; count: number; keptFiles: string[] }
  | { kind: "new-kind"; of: "paragraphs" | "words" }
  | { kind: "nest" | "to-document"; sections: string[] }
  | { kind: "marker" | "target"; sections: string[] };

/** One at a time. */
export const useOpenDialog = create<{ dialog: OpenDialog | null }>(() => ({ dialog: null }));

export function openDialog(dialog: OpenDialog): void {
  useOpenDialog.setState({ dialog });
}

export function closeDialog(): void {
  useOpenDialog.setState({ dialog: null });
}
