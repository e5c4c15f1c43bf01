import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { api, read, type Difference, type SectionDetail } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { readingKey } from "../../document/readings";
import { sectionName } from "../../document/section-name";
import { shapeInWords } from "../../looks/shaped";
import { Button } from "../../parts/button";
import { cx } from "../../parts/cx";
import { Dialog } from "../../parts/dialog";
import { Select } from "../../parts/select";
import { isMarker, MarkerSign } from "../../parts/marker";
import { counted } from "../../parts/words";
import { markedLines, stretches, type MarkedLine } from "./marked-lines";
import type { State } from "./states";

const HAS_WORDS = new Set(["renamed", "reworded", "gone", "new"]);

/** Two states of the document side by side, section by section, and the way back to the first. */
export function CompareDialog({
  from: first,
  states,
  onClose,
}: {
  from: number;
  states: readonly State[];
  onClose: () => void;
}) {
  const session = useSession("CompareDialog");
  const id = useDocument("CompareDialog", (state) => state.id);
  const [from, setFrom] = useState<State["state"]>(first);
  const [to, setTo] = useState<State["state"]>("now");
  const [open, setOpen] = useState<string | null>(null);
  // Nothing comes after now, so whatever is compared with it comes first.
  const [earlier, later] = from === "now" ? [to, from] : [from, to];
  const query = { from: earlier === "now" ? 0 : earlier, ...(later === "now" ? {} : { to: later }) };
  const isSame = earlier === later;
  const differences = useQuery({
    queryKey: readingKey(id, "comparison", query),
    queryFn: () => read(api.GET("/api/documents/{id}/history/comparison", { params: { path: { id }, query } })),
    enabled: !isSame,
  });
  const found = isSame ? [] : differences.data;
  return (
    <Dialog open wide onClose={onClose} title="What became of the text">
      <div className="mb-3 grid grid-cols-[auto_minmax(0,1fr)] items-center gap-x-3 gap-y-1.5">
        <StateField label="From" value={from} states={states} onChange={setFrom} />
        <StateField label="to" value={to} states={states} onChange={setTo} />
      </div>
      <p role="status" className="mb-3 text-soft">
        {found
          ? `${counted(found.length, "section differs", "sections differ")}.`
          : (differences.error?.message ?? "Comparing…")}
      </p>
      <ul
        aria-label="Differences"
        className="max-h-[50vh] divide-y divide-line overflow-auto rounded-lg border border-line bg-paper"
      >
        {found?.map((difference) => (
          <li key={`${difference.section} ${difference.kinds.join()}`} className="px-4 py-2">
            <Line
              difference={difference}
              named={sectionName(session.state, difference.section)}
              isThere={session.state.positions.has(difference.section)}
              open={open === difference.section}
              onOpen={() => setOpen(open === difference.section ? null : difference.section)}
              onGo={() => (onClose(), session.navigation.goTo({ section: difference.section }))}
            />
            {difference.noted.map((noted) => (
              <NotedLine key={noted.what} noted={noted} />
            ))}
            {open === difference.section && (
              <Words query={query} difference={difference} onTaken={() => setOpen(null)} />
            )}
          </li>
        ))}
        {found?.length === 0 && <li className="px-4 py-3 text-soft">Both are the same, section by section.</li>}
      </ul>
      <div className="mt-4 flex items-center justify-end gap-2">
        <p className="flex-1 text-xs text-soft">Going back is a step itself: it can be undone.</p>
        <Button tone="quiet" onClick={onClose}>
          Close
        </Button>
        <Button
          tone="stem"
          disabled={isSame || earlier === "now"}
          onClick={() => (onClose(), void session.changes.goBackTo(query.from))}
        >
          Restore the earlier version
        </Button>
      </div>
    </Dialog>
  );
}

function StateField({
  label,
  value,
  states,
  onChange,
}: {
  label: string;
  value: State["state"];
  states: readonly State[];
  onChange: (state: State["state"]) => void;
}) {
  const id = useId();
  return (
    <>
      <span id={id} className="text-soft">
        {label}
      </span>
      <Select
        labelledBy={id}
        className="h-8 min-w-0"
        value={String(value)}
        words="an earlier state"
        options={states.map(({ state, words }) => ({ value: String(state), words }))}
        onChange={(chosen) => onChange(chosen === "now" ? "now" : Number(chosen))}
      />
    </>
  );
}

function Line({
  difference,
  named,
  isThere,
  open,
  onOpen,
  onGo,
}: {
  difference: Difference;
  named: string;
  isThere: boolean;
  open: boolean;
  onOpen: () => void;
  onGo: () => void;
}) {
  const name = difference.heading || named;
  return (
    <div className="flex items-center gap-3">
      {!isThere ? (
        <span className="min-w-0 flex-1 truncate font-text text-soft line-through">{name}</span>
      ) : (
        <button
          type="button"
          className="min-w-0 flex-1 truncate rounded text-left font-text font-medium hover:text-stem hover:underline"
          onClick={onGo}
        >
          {name}
        </button>
      )}
      {difference.kinds.map((kind) => (
        <span
          key={kind}
          className={cx(
            "rounded-full px-2 text-xs",
            kind === "gone" ? "bg-bed text-loss" : kind === "new" ? "bg-lit text-ink" : "bg-bed text-soft",
          )}
        >
          {kind}
        </span>
      ))}
      {difference.kinds.some((kind) => HAS_WORDS.has(kind)) && (
        <button
          type="button"
          aria-expanded={open}
          className="rounded text-xs font-semibold text-stem underline underline-offset-4"
          onClick={onOpen}
        >
          {open ? "Hide the words" : "Show the words"}
        </button>
      )}
    </div>
  );
}

const WHAT: Record<SectionDetail["what"], string> = {
  aim: "Aim",
  target: "Target",
  marker: "Marker",
  stage: "Stage",
  look: "Look of the heading",
  numbering: "Numbering",
  contents: "In the contents",
};

function NotedLine({ noted: { what, then, now } }: { noted: SectionDetail }) {
  return (
    <p className="mt-1 flex flex-wrap gap-x-2 text-xs text-soft">
      <span className="font-semibold">{WHAT[what]}:</span>
      {then !== "" && (
        <del className="text-loss">
          <Value what={what} value={then} />
        </del>
      )}
      {now === "" ? (
        <span>none now</span>
      ) : (
        <ins className="bg-lit text-ink decoration-stem underline-offset-4">
          <Value what={what} value={now} />
        </ins>
      )}
    </p>
  );
}

function Value({ what, value }: { what: SectionDetail["what"]; value: string }) {
  if (what === "target") return counted(Number(value), "word");
  if (what === "look") return shapeInWords(value);
  if (what !== "marker" || !isMarker(value)) return value;
  return <MarkerSign name={value} />;
}

/** What went is struck through and what came is underlined, so that colour is not needed to tell them apart. */
function Words({
  query,
  difference,
  onTaken,
}: {
  query: { from: number; to?: number };
  difference: Difference;
  onTaken: () => void;
}) {
  const { section, kinds } = difference;
  const session = useSession("Words");
  const id = useDocument("Words", (state) => state.id);
  const isThere = useDocument("Words", (state) => state.positions.has(section));
  const marks = useQuery({
    queryKey: readingKey(id, "comparison", query, section),
    queryFn: () =>
      read(api.GET("/api/documents/{id}/history/comparison/{section}", { params: { path: { id, section }, query } })),
  });
  const isFormOnly = marks.data?.every(({ kind }) => kind === "same");
  if (!marks.data) return <p className="py-2 text-soft">{marks.error?.message ?? "Comparing…"}</p>;
  return (
    <div className="py-2">
      <div className="font-text text-[14.5px] leading-6">
        {isFormOnly && (
          <p className="mb-2 font-sans text-soft">
            The words are the same; only their form differs: emphasis, links, or what kind of paragraph they stand in.
          </p>
        )}
        {stretches(markedLines(marks.data)).map(({ same, lines }, index) =>
          same ? (
            <details key={index} className="mb-2">
              <summary className="cursor-pointer font-sans text-xs text-soft">
                {counted(lines.length, "paragraph")} unchanged
              </summary>
              <Lines lines={lines} />
            </details>
          ) : (
            <Lines key={index} lines={lines} />
          ),
        )}
      </div>
      {!kinds.includes("new") && (
        <Button className="mt-2" onClick={() => (onTaken(), void session.changes.goBackTo(query.from, section))}>
          {isThere ? "Bring back the earlier words of this section" : "Bring this section back"}
        </Button>
      )}
    </div>
  );
}

function Lines({ lines }: { lines: readonly MarkedLine[] }) {
  return lines.map((line, index) => (
    <p key={index} className="mb-2 whitespace-pre-wrap">
      {line.map(({ kind, text }, at) =>
        kind === "gone" ? (
          <del key={at} className="text-loss">
            {text}
          </del>
        ) : kind === "new" ? (
          <ins key={at} className="bg-lit decoration-stem underline-offset-4">
            {text}
          </ins>
        ) : (
          <span key={at}>{text}</span>
        ),
      )}
    </p>
  ));
}
