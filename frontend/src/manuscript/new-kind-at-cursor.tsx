import { setParagraphKind, toggleWordKind } from "../editor/kinds";
import { useSpot } from "./spot";
import { openDrawer } from "../window/open-drawer";
import { NewKindDialog } from "../looks/new-kind-dialog";
import { useStyleSheet } from "../looks/use-style-sheet";

/** Makes a kind, and what the cursor is in, or the selected words, one of it; its look is then at hand. */
export function NewKindAtCursor({ of, onClose }: { of: "paragraphs" | "words"; onClose: () => void }) {
  const sheet = useStyleSheet();
  if (!sheet) return null;
  return (
    <NewKindDialog
      kinds={sheet.kinds}
      of={of}
      onClose={onClose}
      onMade={(name, isOfWords) => {
        const view = useSpot.getState().view;
        if (!view) return;
        (isOfWords ? toggleWordKind(name) : setParagraphKind(name))(view.state, view.dispatch);
        openDrawer("look");
      }}
    />
  );
}
