import { useId } from "react";
import type { Contents } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { sectionLabel, sectionName } from "../document/section-name";
import { LEVELS, levelAt } from "../outline/outline";
import { Choices } from "../parts/choices";
import { cx } from "../parts/cx";
import { WIDE_FIELD } from "../parts/field";
import { Fold } from "../parts/fold";
import { KeptField } from "../parts/kept-field";
import { Select } from "../parts/select";
import { Tick } from "../parts/tick";
import { useContents } from "./contents";

const WHOLE = "whole";
const AS_THE_LOOK = "as it is";
type LineLook = Contents["looks"][string];
const LINE_LOOKS = [
  { value: AS_THE_LOOK, words: "as the look has it" },
  { value: "strong", words: "bold" },
  { value: "regular", words: "regular" },
  { value: "italic", words: "italic" },
  { value: "small", words: "small" },
] as const;
const OF = [
  { value: "headings", words: "the headings" },
  { value: "figures", words: "the pictures" },
  { value: "tables", words: "the tables" },
] as const;
const PAGES = [
  { value: "dotted", words: "dots and pages", lines: ["Gaps ····· 41", "Damp ···· 44"] },
  { value: "plain", words: "pages", lines: ["Gaps  41", "Damp  44"] },
  { value: "none", words: "links only", lines: ["Gaps", "Damp"] },
] as const;

/** How contents are made and look: each setting changes them at once. */
export function ContentsSettings({ contents }: { contents: Contents }) {
  const session = useSession("ContentsSettings");
  const { setUp } = useContents();
  const titleField = useId();
  const outline = useDocument("ContentsSettings", (state) => state.outline);
  const chapters = outline.ids
    .filter((_, position) => levelAt(outline, position) === 1)
    .map((id) => ({ value: id, words: sectionLabel(session.state, id) || sectionName(session.state, id) }));
  return (
    <>
      <div>
        <label htmlFor={titleField}>Title</label>
        <KeptField
          id={titleField}
          value={contents.title}
          className={WIDE_FIELD}
          onKeep={(title) => setUp(contents, { title })}
        />
      </div>
      <Choice
        label="Made of"
        value={contents.of}
        options={OF}
        onChange={(of) => void setUp(contents, { of: of as Contents["of"] })}
      />
      <Choice
        label="From"
        value={contents.branch ?? WHOLE}
        options={[{ value: WHOLE, words: "the whole document" }, ...chapters]}
        onChange={(branch) => void setUp(contents, { branch: branch === WHOLE ? null : branch })}
      />
      {contents.of === "headings" && (
        <div role="group" aria-label="Levels" className="flex items-center gap-1">
          <span className="mr-1 w-16 shrink-0">Levels</span>
          {LEVELS.map((level) => {
            const isIn = level >= contents.from && level <= contents.to;
            return (
              <button
                key={level}
                type="button"
                aria-pressed={isIn}
                aria-label={`Level ${level}`}
                className={cx(
                  "size-6 rounded-md border text-xs",
                  isIn ? "border-stem bg-wash font-semibold text-stem" : "border-line hover:border-twig",
                )}
                onClick={() => void setUp(contents, levelsWith(contents, level))}
              >
                {level}
              </button>
            );
          })}
        </div>
      )}
      {contents.of === "headings" && (
        <Fold words="Look of each level">
          {LEVELS.slice(contents.from - 1, contents.to).map((level) => (
            <Choice
              key={level}
              label={`Level ${level}`}
              value={contents.looks[level] ?? AS_THE_LOOK}
              options={LINE_LOOKS}
              onChange={(look) =>
                void setUp(contents, { looks: { [level]: look === AS_THE_LOOK ? null : (look as LineLook) } })
              }
            />
          ))}
        </Fold>
      )}
      <Choices
        label="Pages in the lines"
        look="card"
        className="grid grid-cols-3 gap-1.5"
        itemClassName="p-1.5 text-[11px] leading-4"
        value={contents.pages}
        options={PAGES.map(({ value, words, lines: specimen }) => ({
          value,
          shows: (
            <>
              <span aria-hidden="true" className={cx("block font-text text-ink", value === "none" && "underline")}>
                {specimen.map((line) => (
                  <span key={line} className="block truncate">
                    {line}
                  </span>
                ))}
              </span>
              {words}
            </>
          ),
        }))}
        onChoose={(value) => void setUp(contents, { pages: value })}
      />
      <Tick checked={contents.numbers} onTick={(numbers) => void setUp(contents, { numbers })}>
        With the numbers of the headings
      </Tick>
      <Tick checked={contents.twoColumns} onTick={(twoColumns) => void setUp(contents, { twoColumns })}>
        In two columns
      </Tick>
      <Tick checked={contents.shaded} onTick={(shaded) => void setUp(contents, { shaded })}>
        On a shade
      </Tick>
      <Tick checked={contents.ownPage} onTick={(ownPage) => void setUp(contents, { ownPage })}>
        On a page of their own
      </Tick>
      <Tick checked={contents.always} onTick={(always) => void setUp(contents, { always })}>
        Always up to date by themselves
      </Tick>
    </>
  );
}

/** The levels with one more, or without one that is in and what lies below it: they are always a row, and never none. */
function levelsWith({ from, to }: Contents, level: number): { from: number; to: number } {
  if (level < from) return { from: level, to };
  if (level > to) return { from, to: level };
  if (from === to) return { from, to };
  return level === from ? { from: from + 1, to } : { from, to: level - 1 };
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly { value: string; words: string }[];
  onChange: (value: string) => void;
}) {
  return (
    <div className="flex items-center gap-2">
      <span className="w-16 shrink-0">{label}</span>
      <Select label={label} value={value} options={options} className="min-w-0 flex-1" onChange={onChange} />
    </div>
  );
}
