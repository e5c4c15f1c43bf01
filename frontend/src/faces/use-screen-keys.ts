import { useEffect, useMemo } from "react";
import { useLocation } from "wouter";
import { useSession } from "../document/context";
import type { Session } from "../document/session";
import type { AnywhereCommand } from "../keys/commands";
import { commandOf } from "../keys/keys";
import { placeIn, sectionAround } from "../editor/places";
import { headingOf } from "../editor/section-text";
import { useSpot } from "../manuscript/spot";
import { pauseOrResume, readFrom, stopReading, useReading } from "../speech/reading";
import { runsOf } from "../outline/scope";
import { SET_OFF, setComfort, useComfort } from "../parts/comfort";
import { changeFullScreen, setQuiet, useQuiet } from "../window/quiet";
import { openDialog } from "../window/open-dialog";
import { FIND_FIELD, openFind } from "../find/open-find";
import { step as stepFound, useFind } from "../find/found";
import { openDrawer, useDrawer, type DrawerTool } from "../window/open-drawer";

/** The faces in turn, as addresses have them. */
const FACES = ["", "/arrange", "/looks", "/proof"] as const;

export type AnywhereCommands = Record<AnywhereCommand, () => void>;

/** What each command does that works anywhere in a document. */
export function useAnywhereCommands(onJump: (commands: AnywhereCommands) => void): AnywhereCommands {
  const session = useSession("useAnywhereCommands");
  const [, navigate] = useLocation();
  return useMemo(() => {
    const drawer = (tool: DrawerTool) => () => openDrawer(useDrawer.getState().open === tool ? null : tool);
    const commands: AnywhereCommands = {
      jump: () => onJump(commands),
      undo: () => void session.changes.undo(),
      redo: () => void session.changes.redo(),
      "trail-back": () => session.navigation.goBack(),
      "trail-forward": () => session.navigation.goForward(),
      "to-writing": () => session.navigation.goToWriting(),
      "previous-section": () => step(session, -1),
      "next-section": () => step(session, 1),
      "parent-section": () => session.navigation.goToParent({ focus: !isInOutline() }),
      "first-child": () => session.navigation.goToFirstChild({ focus: !isInOutline() }),
      "outline-or-text": () => changeBetweenOutlineAndText(session),
      strata: focusStrata,
      "other-face": () => {
        const at = FACES.findIndex((face) => face !== "" && window.location.pathname.endsWith(face));
        const next = FACES[(Math.max(0, at) + 1) % FACES.length] ?? "";
        navigate(`/documents/${session.state.id}${next}`);
        const { current } = session.window;
        if (next === "" && current !== null)
          session.navigation.goTo(session.navigation.here(current), { remember: false });
      },
      "read-aloud": () => readAloud(session),
      "pause-reading": pauseOrResume,
      quiet: () => setQuiet(!useQuiet.getState().isQuiet),
      "full-screen": changeFullScreen,
      "hold-line": () => setComfort({ line: useComfort.getState().line === null ? 0.5 : null }),
      "set-off": () =>
        setComfort({ setOff: SET_OFF[(SET_OFF.indexOf(useComfort.getState().setOff) + 1) % 3] ?? "nothing" }),
      "keep-now": () => void session.flush(),
      print: () => void session.files.print(),
      keys: () => openDialog({ kind: "keys" }),
      "scope-branch": () => session.navigation.changeScope("branch"),
      "scope-own-text": () => session.navigation.changeScope("heading-only"),
      "scope-next": () => session.navigation.moveScope(1),
      "scope-previous": () => session.navigation.moveScope(-1),
      "whole-document": () => session.navigation.setScope(null),
      find: () => openFind(session),
      "find-next": () => stepFound(session, 1),
      "find-previous": () => stepFound(session, -1),
      links: drawer("links"),
      reminders: drawer("reminders"),
      ideas: drawer("ideas"),
      contents: drawer("contents"),
      pages: drawer("pages"),
      look: drawer("look"),
      looks: () => navigate(`/documents/${session.state.id}/looks`),
      counts: drawer("counts"),
      offcuts: drawer("offcuts"),
      history: drawer("history"),
      check: drawer("check"),
      "likely-headings": () => openDialog({ kind: "likely-headings" }),
    };
    return commands;
  }, [session, navigate, onJump]);
}

/** Keys that work wherever the focus is. */
export function useScreenKeys(commands: AnywhereCommands): void {
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.defaultPrevented) return;
      const command = commandOf("anywhere", event);
      if (command === null) return;
      const isInField =
        event.target instanceof HTMLElement && event.target.closest("input, textarea, [contenteditable=true]") !== null;
      // A field undoes its own typing; and no dialog is opened over another.
      if (isInField && (command === "undo" || command === "redo")) return;
      if (document.querySelector("[role=dialog]") !== null) return;
      // Pressed again in the field, the browser's own search opens; and where nothing is looked for, its keys are its own.
      if (command === "find" && event.target instanceof HTMLElement && event.target.id === FIND_FIELD) return;
      if ((command === "find-next" || command === "find-previous") && useFind.getState().hits.length === 0) return;
      event.preventDefault();
      commands[command]();
    };
    // The side buttons of a mouse go along the trail, as they go along pages; a browser would leave the document.
    const sideButton = (event: MouseEvent) => {
      const command = ({ 3: "trail-back", 4: "trail-forward" } as const)[event.button];
      if (command === undefined) return;
      event.preventDefault();
      if (event.type === "mouseup") commands[command]();
    };
    window.addEventListener("keydown", pressed);
    window.addEventListener("mousedown", sideButton);
    window.addEventListener("mouseup", sideButton);
    return () => {
      window.removeEventListener("keydown", pressed);
      window.removeEventListener("mousedown", sideButton);
      window.removeEventListener("mouseup", sideButton);
    };
  }, [commands]);
}

/** The stretch that the keys are at; the strip itself while it is not drawn yet, which then hands the focus on. */
function focusStrata(): void {
  const strip = document.querySelector<HTMLElement>("[aria-label=Strata]");
  (strip?.querySelector<HTMLElement>("[tabindex='0']") ?? strip)?.focus();
}

/** From the cursor on, or from the beginning of the current section; or no longer. */
function readAloud(session: Session): void {
  if (useReading.getState().state !== "off") return stopReading();
  const { current } = session.window;
  if (current === null) return;
  const { view } = useSpot.getState();
  const place = view && sectionAround(view.state.selection.$head);
  const heading = place?.id === current ? (headingOf(place.node)?.nodeSize ?? 0) : 0;
  const at = place?.id === current ? placeIn(place, view?.state.selection.head ?? 0) - heading : -1;
  void readFrom(session, { section: current, from: at < 0 ? null : at });
}

/** To the next section that is shown; from the last one of a part that is worked on alone, on to the next part. */
function step(session: Session, by: 1 | -1): void {
  const { outline, positions } = session.state;
  const { current, scope } = session.window;
  const shown =
    scope === null ? outline.ids : runsOf(outline, positions, scope).flatMap((run) => outline.ids.slice(...run));
  const next = shown[shown.indexOf(current ?? "") + by];
  if (next !== undefined) session.navigation.goTo({ section: next }, { focus: !isInOutline(), remember: false });
  else if (scope !== null) session.navigation.moveScope(by);
}

/** Into the text of the row that the keys are at: to where the cursor is, if it is there. */
function changeBetweenOutlineAndText(session: Session): void {
  const outline = document.querySelector<HTMLElement>("[role=tree], [role=treegrid]");
  if (!isInOutline()) return outline?.focus();
  const row = outline?.getAttribute("aria-activedescendant")?.replace(/^row-/, "");
  const section = row ?? session.window.current;
  if (section !== null) session.navigation.goTo(session.navigation.here(section), { remember: false });
}

function isInOutline(): boolean {
  return document.activeElement?.closest("[role=tree], [role=treegrid]") !== null && document.activeElement !== null;
}
