import { Plus } from "lucide-react";
import { useRef, useState } from "react";
import type { RunningLine } from "../api/client";
import { cx } from "../parts/cx";
import { FIELD } from "../parts/field";
import { Menu } from "../parts/menu";
import { FIELD_WORDS, fieldSign, toParts, toText, type RunningField } from "./running-text";

const PLACES = ["start", "middle", "end"] as const;
const WORDS = { start: "At the start", middle: "In the middle", end: "At the end" } as const;

type Props = {
  label: string;
  line: RunningLine;
  /** Beside each other, as on the page. */
  isAcross?: boolean;
  /** Of the place that changed. */
  onChange: (line: Partial<RunningLine>) => Promise<boolean>;
};

/** A header or a footer: its three places, each with words and fields. */
export function RunningLineFields({ label, line, isAcross = false, onChange }: Props) {
  return (
    <fieldset className={cx("gap-y-2", isAcross ? "grid min-w-0 gap-x-1 sm:flex" : "grid")}>
      <legend className="mb-1 text-xs font-semibold text-stem">{label}</legend>
      {PLACES.map((place) => (
        <PlaceField
          key={place}
          label={`${label}, ${WORDS[place].toLowerCase()}`}
          hint={place}
          text={toText(line[place])}
          onText={(text) => onChange({ [place]: toParts(text) })}
        />
      ))}
    </fieldset>
  );
}

/** What was refused stays in the field, for the writer to change. */
function PlaceField({
  label,
  hint,
  text,
  onText,
}: {
  label: string;
  hint: string;
  text: string;
  onText: (text: string) => Promise<boolean>;
}) {
  const [typed, setTyped] = useState(text);
  const [kept, setKept] = useState(text);
  // What is kept by now is shown; what was refused is not, and stays.
  if (kept !== text) {
    setKept(text);
    setTyped(text);
  }
  const field = useRef<HTMLInputElement>(null);
  const keep = (next: string) => {
    if (next !== text) void onText(next);
  };
  const insert = (name: RunningField) => {
    const at = field.current?.selectionStart ?? typed.length;
    const next = typed.slice(0, at) + fieldSign(name) + typed.slice(at);
    setTyped(next);
    keep(next);
  };
  return (
    <span className={cx("flex min-w-0 items-center", typed === "" ? "flex-1" : "flex-[1.8]")}>
      <input
        ref={field}
        aria-label={label}
        placeholder={hint}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => keep(typed)}
        onKeyDown={(event) => event.key === "Enter" && keep(typed)}
        className={cx(FIELD, "min-w-0 flex-1 px-1.5 py-1")}
      />
      <Menu
        label={`Put in, ${label}`}
        align="end"
        entries={(Object.keys(FIELD_WORDS) as RunningField[]).map((name) => ({
          label: FIELD_WORDS[name].charAt(0).toUpperCase() + FIELD_WORDS[name].slice(1),
          run: () => insert(name),
        }))}
      >
        <button
          type="button"
          aria-label={`Put a page number, a heading or the like into: ${label}`}
          title="Page number, heading and the like"
          className="grid size-6 shrink-0 place-items-center rounded-full text-soft hover:bg-wash hover:text-ink"
        >
          <Plus size={13} strokeWidth={1.8} aria-hidden="true" />
        </button>
      </Menu>
    </span>
  );
}
