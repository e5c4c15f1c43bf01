import { NameDialog } from "../../desk/name-dialog";
import { useDocument, useSession } from "../../document/context";
import { asked, useAsking } from "../asking";
import { HeadingReview } from "./heading-review";
import { ImportIntoDialog } from "./import-into-dialog";
import { SplitDialog } from "./split-dialog";

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
    case "keep-starter":
      return (
        <NameDialog
          open
          title="Keep this outline as a starter"
          label="Its name among the starters; headings and aims are kept, the text is not"
          action="Keep it"
          initial={title}
          onClose={asked}
          onName={(name) => void session.keepAsStarter(name)}
        />
      );
    default:
      return asking satisfies never;
  }
}
