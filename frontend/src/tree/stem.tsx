import type { Row } from "../outline/rows";
import { nodeX, ROW_HEIGHT } from "./geometry";

const RADIUS = 4.6;
const AROUND = 2 * Math.PI * RADIUS;
const MIDDLE = ROW_HEIGHT / 2;

/** The line work left of a row: stems that pass by, the bend from the parent, and the section’s own node. */
export function Stem({ row, share, lit, isFirst }: { row: Row; share: number; lit: boolean; isFirst: boolean }) {
  const x = nodeX(row.level);
  const from = nodeX(row.parentLevel);
  const isRoot = row.parentLevel === 0;
  const bend = `M${from} 0V${MIDDLE - 10}Q${from} ${MIDDLE} ${from + 12} ${MIDDLE}H${x - 6}`;
  // One path for all that is drawn alike: rows fly past in scrolling, and each part of a drawing costs.
  const twigs = [
    ...row.stems.map((level) =>
      level === row.level ? `M${x} ${MIDDLE + 5}V${ROW_HEIGHT}` : `M${nodeX(level)} 0V${ROW_HEIGHT}`,
    ),
    ...(row.level > 0 && isRoot && !isFirst ? [`M${x} 0V${MIDDLE - 5}`] : []),
    ...(row.level > 0 && !isRoot && !lit ? [bend] : []),
  ];
  return (
    <svg
      aria-hidden="true"
      width={x + 12}
      height={ROW_HEIGHT}
      className="pointer-events-none absolute top-0 left-0"
      fill="none"
    >
      <path d={twigs.join("")} className="stroke-twig" strokeWidth="1.2" />
      {row.level > 0 && !isRoot && lit && <path d={bend} className="stroke-stem" strokeWidth="1.8" />}
      {row.folded && <path d={`M${x - 3} ${MIDDLE + 8}h6`} className="stroke-stem" strokeWidth="1.6" />}
      <circle
        cx={x}
        cy={MIDDLE}
        r={RADIUS}
        className={share >= 1 ? "fill-stem stroke-stem" : "fill-paper stroke-twig"}
        strokeWidth="1.4"
      />
      {share > 0 && share < 1 && (
        <circle
          cx={x}
          cy={MIDDLE}
          r={RADIUS}
          className="stroke-stem"
          strokeWidth="2"
          strokeDasharray={`${AROUND * share} ${AROUND}`}
          transform={`rotate(-90 ${x} ${MIDDLE})`}
        />
      )}
    </svg>
  );
}
