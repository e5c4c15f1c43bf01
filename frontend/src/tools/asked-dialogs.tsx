import { NameDialog } from "../parts/name-dialog";
import { counted, wholeNumber } from "../parts/words";
import { useDocument, useSession } from "../document/context";
import { KeysDialog } from "../keys/keys-dialog";
import { asked, useAsking } from "../window/asking";
import { MarkerDialog } from "./marker-dialog";
import { NestDialog } from "./nest-dialog";
import { HeadingReview } from "./review/heading-review";
import { ImportIntoDialog } from "./import-into-dialog";
import { ToDocumentDialog } from "./to-document-dialog";
import { DeadLinksDialog } from "./dead-links-dialog";
import { SplitDialog } from "./review/split-dialog";

/** Whatever the writer is being asked about just now. */
export function AskedDialogs() {
  const session = useSession("AskedDialogs");
  const title = useDocument("AskedDialogs", (state) => state.titleBlock.title);
  const asking = useAsking((state) => state.asking);
  if (!asking) return null;
  switch (asking.kind) {
    case "likely-headings":
      return <HeadingReview onClose={asked} />;
    case "split":
      return <SplitDialog section={asking.section} onClose={asked} />;
    case "import":
      return <ImportIntoDialog target={asking.target} landing={asking.landing} onClose={asked} />;
    case "nest":
      return <NestDialog sections={asking.sections} onClose={asked} />;
    case "marker":
      return <MarkerDialog sections={asking.sections} onClose={asked} />;
    case "target":
      return (
        <NameDialog
          open
          title={`Target for ${counted(asking.sections.length, "section")}`}
          label="Words wanted in each; 0 takes the target away"
          action="Set the target"
          initial=""
          onClose={asked}
          onName={(words) => {
            const target = wholeNumber(words);
            if (target === null)
              session.messages.say("A target is a whole number of words, like 1,200; no target was set.", "warning");
            else void session.changes.perform({ name: "describe-section", sections: asking.sections, target });
          }}
        />
      );
    case "keys":
      return <KeysDialog onClose={asked} />;
    case "to-document":
      return <ToDocumentDialog sections={asking.sections} onClose={asked} />;
    case "dead-links":
      return <DeadLinksDialog asking={asking} onClose={asked} />;
    case "keep-starter":
      return (
        <NameDialog
          open
          title="Keep this outline as a starter"
          label="Its name among the starters; headings and aims are kept, the text is not"
          action="Keep it"
          initial={title}
          onClose={asked}
          onName={(name) => void session.files.keepAsStarter(name)}
        />
      );
    default:
      return asking satisfies never;
  }
}
