import { useState, type KeyboardEvent, type ReactNode } from "react";
import type { PageSetup } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { sectionLabel, sectionName } from "../../document/section-name";
import { levelAt } from "../../outline/outline";
import { RunningLineFields } from "../../pages/running-lines";
import { usePageSetup } from "../../pages/page-setup";
import { Button } from "../../parts/button";
import { Choices } from "../../parts/choices";
import { cx } from "../../parts/cx";
import { FIELD, WIDE_FIELD } from "../../parts/field";
import { Select } from "../../parts/select";
import { Tick } from "../../parts/tick";

const PAPERS = [
  { value: "a4", words: "A4, 210 × 297 mm" },
  { value: "a5", words: "A5, 148 × 210 mm" },
  { value: "b5", words: "B5, 176 × 250 mm" },
  { value: "letter", words: "Letter, 8.5 × 11 in" },
  { value: "legal", words: "Legal, 8.5 × 14 in" },
  { value: "digest", words: "Digest, 5.5 × 8.5 in" },
] as const;
const CHAPTERS = [
  { value: "following", words: "where the one before ends" },
  { value: "newPage", words: "on a new page" },
  { value: "rightPage", words: "on a right-hand page" },
] as const;
const MARGINS = ["top", "bottom", "inner", "outer"] as const;
const MARGIN_WORDS = { top: "Top", bottom: "Bottom", inner: "Inner", outer: "Outer" };
const ONE_SIDED_WORDS = { ...MARGIN_WORDS, inner: "Left", outer: "Right" };
const BY_ITSELF = "by itself";

/** How the document looks and stands on pages. Each change is kept at once, and can be undone. */
export function PagesDrawer() {
  const session = useSession("PagesDrawer");
  const { view, change } = usePageSetup();
  const outline = useDocument("PagesDrawer", (state) => state.outline);
  const current = useWindow("PagesDrawer", (state) => state.current);
  if (!view) return <p className="text-soft">Reading the page setup…</p>;
  const { pages, running } = view;
  const chapters = outline.ids
    .filter((_, position) => levelAt(outline, position) === 1)
    .map((id) => ({ value: id, words: sectionLabel(session.state, id) || sectionName(session.state, id) }));
  const restart = current === null ? undefined : pages.restarts[current];
  return (
    <div className="space-y-5 text-soft">
      <Part title="Look">
        <Choices
          label="Look"
          look="card"
          className="space-y-1.5"
          itemClassName="block w-full px-3 py-2"
          value={view.houseStyle}
          options={view.houseStyles.map(({ name, label, about }) => ({
            value: name,
            shows: (
              <>
                <span className="block font-semibold text-ink">{label}</span>
                {about}
              </>
            ),
          }))}
          onChoose={(style) => void session.changes.perform({ name: "use-house-style", style }, { quiet: true })}
        />
      </Part>
      <Part title="Paper">
        <Select
          label="Paper"
          value={pages.paper}
          options={PAPERS}
          className="w-full"
          onChange={(paper) => void change({ paper: paper as PageSetup["paper"] })}
        />
        <div className="grid grid-cols-2 gap-x-2 gap-y-2">
          {MARGINS.map((side) => (
            <NumberField
              key={side}
              unit="mm"
              label={(pages.twoSided ? MARGIN_WORDS : ONE_SIDED_WORDS)[side]}
              value={pages.margins[side] ?? 0}
              onValue={(value) => change({ margins: { [side]: value } })}
            />
          ))}
        </div>
        <Tick checked={pages.twoSided} onTick={(twoSided) => void change({ twoSided })}>
          Printed on both sides
        </Tick>
      </Part>
      <Part title="Chapters and numbers">
        <p>A section of level 1 begins</p>
        <Select
          label="A section of level 1 begins"
          value={pages.chapters}
          options={CHAPTERS}
          className="w-full"
          onChange={(where) => void change({ chapters: where as PageSetup["chapters"] })}
        />
        <Tick checked={pages.romanFront} onTick={(romanFront) => void change({ romanFront })}>
          What stands before the body is numbered i, ii, iii
        </Tick>
        {pages.romanFront && (
          <>
            <p>The body begins with</p>
            <Select
              label="The body begins with"
              value={pages.bodyFrom ?? BY_ITSELF}
              options={[{ value: BY_ITSELF, words: "the first numbered chapter" }, ...chapters]}
              className="w-full"
              onChange={(from) => void change({ bodyFrom: from === BY_ITSELF ? null : from })}
            />
          </>
        )}
        {current !== null && (
          <>
            <Tick
              checked={restart !== undefined}
              onTick={(isSet) => void change({ restarts: { [current]: isSet ? 1 : null } })}
            >
              Page numbers begin anew at “{sectionName(session.state, current)}”
            </Tick>
            {restart !== undefined && (
              <NumberField
                key={current}
                label="Number there"
                value={restart}
                onValue={(number) => change({ restarts: { [current]: number } })}
              />
            )}
          </>
        )}
      </Part>
      <Part title="Title page">
        <Tick checked={pages.titlePage} onTick={(titlePage) => void change({ titlePage })}>
          The title stands on a page of its own
        </Tick>
        {pages.titlePage && (
          <label className="block">
            Lines under the author, one each
            <textarea
              key={pages.titleLines.join("\n")}
              defaultValue={pages.titleLines.join("\n")}
              rows={3}
              onBlur={(event) => {
                const titleLines = event.target.value.split("\n").filter((line) => line.trim() !== "");
                if (titleLines.join("\n") !== pages.titleLines.join("\n")) void change({ titleLines });
              }}
              className={WIDE_FIELD}
            />
          </label>
        )}
      </Part>
      <Part title="Headers and footers">
        <RunningLineFields
          label={pages.twoSided ? "Header on the right" : "Header"}
          line={running.header}
          onChange={(header) => change({ header })}
        />
        {pages.twoSided && (
          <RunningLineFields
            label="Header on the left"
            line={running.evenHeader}
            onChange={(evenHeader) => change({ evenHeader })}
          />
        )}
        <RunningLineFields
          label={pages.twoSided ? "Footer on the right" : "Footer"}
          line={running.footer}
          onChange={(footer) => change({ footer })}
        />
        {pages.twoSided && (
          <RunningLineFields
            label="Footer on the left"
            line={running.evenFooter}
            onChange={(evenFooter) => change({ evenFooter })}
          />
        )}
        <RunningLineFields
          label="Header where a chapter begins"
          line={running.firstHeader}
          onChange={(firstHeader) => change({ firstHeader })}
        />
        <RunningLineFields
          label="Footer where a chapter begins"
          line={running.firstFooter}
          onChange={(firstFooter) => change({ firstFooter })}
        />
      </Part>
      <Part title="The file">
        <p>PDF with its outline, links and language, which a screen reader can read (PDF/UA-1), or for an archive.</p>
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => void session.files.writePdf("ua-1")}>Accessible (PDF/UA)</Button>
          <Button onClick={() => void session.files.writePdf("a-2u")}>For an archive</Button>
        </div>
      </Part>
      {view.isOwn && (
        <Button onClick={() => void session.changes.perform({ name: "set-up-pages", pages: null }, { quiet: true })}>
          As the look has it
        </Button>
      )}
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="space-y-2.5">
      <h3 className="text-xs font-semibold text-stem">{title}</h3>
      {children}
    </section>
  );
}

/** A number that is kept when the field is left or by Enter. What was refused is told, and the field has the number there was. */
function NumberField({
  label,
  value,
  unit = "",
  onValue,
}: {
  label: string;
  value: number;
  unit?: string;
  onValue: (value: number) => Promise<boolean>;
}) {
  const session = useSession("NumberField");
  const [typed, setTyped] = useState(`${value}`);
  const [kept, setKept] = useState(value);
  // Undo, and another window, change it as well.
  if (kept !== value) {
    setKept(value);
    setTyped(`${value}`);
  }
  const keep = async () => {
    const next = typed.trim() === "" ? NaN : Number(typed.trim().replace(",", "."));
    if (next === value) return;
    if (Number.isNaN(next))
      session.messages.say(`“${typed.trim()}” is no number. ${label} stays at ${value}.`, "warning");
    if (Number.isNaN(next) || !(await onValue(next))) setTyped(`${value}`);
  };
  const pressed = (event: KeyboardEvent) => {
    if (event.key === "Enter") void keep();
    // Where nothing is typed that is not kept, it is the change of the pages that is undone.
    if (!(event.ctrlKey || event.metaKey) || event.altKey || typed !== `${value}`) return;
    const key = event.key.toLowerCase();
    if (key !== "z" && key !== "y") return;
    event.preventDefault();
    void (key === "y" || event.shiftKey ? session.changes.redo() : session.changes.undo());
  };
  return (
    <label className="flex items-center gap-1">
      <span className="flex-1">{label}</span>
      <input
        inputMode="decimal"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={pressed}
        className={cx(FIELD, "w-14 px-1.5 py-1 text-right")}
      />
      {unit}
    </label>
  );
}
