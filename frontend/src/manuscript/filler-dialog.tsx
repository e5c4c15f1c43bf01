import { useState, type FormEvent } from "react";
import { insertFiller, MOST_FILLER } from "../editor/filler";
import { Button } from "../parts/button";
import { CountField } from "../parts/count-field";
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
        <CountField label="Paragraphs" value={count} most={MOST_FILLER} onChange={setCount} />
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
