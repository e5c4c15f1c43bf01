import type { ReactNode } from "react";

/** What is shown when it is asked for. */
export function Fold({
  words,
  onToggle,
  children,
}: {
  words: string;
  onToggle?: (isOpen: boolean) => void;
  children: ReactNode;
}) {
  return (
    <details className="group" onToggle={(event) => onToggle?.(event.currentTarget.open)}>
      <summary className="cursor-pointer text-xs font-semibold text-stem">{words}</summary>
      <div className="mt-2 space-y-2.5">{children}</div>
    </details>
  );
}
