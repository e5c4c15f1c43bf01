import { useState, type FormEvent } from "react";
import { insertFiller, MOST_FILLER } from "../editor/filler";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import type { Spot } from "./spot";

/** How many paragraphs stand in for a text that is still to come. */
export function FillerDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const [count, setCount] = useState(3);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onClose();
    const { view } = spot;
    insertFiller(count)(view.state, view.dispatch, view);
    view.focus();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Filler"
      description="Latin words for a text that is still to come. They are marked, not counted, and reported until they are gone."
    >
      <form onSubmit={submit} className="space-y-4">
        <label className="flex items-center gap-2 text-soft">
          Paragraphs
          <input
            type="number"
            required
            min={1}
            max={MOST_FILLER}
            value={count || ""}
            onChange={(event) => setCount(event.target.valueAsNumber || 0)}
            className="w-20 rounded-lg border border-line bg-paper px-3 py-1.5 text-ink"
          />
        </label>
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit">
            Insert the filler
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
