import { useState, type FormEvent } from "react";
import type { KindView } from "../api/client";
import { Button } from "../parts/button";
import { Choices } from "../parts/choices";
import { Dialog } from "../parts/dialog";
import { WIDE_FIELD } from "../parts/field";
import { kindNameOf } from "./kind-name";
import { useShapeKind } from "./use-style-sheet";

type Props = {
  kinds: readonly KindView[];
  /** What it is one of at first. */
  of?: "paragraphs" | "words";
  onClose: () => void;
  onMade: (kind: string, isOfWords: boolean) => void;
};

/** Asks what a kind of the writer’s own is called, and whether it is one of paragraphs or of words. */
export function NewKindDialog({ kinds, of: first = "paragraphs", onClose, onMade }: Props) {
  const shape = useShapeKind();
  const [label, setLabel] = useState("");
  const [of, setOf] = useState<"paragraphs" | "words">(first);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (label.trim() === "") return;
    const name = kindNameOf(label, kinds);
    if (!(await shape(name, { label: label.trim(), of }))) return;
    onClose();
    onMade(name, of === "words");
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="A kind of your own"
      description="An epigraph, a letter, verse; a ship’s name, a term. Whatever is of this kind looks alike."
    >
      <form className="space-y-4" onSubmit={(event) => void submit(event)}>
        <label className="block text-soft">
          What it is called
          <input
            autoFocus
            value={label}
            maxLength={60}
            className={WIDE_FIELD}
            onChange={(event) => setLabel(event.target.value)}
          />
        </label>
        <Choices
          label="What is of this kind"
          look="pill"
          className="flex gap-1"
          value={of}
          options={[
            { value: "paragraphs", shows: "Whole paragraphs" },
            { value: "words", shows: "Words in a line" },
          ]}
          onChoose={(next) => setOf(next as typeof of)}
        />
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit" disabled={label.trim() === ""}>
            Make it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
