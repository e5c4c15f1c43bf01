import { useState, type FormEvent } from "react";
import { useDocument, useSession } from "../document/context";
import { Button } from "../parts/button";
import { Select } from "../parts/select";
import { Dialog } from "../parts/dialog";
import { WIDE_FIELD } from "../parts/field";

/** Languages offered by name; any other is written as its tag (BCP 47). */
const OFFERED =
  "ar cs da de el en en-GB en-US es fa fi fr he hi hu it ja ko nb nl pl pt ru sv tr uk ur zh-Hans zh-Hant";

const CAPTIONS = [
  { value: "plain", words: "are numbered through: Figure 7" },
  { value: "byChapter", words: "are numbered by chapter: Figure 3.2" },
  { value: "none", words: "bear no numbers" },
] as const;

const names = new Intl.DisplayNames(["en"], { type: "language" });
const OTHER = "another";
/** By name, each with its tag beside it, which files bear. */
const LANGUAGES = [
  ...OFFERED.split(" ")
    .map((tag) => ({ value: tag, words: `${names.of(tag)} · ${tag}` }))
    .toSorted((one, other) => one.words.localeCompare(other.words, "en")),
  { value: OTHER, words: "Another, by its tag…" },
];

/** What the document says of itself, in every file that is written from it. */
export function AboutDialog({ onClose }: { onClose: () => void }) {
  const session = useSession("AboutDialog");
  const block = useDocument("AboutDialog", (state) => state.titleBlock);
  const [title, setTitle] = useState(block.title);
  const [subtitle, setSubtitle] = useState(block.subtitle);
  const [author, setAuthor] = useState(block.author);
  const [date, setDate] = useState(block.date);
  const [language, setLanguage] = useState(block.language);
  const before = useDocument("AboutDialog", (state) => state.captionNumbering);
  const [captions, setCaptions] = useState(before);
  const [isOther, setOther] = useState(!LANGUAGES.some(({ value }) => value === block.language));
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
      captions === before
        ? described
        : { name: "batch", operations: [described, { name: "number-captions", captions }] },
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
        <div className="flex items-center gap-3 text-soft">
          <span id="language">Language</span>
          <Select
            labelledBy="language"
            value={isOther ? OTHER : language}
            options={LANGUAGES}
            className="flex-1"
            onChange={(tag) => (setOther(tag === OTHER), setProblem(""), tag !== OTHER && setLanguage(tag))}
          />
        </div>
        {isOther && (
          <Line
            label="Its tag, such as de-AT or grc"
            value={language}
            onChange={(next) => (setLanguage(next), setProblem(""))}
          />
        )}
        <div className="flex items-center gap-3 text-soft">
          <span id="captions">Pictures and tables with words under or over them</span>
          <Select
            labelledBy="captions"
            value={captions}
            options={CAPTIONS}
            className="flex-1"
            onChange={(chosen) => setCaptions(chosen as typeof captions)}
          />
        </div>
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

type LineProps = { label: string; value: string; onChange: (value: string) => void };

function Line({ label, value, onChange }: LineProps) {
  return (
    <label className="block text-soft">
      {label}
      <input value={value} maxLength={300} onChange={(event) => onChange(event.target.value)} className={WIDE_FIELD} />
    </label>
  );
}
