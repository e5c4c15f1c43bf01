import type { ReactNode } from "react";

export const STAGES = ["idea", "drafted", "revised", "settled"] as const;
export type StageName = (typeof STAGES)[number];

/** What grows on the ground line: a seed, a shoot, a plant with leaves, one that bears a head. */
const SHAPES: Record<StageName, ReactNode> = {
  idea: <circle cx="8" cy="11" r="1.6" fill="currentColor" stroke="none" />,
  drafted: <path d="M8 13.5V7.5M8 9C6 9 5 7.8 4.8 6C6.8 6 8 7 8 9Z" />,
  revised: (
    <path d="M8 13.5V3.5M8 10.5C6 10.5 4.6 9.3 4.4 7.3C6.6 7.3 8 8.6 8 10.5ZM8 8C10 8 11.4 6.8 11.6 4.8C9.4 4.8 8 6.1 8 8Z" />
  ),
  settled: (
    <>
      <path d="M8 13.5V7.5M8 11C6 11 4.6 9.9 4.4 8.1M8 11C10 11 11.4 9.9 11.6 8.1" />
      <circle cx="8" cy="4.6" r="3" fill="currentColor" stroke="none" />
    </>
  ),
};

export const STAGE_WORDS: Record<StageName, string> = {
  idea: "Idea",
  drafted: "Drafted",
  revised: "Revised",
  settled: "Settled",
};

export function isStage(name: string): name is StageName {
  return name in SHAPES;
}

/** How far a section has come, told by its shape. */
export function StageSign({ name, size = 14 }: { name: StageName; size?: number }) {
  return (
    <svg
      role="img"
      aria-label={STAGE_WORDS[name].toLowerCase()}
      width={size}
      height={size}
      viewBox="0 0 16 16"
      className={name === "idea" ? "text-faint" : "text-stem"}
      stroke="currentColor"
      strokeWidth="1.3"
      strokeLinecap="round"
      strokeLinejoin="round"
      fill="none"
    >
      <path d="M3 14H13" strokeWidth="1" />
      {SHAPES[name]}
    </svg>
  );
}
