import { X } from "lucide-react";
import { useEffect, useRef } from "react";
import { usePageSetup } from "../pages/page-setup";
import { RunningLineFields } from "../pages/running-lines";
import { cx } from "../parts/cx";

/** Which header or footer is edited, and on which kind of page. */
export type EditedLine = "header" | "footer" | "evenHeader" | "evenFooter" | "firstHeader" | "firstFooter";

const WORDS: Record<EditedLine, string> = {
  header: "Header",
  footer: "Footer",
  evenHeader: "Header of left-hand pages",
  evenFooter: "Footer of left-hand pages",
  firstHeader: "Header where a chapter begins",
  firstFooter: "Footer where a chapter begins",
};

/** The header or the footer of a page, edited on the page itself. */
export function RunningOnPage({ which, onClose }: { which: EditedLine; onClose: () => void }) {
  const { view, change } = usePageSetup();
  const box = useRef<HTMLElement>(null);
  const isThere = view !== undefined;
  useEffect(() => {
    if (isThere) box.current?.querySelector("input")?.focus();
  }, [isThere, which]);
  if (!view) return null;
  return (
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <section
      ref={box}
      aria-label={`${WORDS[which]}, on the page`}
      // Of a page in small it is wider than the page, so that its three fields can be read; in a narrow window, where a page
      // reaches past the edge, it stands in the window.
      className={cx(
        "absolute left-1/2 z-10 w-[min(max(calc(100%+24px),30rem),calc(100vw-24px))] -translate-x-1/2 rounded-xl border border-line bg-sheet p-3 shadow-lg",
        "max-md:fixed max-md:inset-x-3 max-md:top-auto max-md:bottom-3 max-md:w-auto max-md:translate-x-0",
        which.toLowerCase().endsWith("header") ? "top-2" : "bottom-2",
      )}
      onKeyDown={(event) => event.key === "Escape" && (event.stopPropagation(), onClose())}
    >
      <RunningLineFields
        label={WORDS[which]}
        line={view.running[which]}
        isAcross
        onChange={(line) => change({ [which]: line })}
      />
      <button
        type="button"
        aria-label={`Close ${WORDS[which].toLowerCase()}`}
        className="absolute top-1.5 right-1.5 grid size-6 place-items-center rounded-full text-soft hover:bg-wash"
        onClick={onClose}
      >
        <X size={14} aria-hidden="true" />
      </button>
    </section>
  );
}
