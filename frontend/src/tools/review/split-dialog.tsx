import { useMemo, useState } from "react";
import type { Operation, OperationNamed } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { labelOf } from "../../outline/names";
import { Button } from "../../parts/button";
import { Dialog } from "../../parts/dialog";
import { Progress } from "../../parts/progress";
import { counted, formatNumber } from "../../parts/words";
import { usePreview } from "./preview-outline";

type Rule = OperationNamed<"split-by-rule">["rule"];

const RULES: { rule: Rule; label: string; hint: string }[] = [
  {
    rule: "chapter-lines",
    label: "Chapter lines",
    hint: "Lines such as “Chapter 4” or “Part II: Dusk” become headings.",
  },
  {
    rule: "numbered-lines",
    label: "Numbered lines",
    hint: "Lines such as “2.1 Soils” become headings at the level of their number.",
  },
  { rule: "separators", label: "Separators", hint: "Cut at separators and at lines of stars or dashes." },
  { rule: "page-breaks", label: "Page breaks", hint: "Cut wherever a new page begins." },
  { rule: "words", label: "Length", hint: "Cut after so many words, where a paragraph ends." },
];

const SHOWN = 200;

/** Cuts a long section by a rule; what would come of it is shown before anything changes. */
export function SplitDialog({ section, onClose }: { section: string; onClose: () => void }) {
  const session = useSession("SplitDialog");
  const heading = useDocument("SplitDialog", (state) => state.facts.get(section)?.heading ?? "");
  const [rule, setRule] = useState<Rule>("chapter-lines");
  const [words, setWords] = useState(350);
  const operation = useMemo(
    (): Operation => ({ name: "split-by-rule", sections: [section], rule, ...(rule === "words" ? { words } : {}) }),
    [section, rule, words],
  );
  const preview = usePreview(operation);
  const made = preview.data?.sections.filter((each) => each.isNew) ?? [];
  const split = async () => {
    const answer = await session.changes.perform(operation);
    if (answer.kind === "applied") onClose();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title="Split by rule"
      description={`${heading ? `“${heading}”` : "The opening"} is cut into sections of its own level. No word is lost.`}
    >
      <div className="grid grid-cols-1 gap-6 sm:grid-cols-[220px_minmax(0,1fr)]">
        <fieldset>
          <legend className="mb-1.5 text-soft">Cut at</legend>
          {RULES.map((each) => (
            <label
              key={each.rule}
              className="flex cursor-pointer items-start gap-2 rounded-lg px-2 py-1.5 hover:bg-wash"
            >
              <input
                type="radio"
                name="rule"
                aria-label={each.label}
                checked={rule === each.rule}
                onChange={() => setRule(each.rule)}
                className="mt-1 accent-stem"
              />
              <span>
                <span className={rule === each.rule ? "font-semibold" : ""}>{each.label}</span>
                <span className="block text-xs text-faint">{each.hint}</span>
              </span>
            </label>
          ))}
          {rule === "words" && (
            <label className="mt-2 flex items-center gap-2 px-2 text-soft">
              About
              <input
                type="number"
                min={50}
                max={100000}
                step={50}
                value={words}
                onChange={(event) => setWords(Math.round(Number(event.target.value)))}
                className="w-24 rounded border border-line bg-paper px-2 py-0.5 text-ink"
              />
              words each
            </label>
          )}
        </fieldset>
        <section aria-label="What would come of it" className="min-w-0">
          {preview.isPending && <Progress words="Looking for the places…" />}
          {preview.data && !preview.data.possible && <p className="text-soft">{preview.data.sentence}</p>}
          {made.length > 0 && (
            <>
              <p className="mb-2 text-soft">
                {counted(made.length, "new section")}
                {made.length > SHOWN ? `; the first ${SHOWN} of them:` : ":"}
              </p>
              <ol
                className="max-h-[40vh] space-y-1.5 overflow-auto border-l border-twig pr-2 pl-4"
                tabIndex={0}
                aria-label="New sections"
              >
                {made.slice(0, SHOWN).map((each, index) => (
                  <li key={index}>
                    <p className="flex gap-2">
                      <span className="min-w-0 flex-1 truncate font-semibold">{labelOf(each.name, each.number)}</span>
                      <span className="text-faint tabular-nums">{formatNumber(each.words ?? 0)}</span>
                    </p>
                    <p className="truncate font-text text-[12.5px] text-faint">{each.begins || "no text"}</p>
                  </li>
                ))}
              </ol>
            </>
          )}
        </section>
      </div>
      <div className="mt-6 flex justify-end gap-2">
        <Button tone="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button tone="stem" disabled={made.length === 0 || preview.isPlaceholderData} onClick={() => void split()}>
          {made.length > 0 ? `Split into ${counted(made.length + 1, "section")}` : "Split"}
        </Button>
      </div>
    </Dialog>
  );
}
