import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, read, type HistoryStep } from "../../api/client";
import { useDocument } from "../../document/context";
import { Button } from "../../parts/button";
import { cx } from "../../parts/cx";
import { clockTime, day } from "../../parts/words";
import { CompareDialog } from "../history/compare-dialog";

/** What was done to the document, by sitting, the last first. */
export function HistoryDrawer() {
  const id = useDocument("HistoryDrawer", (state) => state.id);
  const generation = useDocument("HistoryDrawer", (state) => state.generation);
  const [comparing, setComparing] = useState<HistoryStep | null>(null);
  const history = useInfiniteQuery({
    queryKey: ["history", id, generation],
    queryFn: ({ pageParam }) => read(api.GET("/api/documents/{id}/history", { params: { path: { id }, query: pageParam === null ? {} : { before: pageParam } } })),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.at(-1)?.at(-1)?.id,
    placeholderData: (previous) => previous,
  });
  const sittings = history.data?.pages.flat() ?? [];
  if (!history.data) return <p className="text-soft">{history.error?.message ?? "Looking…"}</p>;
  if (sittings.length === 0) return <p className="text-soft">Nothing has been changed yet. Every step you take will be told here, and you can compare with how the text read before any of them.</p>;
  return (
    <>
      <p className="mb-3 text-soft">Choose a step to see what has become of the text since just before it.</p>
      {sittings.map((steps) => (
        <Sitting key={steps[0]?.id} steps={steps} onCompare={setComparing} />
      ))}
      {history.hasNextPage && (
        <Button onClick={() => void history.fetchNextPage()} disabled={history.isFetchingNextPage}>
          {history.isFetchingNextPage ? "Looking…" : "Earlier steps"}
        </Button>
      )}
      {comparing && <CompareDialog step={comparing} onClose={() => setComparing(null)} />}
    </>
  );
}

function Sitting({ steps, onCompare }: { steps: readonly HistoryStep[]; onCompare: (step: HistoryStep) => void }) {
  const [last, first] = [steps[0], steps.at(-1)];
  if (!last || !first) return null;
  return (
    <section className="mb-5">
      <h3 className="border-b border-line pb-1 text-xs font-semibold text-soft">
        {day(first.startedAt)}, {clockTime(first.startedAt)}
        {clockTime(last.madeAt) !== clockTime(first.startedAt) && ` to ${clockTime(last.madeAt)}`}
      </h3>
      <ul>
        {steps.map((step) => (
          <li key={step.id}>
            {step.undone ? (
              <p className="px-2 py-1 text-faint">
                <span className="line-through">{step.label}</span> (undone)
              </p>
            ) : (
              <button type="button" className={cx("flex w-full items-baseline gap-2 rounded-lg px-2 py-1 text-left hover:bg-wash")} onClick={() => onCompare(step)}>
                <span className="min-w-0 flex-1">{step.label}</span>
                <span className="text-[11px] text-faint tabular-nums">{clockTime(step.madeAt)}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
