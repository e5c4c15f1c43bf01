import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, read } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { sectionLabel } from "../document/section-name";
import { plainKey } from "../keys/plain-key";
import { counted, formatNumber, readingTime } from "../parts/words";
import { useFindings } from "../places/findings";
import { WordsField } from "./words-field";
import { placesQuery } from "../places/places";
import { ReminderLine } from "../places/reminder-line";

/** What belongs to the section in view, level with its heading. */
export function MarginNotes({ id }: { id: string }) {
  const session = useSession("MarginNotes");
  const document = useDocument("MarginNotes", (state) => state.id);
  const facts = useDocument("MarginNotes", (state) => state.facts.get(id));
  const guiding = useDocument("MarginNotes", (state) => state.titleBlock.guidingStatement);
  const branch = useDocument("MarginNotes", (state) => state.branchWords[state.positions.get(id) ?? -1] ?? 0);
  const isOver = useDocument("MarginNotes", (state) => state.overTarget.has(id));
  const places = useQuery(placesQuery(document));
  const findings = useFindings();
  if (!facts) return null;
  const bookmarks = places.data?.bookmarks.filter((bookmark) => bookmark.section === id) ?? [];
  const reminders = places.data?.reminders.filter(({ section, isSettled }) => section === id && !isSettled) ?? [];
  const reachable = new Set([id, ...bookmarks.map((bookmark) => bookmark.id)]);
  const linkedFrom = [
    ...new Set(
      places.data?.links
        .filter((link) => reachable.has(link.target) && link.section !== id)
        .map((link) => link.section),
    ),
  ];

  return (
    <aside aria-label="Notes on this section" className="absolute inset-y-0 right-0 z-[5] hidden w-[248px] @3xl:block">
      <div className="sticky top-2 space-y-5 pr-5 pl-2 text-[12.5px] text-soft">
        <Note label="Aim">
          <WordsField
            key={`${id} ${facts.aim}`}
            label="Aim of this section"
            value={facts.aim}
            placeholder="What must this section do?"
            onChange={(aim) =>
              void session.changes.perform({ name: "describe-section", sections: [id], aim }, { quiet: true })
            }
          />
        </Note>
        <Note label="Words">
          <Target
            words={branch || facts.words}
            isOver={isOver}
            target={facts.target}
            onChange={(target) =>
              void session.changes.perform({ name: "describe-section", sections: [id], target }, { quiet: true })
            }
          />
          {branch > facts.words && (
            <p>
              {facts.words === 0
                ? "all of them in what is under it"
                : `${formatNumber(facts.words)} of them in its own text`}
            </p>
          )}
        </Note>
        {reminders.length > 0 && (
          <Note label="Still to be done here">
            <ul>
              {reminders.map((reminder) => (
                <ReminderLine key={reminder.id} reminder={reminder} />
              ))}
            </ul>
          </Note>
        )}
        {bookmarks.length > 0 && (
          <Note label="Bookmarks here">
            {bookmarks.map((bookmark) => (
              <button
                key={bookmark.id}
                type="button"
                className="block rounded text-ochre hover:underline"
                onClick={() => session.navigation.goTo({ section: id, bookmark: bookmark.id })}
              >
                {bookmark.name}
              </button>
            ))}
          </Note>
        )}
        {linkedFrom.length > 0 && (
          <Note label="Linked from">
            {linkedFrom.map((section) => (
              <button
                key={section}
                type="button"
                className="block rounded text-left hover:text-stem hover:underline"
                onClick={() => session.navigation.goTo({ section })}
              >
                {sectionLabel(session.state, section)}
              </button>
            ))}
          </Note>
        )}
        {findings.data
          ?.filter(
            (finding) => finding.section === id && finding.rule !== "no-title" && finding.rule !== "missing-part",
          )
          .map((finding) => (
            <p key={`${finding.rule} ${finding.message}`} className="border-l-2 border-ochre pl-2.5 text-ink">
              {finding.message}
            </p>
          ))}
        <LikelyHere id={id} />
        <div className="border-t border-line pt-3">
          <Note label="The whole says" quiet>
            <WordsField
              key={guiding}
              label="Guiding statement of the document"
              value={guiding}
              placeholder="What does the whole say?"
              onChange={(guidingStatement) =>
                void session.changes.perform({ name: "describe-document", guidingStatement }, { quiet: true })
              }
            />
          </Note>
        </div>
      </div>
    </aside>
  );
}

/** Lines of this section that look like headings, each made one with a click. */
function LikelyHere({ id }: { id: string }) {
  const session = useSession("LikelyHere");
  const document = useDocument("LikelyHere", (state) => state.id);
  const revision = useDocument("LikelyHere", (state) => state.facts.get(id)?.revision ?? 0);
  const likely = useQuery({
    queryKey: ["likely-headings", document, "section", id, revision],
    queryFn: () =>
      read(
        api.GET("/api/documents/{id}/likely-headings", { params: { path: { id: document }, query: { section: id } } }),
      ),
    placeholderData: (previous, query) => (query?.queryKey[3] === id ? previous : undefined),
  });
  const lines = likely.data?.flatMap((group) => group.lines).filter((line) => line.level > 0) ?? [];
  return lines.slice(0, 3).map((line) => (
    <p
      key={`${line.block} ${line.text}`}
      className="border-l-2 border-ochre pl-2.5 text-ink"
      title={line.reasons.join(", ")}
    >
      “{line.text}” looks like a heading but is {line.reasons[0] === "all bold" ? "bold text" : "text"}.{" "}
      <button
        type="button"
        className="rounded font-semibold text-stem hover:underline"
        onClick={() =>
          void session.changes.perform({
            name: "make-headings",
            lines: [{ section: line.section, block: line.block, level: line.level }],
          })
        }
      >
        Make it level {line.level}
      </button>
    </p>
  ));
}

function Note({ label, quiet = false, children }: { label: string; quiet?: boolean; children: React.ReactNode }) {
  return (
    <div>
      <h2 className={`mb-1 text-[11px] font-semibold ${quiet ? "text-soft" : "text-stem"}`}>{label}</h2>
      {children}
    </div>
  );
}

function Target({
  words,
  isOver,
  target,
  onChange,
}: {
  words: number;
  isOver: boolean;
  target: number | null;
  onChange: (target: number) => void;
}) {
  const speed = useDocument("Target", (state) => state.readingSpeed);
  const [asking, setAsking] = useState(false);
  const share = target ? Math.min(1, words / target) : 0;
  return (
    <>
      <p className="tabular-nums">
        {target ? `${formatNumber(words)} of ` : `${counted(words, "word")} · `}
        {asking ? (
          <input
            autoFocus
            type="number"
            min={0}
            defaultValue={target ?? ""}
            aria-label="Words wanted"
            className="w-20 rounded border border-line bg-paper px-1"
            onBlur={(event) => (
              setAsking(false),
              Number(event.target.value) !== (target ?? 0) &&
                onChange(Math.max(0, Math.round(Number(event.target.value))))
            )}
            onKeyDown={(event) => plainKey(event) === "Enter" && event.currentTarget.blur()}
          />
        ) : (
          <button
            type="button"
            className="rounded underline decoration-line decoration-dotted underline-offset-4 hover:text-ink"
            onClick={() => setAsking(true)}
          >
            {target ? formatNumber(target) : "set a target"}
          </button>
        )}
      </p>
      {target !== null && (
        <div
          className="my-1.5 h-1 rounded bg-line"
          role="meter"
          aria-label="Words against target"
          aria-valuenow={words}
          aria-valuemin={0}
          aria-valuemax={target}
        >
          <div className={`h-1 rounded ${isOver ? "bg-ochre" : "bg-stem"}`} style={{ width: `${share * 100}%` }} />
        </div>
      )}
      {words > 0 && speed !== null && <p>{readingTime(words, speed)}</p>}
    </>
  );
}
