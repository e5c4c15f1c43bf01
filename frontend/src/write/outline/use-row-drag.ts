import { autoScrollForElements } from "@atlaskit/pragmatic-drag-and-drop-auto-scroll/element";
import { dropTargetForElements, monitorForElements } from "@atlaskit/pragmatic-drag-and-drop/element/adapter";
import { useEffect, useRef, useState, type RefObject } from "react";
import { api, type Operation } from "../../api/client";
import type { Session } from "../../document/session";
import { dropPlace, type DropPlace } from "../../outline/drop";
import { levelAt, branchEnd } from "../../outline/outline";
import type { Row } from "../../outline/rows";
import { levelAtX, ROW_HEIGHT } from "./geometry";

/** A drag over the outline: nothing yet, or a branch held over a place where it can land or cannot. */
export type DragState = { kind: "idle" } | { kind: "lifting"; section: string } | { kind: "over"; section: string; place: DropPlace; sentence: string; possible: boolean };

const ASK_AGAIN = 90;

/** Follows a dragged row, shows where it would land, and moves it there when it is let go. */
export function useRowDrag(session: Session, rows: readonly Row[], scroller: RefObject<HTMLDivElement | null>): DragState {
  const [state, setState] = useState<DragState>({ kind: "idle" });
  const latest = useRef({ rows, state });
  useEffect(() => {
    latest.current = { rows, state };
  });

  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    let asked = "";
    let timer: number | undefined;

    const ask = (section: string, place: DropPlace) => {
      window.clearTimeout(timer);
      timer = window.setTimeout(() => {
        const { id } = session.state;
        void api
          .POST("/api/documents/{id}/rehearsals", { params: { path: { id } }, body: { operation: moveOf(section, place) } })
          .then(({ data }) => data && setState((now) => (now.kind === "over" && keyOf(now.place) === keyOf(place) ? { ...now, sentence: data.sentence, possible: data.possible } : now)))
          .catch(() => undefined);
      }, ASK_AGAIN);
    };

    const over = (section: string, clientX: number, clientY: number) => {
      const box = element.getBoundingClientRect();
      const gap = Math.round((clientY - box.top + element.scrollTop - 8) / ROW_HEIGHT);
      const place = dropPlace(session.state.outline, latest.current.rows, Math.max(0, Math.min(latest.current.rows.length, gap)), levelAtX(clientX - box.left));
      if (!place) return setState({ kind: "lifting", section });
      if (keyOf(place) === asked) return;
      asked = keyOf(place);
      setState({ kind: "over", section, place, sentence: "", possible: !isWithin(session, section, place.target) });
      ask(section, place);
    };

    const stopTarget = dropTargetForElements({
      element,
      getData: () => ({ outline: true }),
      onDrag: ({ source, location }) => over(String(source.data["section"]), location.current.input.clientX, location.current.input.clientY),
      onDragLeave: ({ source }) => ((asked = ""), setState({ kind: "lifting", section: String(source.data["section"]) })),
    });
    const stopMonitor = monitorForElements({
      onDragStart: ({ source }) => ((asked = ""), setState({ kind: "lifting", section: String(source.data["section"]) })),
      onDrop: ({ location }) => {
        window.clearTimeout(timer);
        const now = latest.current.state;
        setState({ kind: "idle" });
        if (now.kind === "over" && location.current.dropTargets.length > 0) void session.perform(moveOf(now.section, now.place));
      },
    });
    const stopScroll = autoScrollForElements({ element });
    return () => {
      window.clearTimeout(timer);
      stopTarget();
      stopMonitor();
      stopScroll();
    };
  }, [session, scroller]);

  return state;
}

function moveOf(section: string, place: DropPlace): Operation {
  return { name: "move", sections: [section], landing: place.landing, target: place.target };
}

function keyOf(place: DropPlace): string {
  return `${place.gap} ${place.level} ${place.landing} ${place.target}`;
}

/** Only for drawing; whether the move can be done is the server’s word. */
function isWithin(session: Session, section: string, target: string): boolean {
  const { outline, positions } = session.state;
  const from = positions.get(section) ?? 0;
  const at = positions.get(target) ?? -1;
  return levelAt(outline, from) > 0 && at >= from && at < branchEnd(outline, from);
}
