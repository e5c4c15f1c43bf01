import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import type { Contents, ContentsLine } from "../../api/client";
import { useDocument, usePages, useSession, useWindow } from "../../document/context";
import { sectionLabel, sectionName } from "../../document/section-name";
import { ContentsDialog } from "../../manuscript/contents-dialog";
import { LEVELS, levelAt } from "../../outline/outline";
import { useContents } from "../../pages/contents";
import { Button } from "../../parts/button";
import { LineWords, takenBack } from "../../pages/line-words";
import { Choices } from "../../parts/choices";
import { cx } from "../../parts/cx";
import { WIDE_FIELD } from "../../parts/field";
import { Select } from "../../parts/select";
import { Tick } from "../../parts/tick";
import { counted, formatNumber } from "../../parts/words";
import { placesQuery } from "../../places/places";

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

/** All contents of the document: how each is set up, what is behind the headings, what was done by hand. */
export function ContentsDrawer() {
  const { contents } = useContents();
  const current = useWindow("ContentsDrawer", (state) => state.current);
  const name = useDocument("ContentsDrawer", (state) => (current === null ? "" : sectionName(state, current)));
  const [asking, setAsking] = useState(false);
  return (
    <div className="space-y-6 text-soft">
      {contents?.map((each) => (
        <OneContents key={`${each.section} ${each.index}`} contents={each} />
      ))}
      {contents?.length === 0 && (
        <p>
          Contents are collected from the headings and stand in the text as links. They survive in every file that is
          written, with the pages in print.
        </p>
      )}
      <div className="space-y-2">
        <Button tone="stem" disabled={current === null} onClick={() => setAsking(true)}>
          {contents && contents.length > 0 ? "Make others…" : "Make contents…"}
        </Button>
        <p>They go to the end of “{name}”, where you are now.</p>
      </div>
      {asking && current !== null && <ContentsDialog spot={null} section={current} onClose={() => setAsking(false)} />}
    </div>
  );
}

function OneContents({ contents }: { contents: Contents }) {
  const session = useSession("OneContents");
  const { setUp, refresh } = useContents();
  const { differences, lines } = contents;
  const changed = differences.reduce((sum, difference) => sum + difference.lines.length, 0);
  const outline = useDocument("OneContents", (state) => state.outline);
  const label = `${contents.title || "Contents without a title"}`;
  const byHand = lines.filter((line) => takenBack(line) !== null);
  const chapters = outline.ids
    .filter((_, position) => levelAt(outline, position) === 1)
    .map((id) => ({ value: id, words: sectionLabel(session.state, id) || sectionName(session.state, id) }));
  return (
    <section aria-label={label} className="space-y-3 border-b border-line pb-5">
      <h3>
        <button
          type="button"
          className="text-left font-text text-[15px] font-semibold text-ink hover:text-stem"
          onClick={() => session.navigation.goTo({ section: contents.section })}
        >
          {label}
        </button>
        <span className="block">
          {counted(lines.filter((line) => !line.out).length, "line")}, in “
          {sectionName(session.state, contents.section)}”
        </span>
      </h3>
      {differences.length > 0 && (
        <div className="space-y-1.5">
          <p className="text-xs font-semibold text-stem">
            Behind the document: {changed === 1 ? "1 line changes" : `${formatNumber(changed)} lines change`}
          </p>
          <ul className="space-y-1">
            {differences.slice(0, 12).map(({ section, sentence }) => (
              <li key={sentence} className="border-l-2 border-ochre pl-3 text-ink">
                <button type="button" className="text-left" onClick={() => session.navigation.goTo({ section })}>
                  {sentence}
                </button>
              </li>
            ))}
            {differences.length > 12 && (
              <li>
                and {formatNumber(differences.length - 12)} more{""}
              </li>
            )}
          </ul>
          <div className="flex items-center gap-3 pt-1">
            <Button tone="stem" onClick={() => void refresh(contents)}>
              Take them over
            </Button>
            <button
              type="button"
              className="font-medium text-stem"
              onClick={() => void setUp(contents, { always: true })}
            >
              Always
            </button>
          </div>
        </div>
      )}
      <Fold words="Lines">
        <Lines contents={contents} />
      </Fold>
      <Fold words="How they look">
        <label className="block">
          Title
          <input
            key={contents.title}
            defaultValue={contents.title}
            className={WIDE_FIELD}
            onBlur={(event) => {
              const title = event.target.value.trim();
              if (title !== contents.title) void setUp(contents, { title });
            }}
          />
        </label>
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
          <div role="group" aria-label="Levels" className="flex gap-1">
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
      </Fold>
      {/* Under the lines, for it grows while they are reworded, and would push them from under the pointer. */}
      {byHand.length > 0 && (
        <div className="space-y-1.5">
          <p className="text-xs font-semibold text-stem">By your hand: {counted(byHand.length, "line")}</p>
          <ul className="space-y-1.5">
            {byHand.map((line) => (
              <HandLine key={line.key} contents={contents} line={line} />
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

/** The levels with one more, or without what lies beyond one that is in: they are always a row. */
function levelsWith({ from, to }: Contents, level: number): { from: number; to: number } {
  if (level < from) return { from: level, to };
  if (level > to) return { from, to: level };
  return level === from && from < to
    ? { from: from + 1, to }
    : { from, to: level === to && from < to ? to - 1 : level };
}

function HandLine({ contents, line }: { contents: Contents; line: ContentsLine }) {
  const { changeLine } = useContents();
  const back = takenBack(line);
  const said = line.bookmark !== null ? "added" : line.out ? "left out" : `for “${line.heading}”`;
  return (
    <li className="flex gap-2">
      <span className="flex-1 text-ink">
        “{line.words ?? line.heading}” <span className="text-soft">{said}</span>
      </span>
      {back && (
        <button
          type="button"
          className="self-start font-medium whitespace-nowrap text-stem"
          onClick={() => void changeLine(contents, line.key, back.change)}
        >
          {back.said}
        </button>
      )}
    </li>
  );
}

/** Every line, to be reworded or left out; and one more for a bookmark. */
function Lines({ contents }: { contents: Contents }) {
  const session = useSession("Lines");
  const id = useDocument("Lines", (state) => state.id);
  const { changeLine, addLine } = useContents();
  const pages = usePages("Lines", (state) => state);
  const { data: places } = useQuery(placesQuery(id));
  const [bookmark, setBookmark] = useState("");
  const chosen = places?.bookmarks.find((each) => each.id === bookmark);
  return (
    <>
      <ul className="space-y-1">
        {contents.lines.map((line) => {
          const page = (line.bookmark ? pages.bookmarks.get(line.bookmark) : pages.sections.get(line.section))?.label;
          return (
            <li key={line.key} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={!line.out}
                aria-label={`“${line.words ?? line.heading}” stands in the contents`}
                className="size-3.5 shrink-0 accent-(--stem)"
                onChange={(event) => void changeLine(contents, line.key, { out: !event.target.checked })}
              />
              {contents.numbers && line.number && <span className="text-xs tabular-nums">{line.number}</span>}
              <LineWords contents={contents} line={line} className="min-w-0 flex-1 px-1.5 py-0.5" />
              <span className="w-7 shrink-0 text-right text-xs tabular-nums">{page ?? ""}</span>
            </li>
          );
        })}
      </ul>
      {places && places.bookmarks.length > 0 && (
        <div className="flex items-center gap-2">
          <Select
            label="Bookmark to add a line for"
            value={bookmark}
            words="a bookmark"
            options={places.bookmarks.map((each) => ({ value: each.id, words: each.name }))}
            className="min-w-0 flex-1"
            onChange={setBookmark}
          />
          <Button
            disabled={!chosen}
            onClick={() => {
              if (!chosen) return;
              const level = levelAt(session.state.outline, session.state.positions.get(chosen.section) ?? 0);
              void addLine(contents, {
                bookmark: chosen.id,
                words: chosen.name.replaceAll("_", " "),
                level: Math.min(9, Math.max(1, level + 1)),
              });
              setBookmark("");
            }}
          >
            Add a line
          </Button>
        </div>
      )}
    </>
  );
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

function Fold({ words, children }: { words: string; children: ReactNode }) {
  return (
    <details className="group">
      <summary className="cursor-pointer text-xs font-semibold text-stem">{words}</summary>
      <div className="mt-2 space-y-2.5">{children}</div>
    </details>
  );
}
