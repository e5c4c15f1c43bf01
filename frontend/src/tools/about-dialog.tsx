import { useState, type FormEvent } from "react";
import { useDocument, useSession } from "../document/context";
import { Button } from "../parts/button";
import { Tick } from "../parts/tick";
import { Dialog } from "../parts/dialog";
import { WIDE_FIELD } from "../parts/field";

/** Languages offered by name; any other is written as its tag (BCP 47). */
const OFFERED =
  "ar cs da de el en en-GB en-US es fa fi fr he hi hu it ja ko nb nl pl pt ru sv tr uk ur zh-Hans zh-Hant";

const names = new Intl.DisplayNames(["en"], { type: "language" });

/** What the document says of itself, in every file that is written from it. */
export function AboutDialog({ onClose }: { onClose: () => void }) {
  const session = useSession("AboutDialog");
  const block = useDocument("AboutDialog", (state) => state.titleBlock);
  const [title, setTitle] = useState(block.title);
  const [subtitle, setSubtitle] = useState(block.subtitle);
  const [author, setAuthor] = useState(block.author);
  const [date, setDate] = useState(block.date);
  const [language, setLanguage] = useState(block.language);
  const wasNumbered = useDocument("AboutDialog", (state) => state.numbersCaptions);
  const [isNumbered, setNumbered] = useState(wasNumbered);
  const [problem, setProblem] = useState("");
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const described = {
      name: "describe-document" as const,
      title: title.trim(),
      subtitle: subtitle.trim(),
      author: author.trim(),
      date: date.trim(),
      language: language.trim(),
    };
    const answer = await session.changes.perform(
      isNumbered === wasNumbered
        ? described
        : { name: "batch", operations: [described, { name: "number-captions", numbered: isNumbered }] },
      { quiet: true },
    );
    if (answer.kind === "applied") return onClose();
    session.messages.dismiss();
    setProblem(answer.kind === "refused" ? answer.sentence : "It could not be kept just now; try again.");
  };
  return (
    <Dialog open onClose={onClose} title="About this document" description="It stands in every file written from it.">
      <form onSubmit={(event) => void submit(event)} className="space-y-4">
        <Line label="Title" value={title} onChange={setTitle} />
        <Line label="Subtitle" value={subtitle} onChange={setSubtitle} />
        <Line label="Author, or authors" value={author} onChange={setAuthor} />
        <Line label="Date, in any words: March 2026" value={date} onChange={setDate} />
        <Line
          label="Language, by its tag: en, de-AT, ar"
          value={language}
          list="languages"
          onChange={(next) => (setLanguage(next), setProblem(""))}
        />
        <datalist id="languages">
          {OFFERED.split(" ").map((tag) => (
            <option key={tag} value={tag}>
              {names.of(tag)}
            </option>
          ))}
        </datalist>
        <Tick checked={isNumbered} onTick={setNumbered}>
          Pictures and tables with words under or over them are numbered
        </Tick>
        <p role="alert" className="text-loss empty:hidden">
          {problem}
        </p>
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit">
            Keep this
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

type LineProps = { label: string; value: string; list?: string; onChange: (value: string) => void };

function Line({ label, value, list, onChange }: LineProps) {
  return (
    <label className="block text-soft">
      {label}
      <input
        value={value}
        list={list}
        maxLength={300}
        onChange={(event) => onChange(event.target.value)}
        className={WIDE_FIELD}
      />
    </label>
  );
}
