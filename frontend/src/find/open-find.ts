import type { Session } from "../document/session";
import { openDrawer } from "../window/open-drawer";
import { USUAL, useFind } from "./found";

export const FIND_FIELD = "find-words";
/** Selected words up to this length are what is looked for. */
const LONGEST = 80;

/** Opens the drawer with the field, and the selected words in it. */
export function openFind(session: Session): void {
  const selected = document.activeElement?.closest(".manuscript")
    ? (document.getSelection()?.toString().trim() ?? "")
    : "";
  if (selected !== "" && selected.length <= LONGEST && !selected.includes("\n"))
    useFind.setState({ words: selected, at: -1 });
  openDrawer("find");
  // The drawer is drawn in the next frame.
  requestAnimationFrame(() => {
    const field = document.getElementById(FIND_FIELD);
    if (field instanceof HTMLInputElement) {
      field.focus();
      field.select();
    }
  });
  session.navigation.dropRequest();
}

/** Opens the drawer with what was found on the Desk, and goes to its first place in a section. */
export function openFound(words: string, wanted: string | null): void {
  useFind.setState({ words, manner: USUAL, at: -1, wanted });
  openDrawer("find");
}
