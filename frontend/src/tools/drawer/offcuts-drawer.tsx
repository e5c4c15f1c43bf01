import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, read, type Offcut, type OperationNamed } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { readingKey } from "../../document/readings";
import type { Session } from "../../document/session";
import { cx } from "../../parts/cx";
import { WIDE_FIELD } from "../../parts/field";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { counted, since } from "../../parts/words";
import { placeOfCursor } from "../../manuscript/cursor-place";
import { backToText, useSpot } from "../../manuscript/spot";

/** What was cut and not thrown away. */
export function OffcutsDrawer() {
  const id = useDocument("OffcutsDrawer", (state) => state.id);
  const [typed, setTyped] = useState("");
  const words = useDeferredValue(typed.trim());
  const [reading, setReading] = useState<Offcut | null>(null);
  const offcuts = useQuery({
    queryKey: readingKey(id, "offcuts", words),
    queryFn: () => read(api.GET("/api/documents/{id}/offcuts", { params: { path: { id }, query: { words } } })),
    select: (all) => all.filter(({ reason }) => reason !== "idea"),
    placeholderData: (previous) => previous,
  });
  if (!offcuts.data) return <p className="text-soft">{offcuts.error?.message ?? "Looking…"}</p>;
  if (offcuts.data.length === 0 && words === "")
    return (
      <p className="text-soft">
        Nothing has been cut. What you delete or set aside comes here first, is not counted and is never printed.
      </p>
    );
  return (
    <>
      <input
        type="search"
        value={typed}
        aria-label="Search the offcuts"
        placeholder="Words of an offcut"
        onChange={(event) => setTyped(event.target.value)}
        className={cx(WIDE_FIELD, "mb-3")}
      />
      <p role="status" className="mb-3 text-xs text-faint">
        {offcuts.data.length === 0 ? "No offcut has these words." : counted(offcuts.data.length, "offcut")}
      </p>
      <ul className="space-y-4">
        {offcuts.data.map((offcut) => (
          <OffcutItem key={offcut.id} offcut={offcut} onRead={() => setReading(offcut)} />
        ))}
      </ul>
      {reading && <OffcutReader offcut={reading} onClose={() => setReading(null)} />}
    </>
  );
}

const REASONS: Record<string, string> = {
  deleted: "Deleted",
  "set-aside": "Set aside",
  "moved-away": "Moved to another document",
};
const ACTION = "rounded font-semibold text-stem underline underline-offset-4";

/** The row that was pressed is gone then: the keys go to what came back. */
async function bringBack(session: Session, what: Omit<OperationNamed<"bring-back">, "name">): Promise<void> {
  const answer = await session.changes.perform({ name: "bring-back", ...what });
  if (answer.kind !== "applied") return;
  const section = answer.outcome.order.at(-1)?.inserted.ids[0];
  const view = useSpot.getState().spot?.view;
  if (section !== undefined) session.navigation.goTo({ section });
  else if (view) backToText(view);
}

function OffcutItem({ offcut, onRead }: { offcut: Offcut; onRead: () => void }) {
  const session = useSession("OffcutItem");
  const current = useWindow("OffcutItem", (state) => state.current);
  return (
    <li className="border-t border-line pt-3">
      <h3 className="font-text font-semibold">{offcut.name || "No heading"}</h3>
      <p className="text-xs text-faint">
        {offcut.passage ? "Passage set aside" : (REASONS[offcut.reason] ?? "Set aside")} {since(offcut.cutAt)} ·{" "}
        {offcut.sections > 1 ? `${counted(offcut.sections, "section")}, ` : ""}
        {counted(offcut.words, "word")} ·{" "}
        {offcut.from === null
          ? "stood first"
          : `${offcut.passage ? "from" : "stood after"} “${offcut.from || "a section without a heading"}”`}
      </p>
      {offcut.opening && <p className="my-1.5 line-clamp-4 font-text text-[13.5px] text-soft">{offcut.opening}</p>}
      <p className="flex flex-wrap gap-x-4 gap-y-1">
        <button type="button" className={ACTION} onClick={() => void bringBack(session, { offcut: offcut.id })}>
          Bring back
        </button>
        {current !== null && (
          <button
            type="button"
            className={ACTION}
            onClick={() =>
              void bringBack(session, {
                offcut: offcut.id,
                landing: "after",
                target: current,
                ...placeOfCursor(current),
              })
            }
          >
            {offcut.passage ? "Put at the cursor" : "Put after this section"}
          </button>
        )}
        <button type="button" className={ACTION} onClick={onRead}>
          Read
        </button>
      </p>
    </li>
  );
}

/** The whole of an offcut, to be read, copied, or thrown away after one question. */
function OffcutReader({ offcut, onClose }: { offcut: Offcut; onClose: () => void }) {
  const session = useSession("OffcutReader");
  const [asking, setAsking] = useState(false);
  const whole = useQuery({
    queryKey: ["offcut", session.state.id, offcut.id],
    queryFn: () =>
      read(
        api.GET("/api/documents/{id}/offcuts/{offcut}", {
          params: { path: { id: session.state.id, offcut: offcut.id } },
        }),
      ),
  });
  const text = whole.data?.text;
  const copy = () => {
    if (text === undefined) return;
    navigator.clipboard.writeText(text).then(
      () => session.messages.say("The offcut is on the clipboard."),
      () =>
        session.messages.say(
          "The browser did not let Stemmata use the clipboard; select the text and copy it.",
          "warning",
        ),
    );
  };
  return (
    <Dialog open wide onClose={onClose} title={offcut.name || "No heading"}>
      <div
        role="region"
        aria-label="Text of the offcut"
        tabIndex={0}
        className="max-h-[56vh] overflow-auto rounded-lg border border-line bg-paper p-4 font-text text-[14.5px] leading-6 whitespace-pre-wrap"
      >
        {text ?? whole.error?.message ?? "Looking…"}
      </div>
      <div className="mt-4 flex items-center justify-end gap-2">
        {asking ? (
          <>
            <p role="alert" className="flex-1 text-loss">
              It will not be kept here any more. Throw it away?
            </p>
            <Button tone="quiet" onClick={() => setAsking(false)}>
              Keep it
            </Button>
            <Button
              tone="loss"
              onClick={() => (onClose(), void session.changes.perform({ name: "discard", offcut: offcut.id }))}
            >
              Throw it away
            </Button>
          </>
        ) : (
          <>
            <Button tone="loss" onClick={() => setAsking(true)}>
              Throw away…
            </Button>
            <span className="flex-1" />
            <Button onClick={copy} disabled={text === undefined}>
              Copy
            </Button>
            <Button tone="stem" onClick={() => (onClose(), void bringBack(session, { offcut: offcut.id }))}>
              Bring back
            </Button>
          </>
        )}
      </div>
    </Dialog>
  );
}
