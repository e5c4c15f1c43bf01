import { useEffect, useMemo, useRef, useState } from "react";
import { useDocument, useSession } from "../document/context";
import { pathTo } from "../outline/outline";
import { strata, type Stratum } from "../outline/strata";
import { cx } from "../parts/cx";
import { counted } from "../parts/words";

const TOPS = [7, 31, 55, 69];
const HEIGHTS = [21, 21, 11, 6];
const ROOM_FOR_WORDS = 44;

/** The document from left to right in proportion to its words, one row per level. */
export function StrataStrip() {
  const session = useSession("StrataStrip");
  const outline = useDocument("StrataStrip", (state) => state.outline);
  const facts = useDocument("StrataStrip", (state) => state.facts);
  const numbers = useDocument("StrataStrip", (state) => state.numbers);
  const branchWords = useDocument("StrataStrip", (state) => state.branchWords);
  const overTarget = useDocument("StrataStrip", (state) => state.overTarget);
  const currentId = useDocument("StrataStrip", (state) => state.current);
  const current = useDocument("StrataStrip", (state) => state.positions.get(state.current ?? "") ?? 0);
  const strip = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    if (strip.current) observer.observe(strip.current);
    return () => observer.disconnect();
  }, []);
  const words = useMemo(() => outline.ids.map((id) => facts.get(id)?.words ?? 0), [outline, facts]);
  const found = useMemo(() => strata(outline, words, width), [outline, words, width]);
  const path = useMemo(() => new Set(outline.ids.length > 0 ? pathTo(outline, current) : []), [outline, current]);
  const here = found.findLast((each) => each.position <= current);

  return (
    <nav ref={strip} aria-label="Strata" className="relative mx-4 hidden h-[84px] overflow-hidden border-y border-line md:block">
      {found.map((each) => (
        <Layer
          key={each.id}
          stratum={each}
          state={each.id === currentId ? "here" : path.has(each.position) ? "above" : "away"}
          words={`${numbers[each.position] ?? ""} ${facts.get(each.id)?.heading || (outline.levels[each.position] === "0" ? "Opening" : "No heading")}`.trim()}
          over={overTarget.has(each.id)}
          count={branchWords[each.position] ?? words[each.position] ?? 0}
          onGo={() => session.goTo({ section: each.id })}
        />
      ))}
      {here && (
        <span aria-hidden="true" className="pointer-events-none absolute top-0 h-[78px] w-0.5 bg-ochre" style={{ left: here.left + Math.min(here.width / 2, 24) }}>
          <span className="absolute -top-px -left-[3px] size-2 rounded-full bg-ochre" />
        </span>
      )}
    </nav>
  );
}

const STATES = {
  here: "bg-stem text-on-stem",
  above: "bg-lit text-ink",
  away: "bg-bed text-soft hover:bg-lit",
};

function Layer({ stratum, state, words, count, over, onGo }: { stratum: Stratum; state: keyof typeof STATES; words: string; count: number; over: boolean; onGo: () => void }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      onClick={onGo}
      title={`${words} (${counted(count, "word")}${over ? ", over target" : ""})`}
      aria-label={over ? `${words}, over target` : words}
      className={cx(
        "absolute overflow-hidden rounded-[3px] text-left text-[11.5px] leading-[21px] text-ellipsis whitespace-nowrap",
        STATES[state],
        stratum.level === 1 && "font-semibold",
        stratum.empty && state === "away" && "outline-1 -outline-offset-1 outline-ochre outline-dashed",
        over && "shadow-[inset_0_-3px_0_var(--ochre)]",
      )}
      style={{ left: stratum.left + 1, width: Math.max(2, stratum.width - 2), top: TOPS[stratum.level - 1], height: HEIGHTS[stratum.level - 1], paddingInline: stratum.width > ROOM_FOR_WORDS ? 6 : 0 }}
    >
      {stratum.level <= 2 && stratum.width > ROOM_FOR_WORDS ? words : ""}
    </button>
  );
}
