import type { Outline } from "./outline";

/** “1 a, 2 b” as an outline whose ids are the letters. */
export function outlineOf(sketch: string): Outline {
  const lines = sketch.split(",").map((line) => line.trim());
  return {
    ids: lines.map((line) => line.slice(2)),
    levels: lines.map((line) => line[0]).join(""),
    flags: "0".repeat(lines.length),
  };
}
