import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import type { KindUseView, StyleSheetView } from "../api/client";
import { useSession } from "../document/context";
import { cx } from "../parts/cx";
import type { Pdf } from "../proof/pdf";
import { drawnPage, pageWith, partPages } from "./part-pages";

/** Milliseconds in which no more was changed. */
const PAUSE = 300;
/** Pixels, for sharp letters. */
const WIDTH = 760;

/** Narrower, there is no room for a page beside the sheet. */
const WIDE = window.matchMedia("(width >= 80rem)");

function useIsWide(): boolean {
  return useSyncExternalStore(
    (changed) => {
      WIDE.addEventListener("change", changed);
      return () => WIDE.removeEventListener("change", changed);
    },
    () => WIDE.matches,
  );
}

/** The page on which a kind of text comes first, as it is printed now. The last one stays until the next is there. */
export function SheetPage({ sheet, use }: { sheet: StyleSheetView; use: KindUseView | undefined }) {
  const session = useSession("SheetPage");
  const box = useRef<HTMLDivElement>(null);
  const [state, setState] = useState<"setting" | "there" | "failed">("setting");
  const section = use?.section ?? null;
  const words = use?.words ?? "";
  const label = sheet.kinds.find(({ name }) => name === use?.kind)?.label ?? "";
  const isWide = useIsWide();
  useEffect(() => {
    if (!isWide) return;
    let left = false;
    let pdf: Pdf | null = null;
    const timer = window.setTimeout(async () => {
      setState("setting");
      try {
        pdf = await partPages(session, section);
        const page = pdf && !left ? await drawnPage(pdf, await pageWith(pdf, words), WIDTH) : null;
        if (left) return void pdf?.loadingTask.destroy();
        if (!page) return setState("failed");
        page.setAttribute("aria-label", label === "" ? "A page as it is printed" : `A page with “${label}”`);
        box.current?.replaceChildren(page);
        setState("there");
      } catch {
        if (!left) setState("failed");
      }
    }, PAUSE);
    return () => {
      left = true;
      window.clearTimeout(timer);
      void pdf?.loadingTask.destroy();
    };
  }, [session, sheet, section, words, label, isWide]);
  if (!isWide) return null;
  return (
    <section aria-label="On the page" className="sticky top-0">
      <p role="status" className="h-6 text-xs text-faint">
        {state === "failed"
          ? "This page cannot be set just now."
          : state === "setting"
            ? "Setting the page…"
            : "On the page"}
      </p>
      <div ref={box} className={cx("transition-opacity", state !== "there" && "opacity-60")} />
    </section>
  );
}
