import { create } from "zustand";
import type { FileFormat } from "../document/files";

/** What the writer is being asked about, over the whole of Write. */
export type Asking =
  | { kind: "likely-headings" }
  | { kind: "split"; section: string }
  | { kind: "import"; target: string; landing: "before" | "after" | "inside" }
  | { kind: "keep-starter" | "keys" }
  | { kind: "dead-links"; format: FileFormat; section?: string | undefined; count: number }
  | { kind: "nest" | "to-document"; sections: string[] }
  | { kind: "marker" | "target"; sections: string[] };

/** One question at a time. */
export const useAsking = create<{ asking: Asking | null }>(() => ({ asking: null }));

export function ask(asking: Asking): void {
  useAsking.setState({ asking });
}

export function asked(): void {
  useAsking.setState({ asking: null });
}
