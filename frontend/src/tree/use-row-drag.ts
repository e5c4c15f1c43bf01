import { autoScrollForElements } from "@atlaskit/pragmatic-drag-and-drop-auto-scroll/element";
import {
  draggable,
  dropTargetForElements,
  monitorForElements,
} from "@atlaskit/pragmatic-drag-and-drop/element/adapter";
import { useCallback, useEffect, useRef, useState, type RefObject } from "react";
import { api, type Operation } from "../api/client";
import type { Session } from "../document/session";
import { dropPlace, type DropPlace } from "../outline/drop";
import { levelAt, branchEnd } from "../outline/outline";
import { actedOn } from "../outline/picks";
import type { Row } from "../outline/rows";
import { levelAfter, PADDING, ROW_HEIGHT } from "./geometry";

/** A drag over the outline: nothing yet, or a branch held over a place where it can land or cannot. */
export type DragState<Place extends DropPlace = DropPlace> =
  | { kind: "idle" }
  | ({ kind: "lifting" } & Lifted)
  | ({ kind: "over"; place: Place; sentence: string; possible: boolean } & Lifted);

/** What the hand holds: all of these, by the one that it took hold of. */
type Lifted = { sections: string[]; held: string };
/** The branch that the hand took hold of, and where it did (from the left of the window). */
export type Held = { held: string; heldAt: number };

type Location = Parameters<NonNullable<Parameters<typeof monitorForElements>[0]["onDrag"]>>[0]["location"];

const ASK_AGAIN = 90;

/** A branch held over a folded row for so long unfolds it (milliseconds). */
const SPRING = 650;

/** Follows a branch that is dragged over the rows: shows where it would land, opens what it waits over, and moves it there. */
export function useRowDrag(
  session: Session,
  rows: readonly Row[],
  scroller: RefObject<HTMLDivElement | null>,
): DragState {
  const latest = useRef(rows);
  const spring = useRef<{ row: string; timer: number } | null>(null);
  useEffect(() => {
    latest.current = rows;
  });
  const placeAt = useCallback(
    (clientX: number, clientY: number, { held, heldAt }: Held): DropPlace | null => {
      const element = scroller.current;
      if (!element) return null;
      const box = element.getBoundingClientRect();
      const down = (clientY - box.top + element.scrollTop - PADDING) / ROW_HEIGHT;
      const under = latest.current[Math.floor(down)];
      if (under?.id !== spring.current?.row) {
        window.clearTimeout(spring.current?.timer);
        spring.current = under?.folded
          ? { row: under.id, timer: window.setTimeout(() => session.navigation.setFolded(under.id, false), SPRING) }
          : null;
      }
      const gap = Math.max(0, Math.min(latest.current.length, Math.round(down)));
      const { outline, positions } = session.state;
      const level = levelAt(outline, positions.get(held) ?? 0);
      return dropPlace(outline, latest.current, gap, levelAfter(level, clientX - heldAt));
    },
    [session, scroller],
  );
  const stopSpring = useCallback(() => (window.clearTimeout(spring.current?.timer), (spring.current = null)), []);
  return useBranchDrag(session, scroller, placeAt, stopSpring);
}

/**
 * Follows a branch that is dragged over a part of the screen, asks the server what would happen at the place it is over,
 * and moves it there when it is let go.
 *
 * @param placeAt where a branch let go at this point of the window would land; null for nowhere
 * @param onLeave called when the branch leaves or is let go
 */
export function useBranchDrag<Place extends DropPlace>(
  session: Session,
  area: RefObject<HTMLElement | null>,
  placeAt: (clientX: number, clientY: number, held: Held) => Place | null,
  onLeave?: () => void,
): DragState<Place> {
  const [state, setState] = useState<DragState<Place>>({ kind: "idle" });

  useEffect(() => {
    const element = area.current;
    if (!element) return;
    let rehearsed = "";
    let timer: number | undefined;

    const placeOf = ({ held }: Lifted, { initial, current }: Location) =>
      placeAt(current.input.clientX, current.input.clientY, { held, heldAt: initial.input.clientX });
    const rehearse = (sections: string[], place: Place) => {
      window.clearTimeout(timer);
      timer = window.setTimeout(() => {
        const { id } = session.state;
        void api
          .POST("/api/documents/{id}/rehearsals", {
            params: { path: { id } },
            body: { operation: moveOf(sections, place) },
          })
          .then(
            ({ data }) =>
              data &&
              setState((now) =>
                now.kind === "over" && keyOf(now.place) === keyOf(place)
                  ? { ...now, sentence: data.sentence, possible: data.possible }
                  : now,
              ),
          )
          .catch(() => undefined);
      }, ASK_AGAIN);
    };

    const over = (lifted: Lifted, location: Location) => {
      const { sections } = lifted;
      const place = placeOf(lifted, location);
      if (!place) return setState({ kind: "lifting", ...lifted });
      if (keyOf(place) === rehearsed) return;
      rehearsed = keyOf(place);
      setState({
        kind: "over",
        ...lifted,
        place,
        sentence: "",
        possible: !sections.some((section) => isWithin(session, section, place.target)),
      });
      rehearse(sections, place);
    };

    const stopTarget = dropTargetForElements({
      element,
      getData: () => ({ outline: true }),
      onDrag: ({ source, location }) => over(liftedIn(source.data), location),
      onDragLeave: ({ source }) => (
        (rehearsed = ""),
        onLeave?.(),
        setState({ kind: "lifting", ...liftedIn(source.data) })
      ),
    });
    const stopMonitor = monitorForElements({
      onDragStart: ({ source }) => ((rehearsed = ""), setState({ kind: "lifting", ...liftedIn(source.data) })),
      onDrop: ({ source, location }) => {
        window.clearTimeout(timer);
        // What is drawn may be a frame behind the hand; where the hand lets go is what counts.
        const place = location.current.dropTargets.some((each) => each.element === element)
          ? placeOf(liftedIn(source.data), location)
          : null;
        onLeave?.();
        setState({ kind: "idle" });
        if (place) void session.changes.perform(moveOf(liftedIn(source.data).sections, place));
      },
    });
    const stopScroll = autoScrollForElements({ element });
    return () => {
      window.clearTimeout(timer);
      stopTarget();
      stopMonitor();
      stopScroll();
    };
  }, [session, area, placeAt, onLeave]);

  return state;
}

/** Lets a row be lifted, alone or with all that is picked beside it. */
export function useRowDraggable(session: Session, row: Row, isRenaming: boolean): RefObject<HTMLDivElement | null> {
  const element = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!element.current || row.level === 0) return;
    return draggable({
      element: element.current,
      canDrag: () => !isRenaming,
      getInitialData: () => ({ sections: actedOn(session.window.picked, row.id), held: row.id }),
    });
  }, [session, row.id, row.level, isRenaming]);
  return element;
}

function liftedIn(data: Record<string | symbol, unknown>): Lifted {
  return { sections: data["sections"] as string[], held: data["held"] as string };
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
