import { useDocument, useSession, useWindow } from "../document/context";
import { labelOf, nameOf } from "../outline/names";
import { pathTo } from "../outline/outline";
import { cx } from "../parts/cx";

/** The headings above the current line, and the way back from the last jump. */
export function PathBar() {
  const session = useSession("PathBar");
  const outline = useDocument("PathBar", (state) => state.outline);
  const numbers = useDocument("PathBar", (state) => state.numbers);
  const facts = useDocument("PathBar", (state) => state.facts);
  const names = useDocument("PathBar", (state) => state.names);
  const currentId = useWindow("PathBar", (state) => state.current);
  const current = useDocument("PathBar", (state) => state.positions.get(currentId ?? ""));
  const back = useWindow("PathBar", (state) => state.trail.places[state.trail.at - 1] ?? null);
  const path = current === undefined ? [] : pathTo(outline, current);
  const labelAt = (position: number) => {
    const id = outline.ids[position] ?? "";
    return labelOf(nameOf(id, facts.get(id)?.heading ?? "", names), numbers[position] ?? "");
  };
  // Of a deep path the ends tell most.
  const isLeftOut = (index: number) => path.length > 4 && index > 0 && index < path.length - 2;
  const backNumber = back
    ? numbers[session.state.positions.get(back.section) ?? -1] || facts.get(back.section)?.heading
    : undefined;
  return (
    <div className="flex h-10 items-center gap-2 border-b border-line/60 px-6 text-[12.5px] text-soft @2xl:px-[46px]">
      <nav
        aria-label="Path to the current section"
        className="flex min-w-0 items-center gap-2 overflow-hidden whitespace-nowrap"
      >
        {path.map((position, index) => (
          <span
            key={position}
            className={cx(
              "min-w-0 truncate",
              index === path.length - 1 && "font-semibold text-ink",
              index < path.length - 1 && "hidden shrink-[9]",
              index < path.length - 1 && !isLeftOut(index) && "@md:inline",
            )}
          >
            {index > 0 && (
              <span className="mr-2 hidden font-[400] text-faint @md:inline">
                {isLeftOut(index - 1) ? "/ … /" : "/"}
              </span>
            )}
            <button
              type="button"
              className="rounded hover:text-stem"
              onClick={() => session.navigation.goTo({ section: outline.ids[position] ?? "" })}
            >
              {labelAt(position)}
            </button>
          </span>
        ))}
      </nav>
      <span className="flex-1" />
      {back && (
        <button
          type="button"
          className="rounded whitespace-nowrap hover:text-ink"
          title="Back to where you jumped from (Ctrl [)"
          onClick={() => session.navigation.goBack()}
        >
          ← back{backNumber ? ` to ${backNumber}` : ""}
        </button>
      )}
    </div>
  );
}
