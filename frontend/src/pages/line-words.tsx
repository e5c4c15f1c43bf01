import type { Contents, ContentsLine } from "../api/client";
import { cx } from "../parts/cx";
import { FIELD } from "../parts/field";
import { KeptField } from "../parts/kept-field";
import { useContents } from "./contents";

/** The words of a line of contents; none, and it says its heading again. */
export function LineWords({
  contents,
  line,
  className,
}: {
  contents: Contents;
  line: ContentsLine;
  className: string;
}) {
  const { changeLine } = useContents();
  const shown = line.words ?? line.heading;
  return (
    <KeptField
      value={shown}
      whenEmpty={line.heading}
      aria-label={`Words of the line for “${line.heading}”`}
      className={cx(
        FIELD,
        className,
        line.words !== null && "border-l-2 border-l-ochre",
        line.out && "text-faint line-through",
      )}
      onKeep={(words) => changeLine(contents, line.key, { words })}
    />
  );
}

/** How what was done to a line by hand is taken back; null where nothing was. */
export function takenBack(line: ContentsLine): { said: string; change: { words?: string; out?: boolean } } | null {
  if (line.bookmark !== null) return { said: "Take out", change: { out: true } };
  if (line.out) return { said: "Put back", change: { out: false } };
  return line.words === null ? null : { said: "As the heading", change: { words: "" } };
}
