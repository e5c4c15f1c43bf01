import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
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
  const { count, format, section } = dialog;
  return (
    <Dialog
      open
      onClose={onClose}
      title={count === 1 ? "One link will lead nowhere" : `${count} links will lead nowhere`}
      description={
        count === 1
          ? "What it leads to is not in the file, where only its words will stand."
          : "What they lead to is not in the file, where only their words will stand."
      }
    >
      <div className="flex justify-end gap-2">
        <Button
          tone="quiet"
          onClick={() => {
            openDrawer("check");
            onClose();
          }}
        >
          {count === 1 ? "Show it" : "Show them"}
        </Button>
        <Button
          tone="stem"
          onClick={() => {
            void session.files.write(format, section);
            onClose();
          }}
        >
          Write the file
        </Button>
      </div>
    </Dialog>
  );
}
