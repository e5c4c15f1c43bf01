import { NodeSelection, TextSelection } from "@tiptap/pm/state";
import { useState, type FormEvent } from "react";
import { useSession } from "../document/context";
import { newId } from "../document/new-id";
import { insertReminder } from "../editor/commands";
import { plainKey } from "../keys/plain-key";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { FIELD } from "../parts/field";
import { mostReminder } from "../generated/body-schema.json";
import type { Spot } from "./spot";

/** Leaves a reminder at the cursor, or changes the one that is selected. */
export function ReminderDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const session = useSession("ReminderDialog");
  const { selection } = spot.view.state;
  const present = selection instanceof NodeSelection && selection.node.type.name === "reminder" ? selection : null;
  const [words, setWords] = useState(String(present?.node.attrs["words"] ?? ""));
  const submit = (event?: FormEvent) => {
    event?.preventDefault();
    const { state, dispatch } = spot.view;
    if (words.trim() === "") return;
    if (present) {
      const tr = state.tr.setNodeMarkup(present.from, null, { ...present.node.attrs, words: words.trim() });
      dispatch(tr.setSelection(TextSelection.create(tr.doc, present.to)));
    } else if (!insertReminder({ id: newId(), words: words.trim() })(state, dispatch))
      session.messages.say("A reminder cannot stand here; put the cursor in a line of text.", "warning");
    onClose();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={present ? "Change the reminder" : "Leave a reminder here"}
      description="It stays with these words wherever they move, and is never counted, printed or written to a file."
    >
      <form onSubmit={submit}>
        <label className="block text-soft">
          What is still to be done here
          <textarea
            autoFocus
            rows={3}
            value={words}
            maxLength={mostReminder}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              if (plainKey(event) !== "Enter" || event.shiftKey) return;
              event.preventDefault();
              submit();
            }}
            className={`${FIELD} mt-2 block w-full resize-none text-base text-ink`}
          />
        </label>
        <div className="mt-4 flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit" disabled={words.trim() === ""}>
            {present ? "Change it" : "Add the reminder"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
