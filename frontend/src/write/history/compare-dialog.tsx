import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, read, type Difference, type HistoryStep } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { Button } from "../../parts/button";
import { cx } from "../../parts/cx";
import { Dialog } from "../../parts/dialog";
import { clockTime, counted, day } from "../../parts/words";

const HAS_WORDS = new Set(["renamed", "reworded"]);

/** The document just before a step beside the document now, section by section, and the way back. */
export function CompareDialog({ step, onClose }: { step: HistoryStep; onClose: () => void }) {
  const session = useSession("CompareDialog");
  const id = useDocument("CompareDialog", (state) => state.id);
  const generation = useDocument("CompareDialog", (state) => state.generation);
  const [open, setOpen] = useState<string | null>(null);
  const differences = useQuery({
    queryKey: ["differences", id, generation, step.id],
    queryFn: () => read(api.GET("/api/documents/{id}/history/{step}", { params: { path: { id, step: step.id } } })),
  });
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={`Since before “${step.label}”`}
      description={`${day(step.startedAt)}, ${clockTime(step.startedAt)}. ${differences.data ? `${counted(differences.data.length, "section differs", "sections differ")} from how the document reads now.` : (differences.error?.message ?? "Comparing…")}`}
    >
      <ul aria-label="Differences" className="max-h-[56vh] divide-y divide-line overflow-auto rounded-lg border border-line bg-paper">
        {differences.data?.map((difference) => (
          <li key={`${difference.section} ${difference.kinds.join()}`} className="px-4 py-2">
            <Line
              difference={difference}
              open={open === difference.section}
              onOpen={() => setOpen(open === difference.section ? null : difference.section)}
              onGo={() => (onClose(), session.goTo({ section: difference.section }))}
            />
            {open === difference.section && <Words step={step} section={difference.section} onTaken={() => setOpen(null)} />}
          </li>
        ))}
        {differences.data?.length === 0 && <li className="px-4 py-3 text-soft">The text and its order read the same as they did then.</li>}
      </ul>
      <div className="mt-4 flex items-center justify-end gap-2">
        <p className="flex-1 text-xs text-soft">Going back is a step itself: it can be undone.</p>
        <Button tone="quiet" onClick={onClose}>
          Close
        </Button>
        <Button tone="stem" onClick={() => (onClose(), void session.goBackTo(step.id))}>
          Take the document back
        </Button>
      </div>
    </Dialog>
  );
}

function Line({ difference, open, onOpen, onGo }: { difference: Difference; open: boolean; onOpen: () => void; onGo: () => void }) {
  const isGone = difference.kinds.includes("gone");
  const name = difference.heading || "No heading";
  return (
    <div className="flex items-center gap-3">
      {isGone ? (
        <span className="min-w-0 flex-1 truncate font-text text-soft line-through">{name}</span>
      ) : (
        <button type="button" className="min-w-0 flex-1 truncate rounded text-left font-text font-medium hover:text-stem hover:underline" onClick={onGo}>
          {name}
        </button>
      )}
      {difference.kinds.map((kind) => (
        <span key={kind} className={cx("rounded-full px-2 text-xs", kind === "gone" ? "bg-bed text-loss" : kind === "new" ? "bg-lit text-ink" : "bg-bed text-soft")}>
          {kind}
        </span>
      ))}
      {difference.kinds.some((kind) => HAS_WORDS.has(kind)) && (
        <button type="button" aria-expanded={open} className="rounded text-xs font-semibold text-stem underline underline-offset-4" onClick={onOpen}>
          {open ? "Hide the words" : "Show the words"}
        </button>
      )}
    </div>
  );
}

/** What went is struck through and what came is underlined, so that colour is not needed to tell them apart. */
function Words({ step, section, onTaken }: { step: HistoryStep; section: string; onTaken: () => void }) {
  const session = useSession("Words");
  const id = useDocument("Words", (state) => state.id);
  const generation = useDocument("Words", (state) => state.generation);
  const marks = useQuery({
    queryKey: ["marks", id, generation, step.id, section],
    queryFn: () => read(api.GET("/api/documents/{id}/history/{step}/sections/{section}", { params: { path: { id, step: step.id, section } } })),
  });
  if (!marks.data) return <p className="py-2 text-soft">{marks.error?.message ?? "Comparing…"}</p>;
  return (
    <div className="py-2">
      <p className="font-text text-[14.5px] leading-6 whitespace-pre-wrap">
        {marks.data.map(({ kind, text }, index) =>
          kind === "gone" ? (
            <del key={index} className="text-loss">
              {text}
            </del>
          ) : kind === "new" ? (
            <ins key={index} className="bg-lit decoration-stem underline-offset-4">
              {text}
            </ins>
          ) : (
            <span key={index}>{text}</span>
          ),
        )}
      </p>
      <Button className="mt-2" onClick={() => (onTaken(), void session.goBackTo(step.id, section))}>
        Bring back the earlier words of this section
      </Button>
    </div>
  );
}
