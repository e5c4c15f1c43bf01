import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { formatNumber } from "../parts/words";
import type { OpenDialog } from "../window/open-dialog";
import { openDrawer } from "../window/open-drawer";

/** Asked before a file is written in which some links would be words only. */
export function DeadLinksDialog({
  dialog,
  onClose,
}: {
  dialog: Extract<OpenDialog, { kind: "dead-links" }>;
  onClose: () => void;
}) {
  const session = useSession("DeadLinksDialog");
  const { count, keptFiles, format, scope } = dialog;
  return (
    <Dialog
      open
      onClose={onClose}
      title={titleOf(count, keptFiles.length)}
      description={
        count === 0
          ? "Files that are kept with the document do not go into what is written; of the links to them only the words will stand there."
          : count === 1
            ? "What it leads to is not in the file, where only its words will stand."
            : "What they lead to is not in the file, where only their words will stand."
      }
    >
      {keptFiles.length > 0 && (
        <p className="mb-4 text-soft">
          {count > 0 && "The same goes for links to files that are kept with the document: "}
          <span className="text-ink">{listed(keptFiles)}</span>
        </p>
      )}
      <div className="flex justify-end gap-2">
        {count > 0 ? (
          <Button
            tone="quiet"
            onClick={() => {
              openDrawer("check");
              onClose();
            }}
          >
            {count === 1 ? "Show it" : "Show them"}
          </Button>
        ) : (
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
        )}
        <Button
          tone="stem"
          onClick={() => {
            void session.files.write(format, scope);
            onClose();
          }}
        >
          Write the file
        </Button>
      </div>
    </Dialog>
  );
}

function titleOf(count: number, files: number): string {
  if (count > 0) return count === 1 ? "One link will lead nowhere" : `${formatNumber(count)} links will lead nowhere`;
  return files === 1 ? "One kept file stays here" : `${formatNumber(files)} kept files stay here`;
}

const list = new Intl.ListFormat("en-GB", { type: "conjunction" });

/** The first few by their names. */
function listed(names: readonly string[]): string {
  const shown = names.slice(0, 4);
  const more = names.length - shown.length;
  return list.format(more > 0 ? [...shown, `${formatNumber(more)} more`] : shown);
}
