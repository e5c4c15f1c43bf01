import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, read, type TextCounts } from "../../api/client";
import { useDocument, usePages, useSession, useWindow } from "../../document/context";
import { sectionLabel } from "../../document/section-name";
import { useSpot } from "../../manuscript/spot";
import { branchEnd } from "../../outline/outline";
import type { Scope } from "../../outline/scope";
import { cx } from "../../parts/cx";
import { formatNumber, lasting } from "../../parts/words";
import { WritingPlan } from "./writing-plan";

/** What is counted. */
type Unit = "selection" | "section" | "branch" | "shown" | "document";

/** Counting waits until typing has paused for so long (milliseconds). */
const PAUSE = 1500;
/** A heading of any size is the first on its page when it stands no lower below the upper margin (points). */
const HEAD = 30;

/** What there is to count in the text, and how it grows. */
export function CountsDrawer() {
  const session = useSession("CountsDrawer");
  const current = useWindow("CountsDrawer", (state) => state.current);
  const scope = useWindow("CountsDrawer", (state) => state.scope);
  const words = useSelectedWords();
  const [chosen, setChosen] = useState<Unit>("branch");
  useDocument("CountsDrawer", (state) => state.numbers);
  const units: [Unit, string][] = [
    ...(words === "" ? [] : [["selection", "What is selected"] as [Unit, string]]),
    ["section", "The text of this section"],
    ["branch", current === null ? "Its branch" : sectionLabel(session.state, current) || "The opening"],
    ...(scope === null ? [] : [["shown", "What is shown"] as [Unit, string]]),
    ["document", "The whole document"],
  ];
  const unit = words !== "" ? "selection" : units.some(([each]) => each === chosen) ? chosen : "branch";
  const counts = useCounts(unit, words);
  const pages = usePageCount(unit);
  return (
    <>
      <fieldset className="mb-3">
        <legend className="sr-only">What is counted</legend>
        {units.map(([each, label]) => (
          <label
            key={each}
            className={cx(
              "flex cursor-pointer items-baseline gap-2 rounded-lg px-2 py-1 hover:bg-wash",
              each === unit && "bg-wash font-medium text-stem",
            )}
          >
            <input
              type="radio"
              name="counted"
              checked={each === unit}
              onChange={() => setChosen(each)}
              className="accent-stem"
            />
            <span className="min-w-0 truncate">{label}</span>
          </label>
        ))}
      </fieldset>
      <Counts
        counts={counts.data}
        pages={pages}
        isCounting={counts.isPlaceholderData}
        problem={counts.error?.message ?? null}
      />
      <WritingPlan />
    </>
  );
}

function Counts({
  counts,
  pages,
  isCounting,
  problem,
}: {
  counts: TextCounts | undefined;
  pages: number | null;
  isCounting: boolean;
  problem: string | null;
}) {
  if (problem !== null) return <p className="text-loss">{problem}</p>;
  if (!counts) return <p className="text-soft">Counting…</p>;
  const lines: [string, string][] = [
    ["Words", formatNumber(counts.words)],
    ...(pages === null ? [] : [["Pages", formatNumber(pages)] as [string, string]]),
    ["Sentences", formatNumber(counts.sentences)],
    ["Paragraphs", formatNumber(counts.paragraphs)],
    ["Characters", formatNumber(counts.characters)],
    ["Characters without blanks", formatNumber(counts.charactersWithoutBlanks)],
    ["To read", lasting(counts.silentSeconds)],
    ["To read aloud", lasting(counts.aloudSeconds)],
  ];
  return (
    <div className="relative">
      {isCounting && (
        <p role="status" className="absolute -top-2 right-2 bg-paper text-xs text-faint">
          Counting…
        </p>
      )}
      <dl aria-busy={isCounting} aria-label="Counts" className="space-y-1 px-2">
        {lines.map(([label, value]) => (
          <div key={label} className="flex justify-between gap-3">
            <dt className="text-soft">{label}</dt>
            <dd className={cx("tabular-nums", isCounting && "text-faint")}>{value}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

/** Pages that something stands on, where they are known: of the whole document or of a branch. */
function usePageCount(unit: Unit): number | null {
  const session = useSession("usePageCount");
  const current = useWindow("usePageCount", (state) => state.current);
  const { labels, sections } = usePages("usePageCount", (state) => state);
  if (labels.length === 0) return null;
  if (unit === "document") return labels.length;
  const { outline, positions } = session.state;
  const at = positions.get(current ?? "");
  if (unit !== "branch" || at === undefined) return null;
  const first = sections.get(outline.ids[at] ?? "");
  const next = sections.get(outline.ids[branchEnd(outline, at)] ?? "");
  if (!first) return null;
  // Where the next one begins at the head of a page, the branch ended on the page before.
  const head = Math.min(...[...sections.values()].map((spot) => spot.down)) + HEAD;
  const isAtHead = next !== undefined && next.sheet > first.sheet && next.down <= head;
  return (next ? next.sheet - (isAtHead ? 1 : 0) : labels.length) - first.sheet + 1;
}

/** The words that are selected in the text, a paragraph a line. */
function useSelectedWords(): string {
  const spot = useSpot((state) => state.spot);
  if (!spot || spot.view.isDestroyed) return "";
  const { doc, selection } = spot.view.state;
  return selection.empty ? "" : doc.textBetween(selection.from, selection.to, "\n").trim();
}

function useCounts(unit: Unit, words: string) {
  const session = useSession("useCounts");
  const id = useDocument("useCounts", (state) => state.id);
  const language = useDocument("useCounts", (state) => state.titleBlock.language);
  const revision = useSettled(useDocument("useCounts", (state) => state.revision));
  const scope = useWindow("useCounts", (state) => state.scope);
  const current = useWindow("useCounts", (state) => state.current);
  const part: Scope | null =
    unit === "shown"
      ? scope
      : unit === "document" || current === null
        ? null
        : { heads: [current], extent: unit === "branch" ? "branch" : "heading-only" };
  return useQuery({
    queryKey: ["text-counts", id, unit === "selection" ? words : [revision, part]],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () => {
      if (unit === "selection") return read(api.POST("/api/text-counts", { body: { text: words, language } }));
      await session.flush();
      const query = part ? { sections: part.heads.join(","), extent: part.extent } : {};
      return read(api.GET("/api/documents/{id}/text-counts", { params: { path: { id }, query } }));
    },
  });
}

/** What a value has been for a while; the first is taken at once. */
function useSettled(value: number): number {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(value), PAUSE);
    return () => window.clearTimeout(timer);
  }, [value]);
  return settled;
}
