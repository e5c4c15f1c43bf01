import type { ReactNode } from "react";

export const STAGES = ["idea", "drafted", "revised", "settled"] as const;
export type StageName = (typeof STAGES)[number];

/** What grows on the ground line: a seed, a shoot, a plant with leaves, one that bears a head. */
const LEFT_LEAF = "M7.6 12C4.6 12 2.4 10.2 2.2 7.2C5.4 7.2 7.4 9 7.6 12Z";
const RIGHT_LEAF = "M8.4 9.5C8.6 6.4 10.6 4.6 13.8 4.6C13.6 7.6 11.4 9.5 8.4 9.5Z";
const SHAPES: Record<StageName, ReactNode> = {
  idea: <circle cx="8" cy="11.5" r="2.1" fill="currentColor" stroke="none" />,
  drafted: (
    <>
      <path d="M8 14V9" />
      <path d={LEFT_LEAF} fill="currentColor" stroke="none" />
    </>
  ),
  revised: (
    <>
      <path d="M8 14V5" />
      <path d={LEFT_LEAF} fill="currentColor" stroke="none" />
      <path d={RIGHT_LEAF} fill="currentColor" stroke="none" />
    </>
  ),
  settled: (
    <>
      <path d="M8 14V6" />
      <path d={LEFT_LEAF} fill="currentColor" stroke="none" />
      <circle cx="8" cy="4.2" r="3.4" fill="currentColor" stroke="none" />
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
export function StageSign({ name, size = 16 }: { name: StageName; size?: number }) {
  return (
    <svg
      role="img"
      aria-label={STAGE_WORDS[name].toLowerCase()}
      width={size}
      height={size}
      viewBox="0 0 16 16"
      className={name === "idea" ? "text-faint" : "text-stem"}
      stroke="currentColor"
      strokeWidth="1.5"
      strokeLinecap="round"
      strokeLinejoin="round"
      fill="none"
    >
      <path d="M2.5 14.6H13.5" strokeWidth="1" />
      {SHAPES[name]}
    </svg>
  );
}
