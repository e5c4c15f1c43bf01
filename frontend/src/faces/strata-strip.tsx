import { draggable } from "@atlaskit/pragmatic-drag-and-drop/element/adapter";
import { ZoomOut } from "lucide-react";
import {
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type FocusEvent,
  type KeyboardEvent,
} from "react";
import { useShallow } from "zustand/react/shallow";
import { useAfterPaint } from "../document/after-paint";
import { useDocument, useSession, useWindow } from "../document/context";
import { sectionName } from "../document/section-name";
import type { DocumentState } from "../document/state";
import { commandOf, labelled } from "../keys/keys";
import { useFind } from "../find/found";
import { labelOf, nameOf } from "../outline/names";
import { pathTo } from "../outline/outline";
import { actedOn } from "../outline/picks";
import { neighbour, outOf, strata, strataDrop, ticks, windowOn, type Stratum } from "../outline/strata";
import { isInRuns, runsOf } from "../outline/scope";
import { cx } from "../parts/cx";
import { UnderHand, type MenuEntry } from "../parts/menu";
import { counted } from "../parts/words";
import { runOnBranch, type BranchCommand } from "../tree/row-commands";
import { useBranchDrag } from "../tree/use-row-drag";

const TOPS = [7, 31, 55, 69];
const HEIGHTS = [21, 21, 11, 6];
const ROOM_FOR_WORDS = 44;
const STRIP_HEIGHT = 84;

const ARROWS = { ArrowLeft: "left", ArrowRight: "right", ArrowUp: "up", ArrowDown: "down" } as const;
const ON_BRANCHES = new Set<string>([
  "promote",
  "demote",
  "move-up",
  "move-down",
  "promote-heading",
  "demote-heading",
  "nest",
  "marker",
  "target",
  "scope",
  "scope-own",
  "copy",
  "to-document",
  "keep-standing",
  "duplicate",
  "set-aside",
  "delete",
] satisfies BranchCommand[]);

/**
 * The document, or the branch that is looked into, from left to right in proportion to its words, one row per level. The
 * arrows go from stretch to stretch, and the keys of the outline act on the one that has the focus.
 */
export function StrataStrip() {
  const session = useSession("StrataStrip");
  const { outline, facts } = useAfterPaint(
    useDocument(
      "StrataStrip",
      useShallow(({ outline, facts }: DocumentState) => ({ outline, facts })),
    ),
  );
  const numbers = useDocument("StrataStrip", (state) => state.numbers);
  const names = useDocument("StrataStrip", (state) => state.names);
  const branchWords = useDocument("StrataStrip", (state) => state.branchWords);
  const overTarget = useDocument("StrataStrip", (state) => state.overTarget);
  const currentId = useWindow("StrataStrip", (state) => state.current);
  const current = useDocument("StrataStrip", (state) => state.positions.get(currentId ?? "") ?? 0);
  const strip = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(0);
  const [zoomed, setZoomed] = useState<string | null>(null);
  const [active, setActive] = useState<string | null>(null);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    if (strip.current) observer.observe(strip.current);
    return () => observer.disconnect();
  }, []);
  const zoom = useDocument("StrataStrip", (state) => (zoomed === null ? null : (state.positions.get(zoomed) ?? null)));
  const words = useMemo(() => outline.ids.map((id) => facts.get(id)?.words ?? 0), [outline, facts]);
  const found = useMemo(() => strata(outline, words, width, 2, windowOn(outline, zoom)), [outline, words, width, zoom]);
  const hits = useFind((state) => state.hits);
  const marked = useMemo(() => {
    const positions = new Set(hits.map(({ section }) => session.state.positions.get(section) ?? -1));
    return ticks(positions, words, width, windowOn(outline, zoom));
  }, [hits, session, words, width, outline, zoom]);
  const scope = useWindow("StrataStrip", (state) => state.scope);
  const runs = useMemo(
    () => (scope === null ? null : runsOf(outline, session.state.positions, scope)),
    [scope, outline, session],
  );
  const path = useMemo(() => new Set(outline.ids.length > 0 ? pathTo(outline, current) : []), [outline, current]);
  const here = found.findLast((each) => each.position <= current);
  const reached = found.find((each) => each.id === active) ?? here ?? found[0];
  const latest = useRef(found);
  useEffect(() => {
    latest.current = found;
  });
  const placeAt = useCallback(
    (clientX: number, clientY: number) => {
      const box = strip.current?.getBoundingClientRect();
      if (!box) return null;
      const row = TOPS.findLastIndex((top) => clientY - box.top >= top - 2) + 1;
      return strataDrop(session.state.outline, latest.current, clientX - box.left, Math.max(1, row));
    },
    [session],
  );
  const drag = useBranchDrag(session, strip, placeAt);

  const wordsOf = (each: Stratum) =>
    labelOf(nameOf(each.id, facts.get(each.id)?.heading ?? "", names), numbers[each.position] ?? "");
  const focus = (id: string) => {
    setActive(id);
    const take = () => strip.current?.querySelector<HTMLElement>(`[data-stratum="${id}"]`)?.focus();
    take();
    // What is looked into is drawn anew first.
    requestAnimationFrame(() => document.activeElement === document.body && take());
  };
  // A stretch that is drawn elsewhere or goes lets the focus fall; unless the writer has gone on meanwhile, the strip takes it up.
  const takesUpFocus = useRef(false);
  useLayoutEffect(() => {
    const isWaiting =
      document.activeElement === strip.current || (takesUpFocus.current && document.activeElement === document.body);
    if (isWaiting) strip.current?.querySelector<HTMLElement>("[data-stratum][tabindex='0']")?.focus();
  }, [found]);
  const left = ({ relatedTarget }: FocusEvent) => {
    if (relatedTarget && !strip.current?.contains(relatedTarget)) takesUpFocus.current = false;
  };
  const act = (id: string, command: BranchCommand) => {
    takesUpFocus.current = true;
    void runOnBranch(session, id, command).then((next) =>
      setActive((now) => (now === null || now === id ? next : now)),
    );
  };
  const lookInto = (section: string | null) => (setZoomed(section), focus(section ?? reached?.id ?? ""));
  const menuAt = (target: Element) => {
    const id = target.closest<HTMLElement>("[data-stratum]")?.dataset["stratum"];
    const position = session.state.positions.get(id ?? "");
    if (id === undefined || position === undefined) return null;
    const commands: MenuEntry[] = [...ON_BRANCHES].map((each) => ({
      ...labelled(each as BranchCommand),
      run: () => act(id, each as BranchCommand),
    }));
    const look: MenuEntry = { ...labelled("look-into"), run: () => lookInto(id) };
    return { label: `Commands for ${sectionName(session.state, id)}`, entries: [look, "line" as const, ...commands] };
  };
  const pressed = (event: KeyboardEvent) => {
    if (!reached) return;
    const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey && !event.shiftKey;
    const to =
      isPlain && event.key in ARROWS ? neighbour(found, reached, ARROWS[event.key as keyof typeof ARROWS]) : undefined;
    const command = commandOf("outline", event);
    const inStrata = commandOf("strata", event);
    const run =
      isPlain && event.key === "Escape" && currentId !== null
        ? () => session.navigation.goTo(session.navigation.here(currentId), { remember: false })
        : to !== undefined
          ? () => focus(to.id)
          : isPlain && (event.key === "Home" || event.key === "End")
            ? () =>
                focus((event.key === "Home" ? found[0] : found.findLast((each) => each.level === 1))?.id ?? reached.id)
            : inStrata === "look-into"
              ? () => lookInto(reached.id)
              : inStrata === "look-out" && zoom !== null
                ? () => lookInto(outOf(outline, zoom))
                : command !== null && ON_BRANCHES.has(command)
                  ? () => act(reached.id, command as BranchCommand)
                  : null;
    if (!run) return;
    event.preventDefault();
    run();
  };

  return (
    <UnderHand menuAt={menuAt} onClosed={() => focus(reached?.id ?? "")}>
      {/* The stretches are buttons; what they do not take themselves reaches the strip. */}
      {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
      <nav
        ref={strip}
        aria-label="Strata"
        tabIndex={-1}
        onKeyDown={pressed}
        onBlur={left}
        className="relative mx-4 hidden overflow-hidden border-y border-line md:block"
        style={{ height: STRIP_HEIGHT }}
      >
        {found.map((each) => (
          <Layer
            key={each.id}
            stratum={each}
            state={each.id === currentId ? "here" : path.has(each.position) ? "above" : "away"}
            words={wordsOf(each)}
            over={overTarget.has(each.id)}
            count={branchWords[each.position] ?? words[each.position] ?? 0}
            isReached={each === reached}
            isOutside={runs !== null && !isInRuns(runs, each.position)}
            onGo={() => (setActive(each.id), session.navigation.goTo({ section: each.id }))}
            onZoom={() => lookInto(each.id)}
          />
        ))}
        {marked.map((left) => (
          <span
            key={left}
            aria-hidden="true"
            className="pointer-events-none absolute top-[1px] h-[5px] w-[3px] -translate-x-px rounded-full bg-ochre"
            style={{ left }}
          />
        ))}
        {zoom !== null && (
          <button
            type="button"
            aria-label={`Look at ${outOf(outline, zoom) === null ? "the whole document" : "what this branch stands in"}`}
            title="Out again (−)"
            className="absolute right-1 bottom-1 z-10 grid size-7 place-items-center rounded-full border border-line bg-sheet text-soft shadow-sm hover:text-ink"
            onClick={() => lookInto(outOf(outline, zoom))}
          >
            <ZoomOut size={14} strokeWidth={1.8} aria-hidden="true" />
          </button>
        )}
        {here && (
          <span
            aria-hidden="true"
            className="pointer-events-none absolute top-0 h-[78px] w-0.5 bg-ochre"
            style={{ left: here.left + Math.min(here.width / 2, 2) }}
          >
            <span className="absolute -top-px -left-[3px] size-2 rounded-full bg-ochre" />
          </span>
        )}
        {drag.kind === "over" && (
          <>
            <span
              aria-hidden="true"
              className={cx(
                "pointer-events-none absolute top-1 z-10 w-[3px] rounded-full",
                drag.possible ? "bg-stem" : "bg-loss",
              )}
              style={{ left: Math.max(0, Math.min(width - 3, drag.place.left - 1)), height: STRIP_HEIGHT - 8 }}
            />
            {drag.sentence && (
              <p
                role="status"
                className="pointer-events-none fixed top-36 left-1/2 z-30 -translate-x-1/2 rounded-xl bg-slate px-4 py-2 text-on-slate shadow-lg"
              >
                {drag.sentence}
              </p>
            )}
          </>
        )}
      </nav>
    </UnderHand>
  );
}

const STATES = {
  here: "bg-stem text-on-stem",
  above: "bg-lit text-ink",
  away: "bg-bed text-soft hover:bg-lit",
};

type LayerProps = {
  stratum: Stratum;
  state: keyof typeof STATES;
  words: string;
  count: number;
  over: boolean;
  isReached: boolean;
  /** Of what is worked on. */
  isOutside: boolean;
  onGo: () => void;
  onZoom: () => void;
};

function Layer({ stratum, state, words, count, over, isReached, isOutside, onGo, onZoom }: LayerProps) {
  const session = useSession("Layer");
  const element = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (!element.current) return;
    return draggable({
      element: element.current,
      canDrag: () => session.state.outline.levels[stratum.position] !== "0",
      getInitialData: () => ({ sections: actedOn(session.window.picked, stratum.id), held: stratum.id }),
    });
  }, [session, stratum.id, stratum.position]);
  const remarks = [
    counted(count, "word"),
    ...(stratum.empty ? ["no words"] : []),
    ...(over ? ["over target"] : []),
  ].join(", ");
  return (
    <button
      ref={element}
      type="button"
      data-stratum={stratum.id}
      tabIndex={isReached ? 0 : -1}
      onClick={onGo}
      onDoubleClick={onZoom}
      title={`${words} (${remarks}); double-click looks into it`}
      aria-label={`${words}, level ${stratum.level}, ${remarks}`}
      aria-keyshortcuts="+ -"
      className={cx(
        "absolute overflow-hidden rounded-[3px] text-left text-[11.5px] leading-[21px] text-ellipsis whitespace-nowrap focus-visible:z-10 focus-visible:outline-offset-[-2px]",
        isOutside ? "bg-bed/40 text-faint hover:bg-bed" : STATES[state],
        stratum.level === 1 && "font-semibold",
        stratum.empty && state === "away" && "outline-1 -outline-offset-1 outline-ochre outline-dashed",
        over && "shadow-[inset_0_-3px_0_var(--ochre)]",
      )}
      style={{
        left: stratum.left + 1,
        width: Math.max(2, stratum.width - 2),
        top: TOPS[stratum.level - 1],
        height: HEIGHTS[stratum.level - 1],
        paddingInline: stratum.width > ROOM_FOR_WORDS ? 6 : 0,
      }}
    >
      {stratum.level <= 2 && stratum.width > ROOM_FOR_WORDS ? words : ""}
    </button>
  );
}
