import { Undo2 } from "lucide-react";
import { useEffect, useRef } from "react";
import { cx } from "../parts/cx";
import { FIELD } from "../parts/field";
import { KeptField } from "../parts/kept-field";
import { Select } from "../parts/select";
import { Tick } from "../parts/tick";
import type { Property } from "./properties";

type Props = {
  property: Property;
  value: string;
  /** Whether the style sheet says it of this kind; else it comes from what that rests on. */
  isSaid: boolean;
  faces: readonly { name: string; about: string }[];
  onValue: (value: string | null) => Promise<unknown> | void;
  /** What is shown where nothing is said. */
  unsaid?: string;
};

/** One property of a kind of text. */
export function PropertyField({ property, value, isSaid, faces, onValue, unsaid = "" }: Props) {
  const { words, as } = property;
  return (
    <div className="flex min-h-8 items-center gap-2">
      {as === "yes" ? (
        <span className="min-w-0 flex-1">
          <Tick checked={value === "yes"} onTick={(isOn) => void onValue(isOn ? "yes" : "no")}>
            <span className={cx(isSaid && "font-semibold text-ink")}>{words}</span>
          </Tick>
        </span>
      ) : (
        <>
          <span className={cx("w-24 shrink-0 leading-tight", isSaid && "font-semibold text-ink")} aria-hidden="true">
            {words}
          </span>
          <span className="flex min-w-0 flex-1 items-center gap-1.5">
            <Value property={property} value={value} faces={faces} onValue={onValue} unsaid={unsaid} />
          </span>
        </>
      )}
      <button
        type="button"
        disabled={!isSaid}
        aria-label={`${words}: as it was before it was said here`}
        title="As it was before it was said here"
        className={cx(
          "grid size-6 shrink-0 place-items-center rounded-full text-soft hover:bg-wash",
          !isSaid && "invisible",
        )}
        onClick={() => void onValue(null)}
      >
        <Undo2 size={13} strokeWidth={1.8} aria-hidden="true" />
      </button>
    </div>
  );
}

function Value({ property, value, faces, onValue, unsaid = "" }: Omit<Props, "isSaid">) {
  const { name, words, as, choices, hint } = property;
  if (as === "choice") {
    const options =
      name === "face"
        ? faces.map((face) => ({ value: face.name, words: `${face.name}, ${face.about}` }))
        : Object.entries(choices ?? {}).map(([each, called]) => ({ value: each, words: called }));
    return (
      <Select
        label={words}
        value={value}
        words={unsaid}
        options={options}
        className="w-full min-w-0"
        onChange={onValue}
      />
    );
  }
  if (as === "colour")
    return <Colour words={words} value={value} without={name === "ground" ? "none" : "ink"} onValue={onValue} />;
  if (as === "rule") {
    const [width = "", colour = ""] = value === "none" ? [] : value.split(" ");
    return (
      <>
        <KeptField
          aria-label={`${words}, width`}
          placeholder="none"
          value={width}
          className={cx(FIELD, "w-20 min-w-0 px-2 py-1")}
          onKeep={(typed) => onValue(typed === "" ? "none" : `${typed} ${colour || "#8a948e"}`)}
        />
        {width !== "" && (
          <Colour words={`${words}, colour`} value={colour} onValue={(next) => onValue(`${width} ${next}`)} />
        )}
      </>
    );
  }
  return (
    <KeptField
      aria-label={words}
      title={hint}
      placeholder={unsaid}
      value={value}
      className={cx(FIELD, "w-full min-w-0 px-2 py-1")}
      onKeep={(typed) => onValue(typed === "" ? null : typed)}
    />
  );
}

/** A colour by eye and by its number; `without` says that there is none of its own. */
function Colour({
  words,
  value,
  without,
  onValue,
}: {
  words: string;
  value: string;
  without?: string;
  onValue: (value: string) => Promise<unknown> | void;
}) {
  const shown = value.startsWith("#") ? value : without === "none" ? "#ffffff" : "#22302b";
  const picker = useRef<HTMLInputElement>(null);
  const latest = useRef(onValue);
  useEffect(() => {
    latest.current = onValue;
  });
  // The browser says “change” once, when a colour has been chosen; React would tell of each that the hand passes over.
  useEffect(() => {
    const field = picker.current;
    const chosen = () => field && void latest.current(field.value);
    field?.addEventListener("change", chosen);
    return () => field?.removeEventListener("change", chosen);
  }, [shown]);
  return (
    <>
      <input
        key={shown}
        ref={picker}
        type="color"
        aria-label={`${words}, by eye`}
        defaultValue={shown}
        className="h-7 w-9 shrink-0 cursor-pointer rounded border border-line bg-paper p-0.5"
      />
      <KeptField
        aria-label={words}
        placeholder={without === "none" ? "none" : "of the page"}
        value={value.startsWith("#") ? value : ""}
        className={cx(FIELD, "w-full min-w-0 px-2 py-1")}
        onKeep={(typed) => onValue(typed === "" ? (without ?? value) : typed)}
      />
    </>
  );
}
