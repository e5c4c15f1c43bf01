import { useMemo } from "react";
import { strata } from "../outline/strata";

const ROWS = [0, 9, 16, 21];
const HEIGHTS = [8, 6, 4, 3];

/** A document’s own shape, small: its branches from left to right in proportion to their words. */
export function Shape({ levels, words, width }: { levels: string; words: readonly number[]; width: number }) {
  const found = useMemo(
    () => strata({ ids: Array.from({ length: levels.length }, () => ""), levels, flags: "" }, words, width, 1.5),
    [levels, words, width],
  );
  return (
    <svg aria-hidden="true" width={width} height={24} className="max-w-full">
      {/* So many chapters that none of them would be seen. */}
      {found.length === 0 && levels.length > 0 && (
        <rect y={ROWS[0]} width={width - 1.5} height={HEIGHTS[0]} rx="1.5" className="fill-twig" />
      )}
      {found.map((each) => (
        <rect
          key={each.position}
          x={each.left}
          y={ROWS[each.level - 1]}
          width={Math.max(1, each.width - 1.5)}
          height={HEIGHTS[each.level - 1]}
          rx="1.5"
          className={each.empty ? "fill-ochre/40" : each.level === 1 ? "fill-twig" : "fill-bed"}
        />
      ))}
    </svg>
  );
}
