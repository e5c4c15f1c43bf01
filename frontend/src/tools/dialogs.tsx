import { NameDialog } from "../parts/name-dialog";
import { counted, wholeNumber } from "../parts/words";
import { useDocument, useSession } from "../document/context";
import { NewKindAtCursor } from "../manuscript/new-kind-at-cursor";
import { KeysDialog } from "../keys/keys-dialog";
import { closeDialog, useOpenDialog } from "../window/open-dialog";
import { AboutDialog } from "./about-dialog";
import { StandingDialog } from "./standing-dialog";
import { MarkerDialog } from "./marker-dialog";
import { NestDialog } from "./nest-dialog";
import { HeadingReview } from "./review/heading-review";
import { ImportIntoDialog } from "./import-into-dialog";
import { ToDocumentDialog } from "./to-document-dialog";
import { DeadLinksDialog } from "./dead-links-dialog";
import { SplitDialog } from "./review/split-dialog";

/** The dialog that is open just now. */
export function Dialogs() {
  const session = useSession("Dialogs");
  const title = useDocument("Dialogs", (state) => state.titleBlock.title);
  const dialog = useOpenDialog((state) => state.dialog);
  if (!dialog) return null;
  switch (dialog.kind) {
    case "likely-headings":
      return <HeadingReview onClose={closeDialog} />;
    case "split":
      return <SplitDialog section={dialog.section} onClose={closeDialog} />;
    case "import":
      return <ImportIntoDialog target={dialog.target} landing={dialog.landing} onClose={closeDialog} />;
    case "standing":
      return <StandingDialog target={dialog.target} onClose={closeDialog} />;
    case "nest":
      return <NestDialog sections={dialog.sections} onClose={closeDialog} />;
    case "marker":
      return <MarkerDialog sections={dialog.sections} onClose={closeDialog} />;
    case "target":
      return (
        <NameDialog
          open
          title={`Target for ${counted(dialog.sections.length, "section")}`}
          label="Words wanted in each; 0 takes the target away"
          action="Set the target"
          initial=""
          onClose={closeDialog}
          onName={(words) => {
            const target = wholeNumber(words);
            if (target === null)
              session.messages.say("A target is a whole number of words, like 1,200; no target was set.", "warning");
            else void session.changes.perform({ name: "describe-section", sections: dialog.sections, target });
          }}
        />
      );
    case "new-kind":
      return <NewKindAtCursor of={dialog.of} onClose={closeDialog} />;
    case "about":
      return <AboutDialog onClose={closeDialog} />;
    case "keys":
      return <KeysDialog onClose={closeDialog} />;
    case "to-document":
      return <ToDocumentDialog sections={dialog.sections} onClose={closeDialog} />;
    case "dead-links":
      return <DeadLinksDialog dialog={dialog} onClose={closeDialog} />;
    case "keep-starter":
      return (
        <NameDialog
          open
          title="Keep this outline as a starter"
          label="Its name among the starters; headings and aims are kept, the text is not"
          action="Keep it"
          initial={title}
          onClose={closeDialog}
          onName={(name) => void session.files.keepAsStarter(name)}
        />
      );
    default:
      return dialog satisfies never;
  }
}
