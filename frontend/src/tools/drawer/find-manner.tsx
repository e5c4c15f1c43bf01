import { FIELDS, useFind, type Manner } from "../../find/found";
import { cx } from "../../parts/cx";
import { Tick } from "../../parts/tick";

const MODES = [
  ["words", "All words"],
  ["phrase", "Exact phrase"],
  ["pattern", "Pattern"],
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
        <Tick checked={manner.caseMatters} onTick={(caseMatters) => change({ caseMatters })}>
          Capitals matter
        </Tick>
        {manner.mode !== "pattern" && (
          <Tick checked={manner.diacriticsMatter} onTick={(diacriticsMatter) => change({ diacriticsMatter })}>
            Accents matter
          </Tick>
        )}
        <Tick checked={manner.wholeWords} onTick={(wholeWords) => change({ wholeWords })}>
          Whole words
        </Tick>
      </div>
      <details className="mb-3 text-xs text-soft">
        <summary className="cursor-pointer rounded hover:text-ink">
          Where:{" "}
          {manner.fields.length === FIELDS.length && withOffcuts
            ? "everywhere"
            : [...manner.fields.map((field) => FIELD_WORDS[field]), ...(withOffcuts ? ["offcuts"] : [])].join(", ")}
        </summary>
        <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
          {FIELDS.map((field) => (
            <Tick
              key={field}
              checked={manner.fields.includes(field)}
              onTick={(isIn) =>
                change({ fields: FIELDS.filter((each) => (each === field ? isIn : manner.fields.includes(each))) })
              }
            >
              {FIELD_WORDS[field]}
            </Tick>
          ))}
          <Tick checked={withOffcuts} onTick={(isIn) => useFind.setState({ withOffcuts: isIn, at: -1 })}>
            offcuts
          </Tick>
        </div>
      </details>
    </>
  );
}
