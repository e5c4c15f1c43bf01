import type { ReactNode } from "react";

/** What is shown when it is asked for. */
export function Fold({ words, children }: { words: string; children: ReactNode }) {
  return (
    <details className="group">
      <summary className="cursor-pointer text-xs font-semibold text-stem">{words}</summary>
      <div className="mt-2 space-y-2.5">{children}</div>
    </details>
  );
}
