import { FIELDS, useFind, type Manner } from "../../find/found";
import { cx } from "../../parts/cx";

const MODES = [
  ["words", "All words"],
  ["phrase", "Exactly so"],
  ["pattern", "Expression"],
] as const;

const FIELD_WORDS = {
  heading: "headings",
  text: "text",
  note: "notes",
  caption: "captions",
  aim: "aims",
} satisfies Record<(typeof FIELDS)[number], string>;

/** How exactly something is looked for, and in what. */
export function FindManner() {
  const { manner, withOffcuts } = useFind();
  const change = (next: Partial<Manner>) => useFind.setState({ manner: { ...manner, ...next }, at: -1 });
  return (
    <>
      <div
        role="radiogroup"
        aria-label="How exactly"
        className="mb-2 flex gap-1 rounded-full bg-wash p-0.5 text-[11.5px]"
      >
        {MODES.map(([mode, label]) => (
          <label
            key={mode}
            className={cx(
              "flex-1 cursor-pointer rounded-full px-2 py-1 text-center has-focus-visible:outline-2 has-focus-visible:outline-stem",
              manner.mode === mode ? "bg-sheet text-ink shadow-sm" : "text-soft",
            )}
          >
            <input
              type="radio"
              name="find-mode"
              className="sr-only"
              checked={manner.mode === mode}
              onChange={() => change({ mode })}
            />
            {label}
          </label>
        ))}
      </div>
      <div className="mb-2 flex flex-wrap gap-x-4 gap-y-1 text-xs text-soft">
        <Check
          label="Capitals matter"
          checked={manner.caseMatters}
          onChange={(caseMatters) => change({ caseMatters })}
        />
        {manner.mode !== "pattern" && (
          <Check
            label="Accents matter"
            checked={manner.diacriticsMatter}
            onChange={(diacriticsMatter) => change({ diacriticsMatter })}
          />
        )}
        <Check label="Whole words" checked={manner.wholeWords} onChange={(wholeWords) => change({ wholeWords })} />
      </div>
      <details className="mb-3 text-xs text-soft">
        <summary className="cursor-pointer rounded hover:text-ink">
          In{" "}
          {manner.fields.length === FIELDS.length && withOffcuts
            ? "all of it"
            : [...manner.fields.map((field) => FIELD_WORDS[field]), ...(withOffcuts ? ["offcuts"] : [])].join(", ")}
        </summary>
        <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
          {FIELDS.map((field) => (
            <Check
              key={field}
              label={FIELD_WORDS[field]}
              checked={manner.fields.includes(field)}
              onChange={(isIn) =>
                change({ fields: FIELDS.filter((each) => (each === field ? isIn : manner.fields.includes(each))) })
              }
            />
          ))}
          <Check
            label="offcuts"
            checked={withOffcuts}
            onChange={(isIn) => useFind.setState({ withOffcuts: isIn, at: -1 })}
          />
        </div>
      </details>
    </>
  );
}

function Check({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="size-3.5 accent-(--stem)"
      />
      {label}
    </label>
  );
}
