import { useState } from "react";
import type { LikelyHeading, LookGroup } from "../../api/client";
import { LEVELS } from "../../outline/outline";
import { cx } from "../../parts/cx";
import { Select } from "../../parts/select";
import { counted } from "../../parts/words";
import { keyOf, levelOfGroup, type Choices } from "./choices";

const FIRST_LINES = 4;

/** How sure the look makes one, in words; the figure is there for who wants it. */
function sureness(confidence: number): string {
  if (confidence >= 0.85) return "almost certain";
  if (confidence >= 0.68) return "likely";
  return "perhaps";
}

type Props = {
  group: LookGroup;
  choices: Choices;
  onGroup: (level: number | null) => void;
  onLine: (line: LikelyHeading, level: number | null) => void;
};

/** One look: its lines with samples, and what they are to be. */
export function GroupCard({ group, choices, onGroup, onLine }: Props) {
  const [all, setAll] = useState(false);
  const level = levelOfGroup(choices, group);
  const lines = all ? group.lines : group.lines.slice(0, FIRST_LINES);
  const name = group.look || "like the text";
  return (
    <section
      aria-label={`Lines that are ${name}`}
      className={cx("rounded-xl border bg-sheet px-4 py-3", level === null ? "border-line opacity-70" : "border-twig")}
    >
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <p className="min-w-0 flex-1">
          <span className="font-semibold">{name.charAt(0).toUpperCase() + name.slice(1)}</span>
          <span className="text-faint">
            {" "}
            · {counted(group.lines.length, "line")} ·{" "}
            <span title={`Confidence ${Math.round(group.confidence * 100)} %`}>{sureness(group.confidence)}</span>
          </span>
        </p>
        <LevelChoice label={`What lines that are ${name} are`} value={level} onChange={onGroup} strong />
      </header>
      <ul className="mt-2">
        {lines.map((line) => (
          <Line
            key={keyOf(line)}
            line={line}
            level={choices.get(keyOf(line)) ?? null}
            onChange={(next) => onLine(line, next)}
          />
        ))}
      </ul>
      {group.lines.length > FIRST_LINES && (
        <button
          type="button"
          aria-expanded={all}
          className="mt-1 rounded text-[12.5px] font-medium text-stem underline underline-offset-4"
          onClick={() => setAll(!all)}
        >
          {all ? "Show fewer" : `Show all ${group.lines.length}`}
        </button>
      )}
    </section>
  );
}

function Line({
  line,
  level,
  onChange,
}: {
  line: LikelyHeading;
  level: number | null;
  onChange: (level: number | null) => void;
}) {
  return (
    <li className="flex items-start gap-3 border-t border-line py-1.5 first:border-0">
      <div className="min-w-0 flex-1">
        <p
          className={cx(
            "truncate font-text text-[15px] leading-6",
            level === null && "text-faint line-through decoration-line",
          )}
          title={line.text}
        >
          {line.text}
        </p>
        <p className="text-xs text-faint">{line.reasons.slice(0, 4).join(", ")}</p>
      </div>
      <LevelChoice label={`What “${line.text}” is`} value={level} onChange={onChange} />
    </li>
  );
}

const NONE = "none";
const LEVEL_OPTIONS = [
  { value: "0", words: "the title" },
  ...LEVELS.map((level) => ({ value: String(level), words: `level ${level}` })),
  { value: NONE, words: "no heading" },
];

/** Levels, the title, or no heading. */
function LevelChoice({
  label,
  value,
  onChange,
  strong = false,
}: {
  label: string;
  value: number | null | "mixed";
  onChange: (level: number | null) => void;
  strong?: boolean;
}) {
  return (
    <Select
      label={label}
      value={value === null ? NONE : String(value)}
      words="several levels"
      options={LEVEL_OPTIONS}
      onChange={(chosen) => onChange(chosen === NONE ? null : Number(chosen))}
      className={cx("h-7 shrink-0 text-[12.5px]", strong ? "font-semibold text-stem" : "text-soft")}
    />
  );
}
