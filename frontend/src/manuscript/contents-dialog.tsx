import { useId, useState, type FormEvent } from "react";
import { useSession } from "../document/context";
import { LEVELS } from "../outline/outline";
import { Button } from "../parts/button";
import { Tick } from "../parts/tick";
import { Dialog } from "../parts/dialog";
import { Select } from "../parts/select";
import type { Spot } from "./spot";
import { generateContents } from "./text-commands";
import { WIDE_FIELD } from "../parts/field";

/** Chooses the levels that the contents take in. */
export function ContentsDialog({
  spot,
  section,
  onClose,
}: {
  spot: Spot | null;
  section?: string;
  onClose: () => void;
}) {
  const session = useSession("ContentsDialog");
  const [from, setFrom] = useState(1);
  const [to, setTo] = useState(3);
  const [title, setTitle] = useState("Contents");
  const [numbers, setNumbers] = useState(true);
  const [problem, setProblem] = useState("");
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const place = spot?.section ?? section;
    const refusal =
      place === undefined ? null : await generateContents(session, place, spot?.view ?? null, from, to, title, numbers);
    if (refusal === null) return onClose();
    session.messages.dismiss();
    setProblem(refusal);
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Contents"
      description="A block of links, made from the headings. It says so when they have changed."
    >
      <form onSubmit={(event) => void submit(event)} className="space-y-4">
        <label className="block text-soft">
          Title
          <input value={title} onChange={(event) => setTitle(event.target.value)} className={WIDE_FIELD} />
        </label>
        <div className="flex gap-6">
          <Level label="From level" value={from} onChange={setFrom} />
          <Level label="to level" value={to} onChange={setTo} />
          <Tick checked={numbers} onTick={setNumbers}>
            with numbers
          </Tick>
        </div>
        <p role="alert" className="text-loss empty:hidden">
          {problem}
        </p>
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit">
            Make the contents
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

function Level({ label, value, onChange }: { label: string; value: number; onChange: (level: number) => void }) {
  const id = useId();
  return (
    <span className="flex items-center gap-2 text-soft">
      <span id={id}>{label}</span>
      <Select
        labelledBy={id}
        value={String(value)}
        options={LEVELS.map((level) => ({ value: String(level), words: String(level) }))}
        onChange={(chosen) => onChange(Number(chosen))}
      />
    </span>
  );
}
