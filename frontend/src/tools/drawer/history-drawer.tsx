import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Flag, X } from "lucide-react";
import { useMemo, useState } from "react";
import { api, read, type HistoryPart, type HistoryStep, type Milestone } from "../../api/client";
import { NameDialog } from "../../parts/name-dialog";
import { useDocument, useSession } from "../../document/context";
import { readingKey } from "../../document/readings";
import { Button } from "../../parts/button";
import { Select } from "../../parts/select";
import { clockTime, counted, day } from "../../parts/words";
import { CompareDialog } from "../history/compare-dialog";
import { namedStates } from "../history/states";

const NONE: readonly Milestone[] = [];

/** What was done to the document, by sitting, the last first; and the states that were given names. */
export function HistoryDrawer() {
  const session = useSession("HistoryDrawer");
  const id = useDocument("HistoryDrawer", (state) => state.id);
  const [from, setFrom] = useState<number | null>(null);
  const [naming, setNaming] = useState(false);
  const client = useQueryClient();
  // How many parts are wanted outlives what is written meanwhile: what was unfolded stays so.
  const [wanted, setWanted] = useState(1);
  const history = useQuery({
    queryKey: readingKey(id, "history", wanted),
    queryFn: () => historyOf(id, wanted),
    placeholderData: (previous) => previous,
  });
  const milestones = useQuery({
    queryKey: readingKey(id, "milestones"),
    queryFn: () => read(api.GET("/api/documents/{id}/history/milestones", { params: { path: { id } } })),
  });
  const named = milestones.data ?? NONE;
  const sittings = useMemo(() => history.data?.flatMap((part) => part.sittings) ?? [], [history.data]);
  const states = useMemo(() => namedStates(sittings.flat(), named), [sittings, named]);
  const readAgain = () => void client.invalidateQueries({ queryKey: readingKey(id, "milestones") });
  const name = async (words: string) => {
    await session.flush();
    const made = await read(
      api.POST("/api/documents/{id}/history/milestones", { params: { path: { id } }, body: { name: words } }),
    ).catch((failure: unknown) => failure);
    if (made instanceof Error) session.messages.say(made.message, "warning");
    else session.messages.say(`“${words}” is a milestone now: compare with it or go back to it from the history.`);
    readAgain();
  };
  const forget = async (milestone: Milestone) => {
    await api
      .DELETE("/api/documents/{id}/history/milestones/{milestone}", {
        params: { path: { id, milestone: milestone.id } },
      })
      .catch(() => undefined);
    session.messages.offer(
      `“${milestone.name}” is no milestone any more; the state it named stays in the history.`,
      "Name it again",
      () => void name(milestone.name),
    );
    readAgain();
  };
  if (!history.data) return <p className="text-soft">{history.error?.message ?? "Looking…"}</p>;
  return (
    <>
      <Button onClick={() => setNaming(true)}>Name this state…</Button>
      {named.length > 0 && (
        <ul aria-label="Milestones" className="mt-3">
          {named.map((milestone) => (
            <li key={milestone.id} className="group flex items-center">
              <button
                type="button"
                className="flex min-w-0 flex-1 items-baseline gap-2 rounded-lg px-2 py-1 text-left hover:bg-wash"
                onClick={() => setFrom(milestone.state)}
              >
                <Flag size={12} strokeWidth={1.8} className="shrink-0 text-stem" aria-hidden="true" />
                <span className="min-w-0 flex-1 font-text font-medium">{milestone.name}</span>
                <span className="text-[11px] text-faint tabular-nums">{day(milestone.madeAt)}</span>
              </button>
              <button
                type="button"
                aria-label={`Take the name “${milestone.name}” away`}
                className="grid size-6 place-items-center rounded-full text-faint opacity-0 group-hover:opacity-100 hover:bg-wash focus-visible:opacity-100"
                onClick={() => void forget(milestone)}
              >
                <X size={13} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <p className="my-3 text-soft">
        {sittings.length === 0
          ? "Nothing has been changed yet. Every step you take will be told here, and you can compare with how the text read before any of them."
          : "Choose a step to see what has become of the text since just before it."}
      </p>
      {sittings.map((steps) => (
        <Sitting
          key={steps[0]?.id}
          steps={steps}
          onCompare={(step) => setFrom(step.undone ? step.id : step.previous)}
        />
      ))}
      {sittings.length > 0 && (
        <KeepingRule id={id} weeks={history.data[0]?.keptWeeks ?? null} onKept={() => void history.refetch()} />
      )}
      {history.data.at(-1)?.hasEarlier && (
        <Button onClick={() => setWanted(history.data.length + 1)} disabled={wanted > history.data.length}>
          {wanted > history.data.length ? "Looking…" : "Earlier steps"}
        </Button>
      )}
      {from !== null && <CompareDialog from={from} states={states} onClose={() => setFrom(null)} />}
      <NameDialog
        open={naming}
        title="Name this state"
        label="What the text is like just now, such as “First full draft”"
        action="Make it a milestone"
        initial=""
        onClose={() => setNaming(false)}
        onName={(words) => void name(words)}
      />
    </>
  );
}

/** The last parts of the history, as many as are wanted and there. */
async function historyOf(id: string, wanted: number): Promise<HistoryPart[]> {
  const parts: HistoryPart[] = [];
  let before: number | undefined;
  do {
    const part = await read(
      api.GET("/api/documents/{id}/history", {
        params: { path: { id }, query: before === undefined ? {} : { before } },
      }),
    );
    parts.push(part);
    before = part.hasEarlier ? part.sittings.at(-1)?.at(-1)?.id : undefined;
  } while (before !== undefined && parts.length < wanted);
  return parts;
}

/** The rule that keeps every step. */
const ALL = "all";
const RULES: readonly [number | null, string][] = [
  [null, "Keep every step for ever"],
  [4, "After 4 weeks, one step a day"],
  [12, "After 12 weeks, one step a day"],
  [52, "After a year, one step a day"],
];

/** How much of a long history is kept, for the writer to read and to set. */
function KeepingRule({ id, weeks, onKept }: { id: string; weeks: number | null; onKept: () => void }) {
  const session = useSession("KeepingRule");
  // What was chosen, while a history of years is gone through.
  const [chosen, setChosen] = useState<number | null | undefined>(undefined);
  const set = async (wanted: number | null) => {
    setChosen(wanted);
    await session.flush();
    const answer = await read(
      api.PUT("/api/documents/{id}/history/rule", { params: { path: { id } }, body: { weeks: wanted } }),
    ).catch((failure: unknown) => failure as Error);
    if (answer instanceof Error) session.messages.say(answer.message, "warning");
    else
      session.messages.say(
        answer.fewer === 0
          ? "The rule is kept. No step was old enough for it yet."
          : `The rule is kept; the history has ${counted(answer.fewer, "step")} fewer.`,
      );
    setChosen(undefined);
    onKept();
  };
  return (
    <div className="mb-4 border-t border-line pt-3 text-xs text-soft">
      <span id="old-steps">Old steps</span>
      <Select
        labelledBy="old-steps"
        className="mt-1 w-full"
        value={String((chosen === undefined ? weeks : chosen) ?? ALL)}
        options={RULES.map(([each, words]) => ({ value: String(each ?? ALL), words }))}
        onChange={(value) => chosen === undefined && void set(value === ALL ? null : Number(value))}
      />
      <span className="mt-1 block text-faint" role="status">
        {chosen === undefined
          ? "Milestones and the last weeks always stay as they are."
          : "Putting old steps together…"}
      </span>
    </div>
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
            <button
              type="button"
              title={step.undone ? "This step was undone; see how the text read just after it" : undefined}
              className="flex w-full items-baseline gap-2 rounded-lg px-2 py-1 text-left hover:bg-wash"
              onClick={() => onCompare(step)}
            >
              {step.undone ? (
                <span className="min-w-0 flex-1 text-faint">
                  <span className="line-through">{step.label}</span> (undone)
                </span>
              ) : (
                <span className="min-w-0 flex-1">{step.label}</span>
              )}
              <span className="text-[11px] text-faint tabular-nums">{clockTime(step.madeAt)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
