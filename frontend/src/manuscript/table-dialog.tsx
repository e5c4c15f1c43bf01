import { useState, type FormEvent } from "react";
import { useSession } from "../document/context";
import { insertTable, MOST_COLUMNS, MOST_ROWS } from "../editor/table";
import { Button } from "../parts/button";
import { Tick } from "../parts/tick";
import { CountField } from "../parts/count-field";
import { Dialog } from "../parts/dialog";
import type { Spot } from "./spot";

/** How large the table is; it can grow later. */
export function TableDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const session = useSession("TableDialog");
  const [rows, setRows] = useState(3);
  const [columns, setColumns] = useState(3);
  const [hasHeader, setHasHeader] = useState(true);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onClose();
    const empty = Array.from({ length: rows }, () => Array.from({ length: columns }, () => ""));
    const { view } = spot;
    if (!insertTable(empty, hasHeader)(view.state, view.dispatch, view))
      session.messages.say(
        "A table stands in the text: put the cursor into a paragraph, and not into a table.",
        "warning",
      );
    view.focus();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Table"
      description="Tab goes from cell to cell; after the last one it adds a row."
    >
      <form onSubmit={submit} className="space-y-4">
        <div className="flex gap-6">
          <CountField label="Rows" value={rows} most={MOST_ROWS} onChange={setRows} />
          <CountField label="Columns" value={columns} most={MOST_COLUMNS} onChange={setColumns} />
        </div>
        <Tick checked={hasHeader} onTick={setHasHeader}>
          The first row heads the columns
        </Tick>
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit">
            Insert the table
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
