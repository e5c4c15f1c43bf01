import type { DropPlace } from "../outline/drop";
import type { Row } from "../outline/rows";
import { nodeX, ROW_HEIGHT } from "./geometry";

/** The new stem, drawn before the branch is let go, and what it would become there. */
export function DropMark({
  place,
  rows,
  sentence,
  possible,
  top,
}: {
  place: DropPlace;
  rows: readonly Row[];
  sentence: string;
  possible: boolean;
  top: number;
}) {
  const parent = rows.findLastIndex((row, index) => index < place.gap && row.level < place.level && row.level > 0);
  const x = nodeX(place.level);
  const from = nodeX(rows[parent]?.level ?? place.level);
  const up = parent < 0 ? 8 : (place.gap - parent) * ROW_HEIGHT - ROW_HEIGHT / 2 - 5;
  const tone = possible ? "stroke-stem" : "stroke-loss";
  return (
    <div className="pointer-events-none absolute inset-x-0 z-10" style={{ top }}>
      <svg
        aria-hidden="true"
        width="100%"
        height={up + 8}
        className="absolute left-0 overflow-visible"
        style={{ top: -up }}
        fill="none"
      >
        {parent >= 0 && (
          <path
            d={`M${from} 0V${up - 8}Q${from} ${up} ${from + 10} ${up}H${x - 5}`}
            className={tone}
            strokeWidth="1.8"
            strokeDasharray="5 4"
          />
        )}
        <circle cx={x} cy={up} r="4.6" className={possible ? "fill-stem" : "fill-loss"} />
        <path d={`M${x + 8} ${up}H300`} className={tone} strokeWidth="1.8" strokeDasharray="5 4" />
      </svg>
      {sentence && (
        <p
          role="status"
          className={`absolute z-20 rounded-lg border bg-sheet px-3 py-1.5 text-xs shadow ${possible ? "border-stem" : "border-loss text-loss"}`}
          style={{ left: Math.min(x + 14, 90), right: 8, top: 8 }}
        >
          {sentence}
        </p>
      )}
    </div>
  );
}
