import { autoScrollForElements } from "@atlaskit/pragmatic-drag-and-drop-auto-scroll/element";
import { draggable, dropTargetForElements, monitorForElements } from "@atlaskit/pragmatic-drag-and-drop/element/adapter";
import { useEffect, useRef, useState, type RefObject } from "react";
import { api, type Operation } from "../../api/client";
import type { Session } from "../../document/session";
import { dropPlace, type DropPlace } from "../../outline/drop";
import { levelAt, branchEnd } from "../../outline/outline";
import { actedOn } from "../../outline/picks";
import type { Row } from "../../outline/rows";
import { levelAtX, PADDING, ROW_HEIGHT } from "./geometry";

/** A drag over the outline: nothing yet, or a branch held over a place where it can land or cannot. */
export type DragState = { kind: "idle" } | { kind: "lifting"; sections: string[] } | { kind: "over"; sections: string[]; place: DropPlace; sentence: string; possible: boolean };

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

    const ask = (sections: string[], place: DropPlace) => {
      window.clearTimeout(timer);
      timer = window.setTimeout(() => {
        const { id } = session.state;
        void api
          .POST("/api/documents/{id}/rehearsals", { params: { path: { id } }, body: { operation: moveOf(sections, place) } })
          .then(({ data }) => data && setState((now) => (now.kind === "over" && keyOf(now.place) === keyOf(place) ? { ...now, sentence: data.sentence, possible: data.possible } : now)))
          .catch(() => undefined);
      }, ASK_AGAIN);
    };

    const over = (sections: string[], clientX: number, clientY: number) => {
      const box = element.getBoundingClientRect();
      const gap = Math.round((clientY - box.top + element.scrollTop - PADDING) / ROW_HEIGHT);
      const place = dropPlace(session.state.outline, latest.current.rows, Math.max(0, Math.min(latest.current.rows.length, gap)), levelAtX(clientX - box.left));
      if (!place) return setState({ kind: "lifting", sections });
      if (keyOf(place) === asked) return;
      asked = keyOf(place);
      setState({ kind: "over", sections, place, sentence: "", possible: !sections.some((section) => isWithin(session, section, place.target)) });
      ask(sections, place);
    };

    const stopTarget = dropTargetForElements({
      element,
      getData: () => ({ outline: true }),
      onDrag: ({ source, location }) => over(sectionsOf(source.data), location.current.input.clientX, location.current.input.clientY),
      onDragLeave: ({ source }) => ((asked = ""), setState({ kind: "lifting", sections: sectionsOf(source.data) })),
    });
    const stopMonitor = monitorForElements({
      onDragStart: ({ source }) => ((asked = ""), setState({ kind: "lifting", sections: sectionsOf(source.data) })),
      onDrop: ({ location }) => {
        window.clearTimeout(timer);
        const now = latest.current.state;
        setState({ kind: "idle" });
        if (now.kind === "over" && location.current.dropTargets.length > 0) void session.perform(moveOf(now.sections, now.place));
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

/** Lets a row be lifted, alone or with all that is picked beside it. */
export function useRowDraggable(session: Session, row: Row, isRenaming: boolean): RefObject<HTMLDivElement | null> {
  const element = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!element.current || row.level === 0) return;
    return draggable({ element: element.current, canDrag: () => !isRenaming, getInitialData: () => ({ sections: actedOn(session.state.picked, row.id) }) });
  }, [session, row.id, row.level, isRenaming]);
  return element;
}

function sectionsOf(data: Record<string | symbol, unknown>): string[] {
  return data["sections"] as string[];
}

function moveOf(sections: string[], place: DropPlace): Operation {
  return { name: "move", sections, landing: place.landing, target: place.target };
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
