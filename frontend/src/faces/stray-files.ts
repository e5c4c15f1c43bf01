import type { Session } from "../document/session";

/** A file that is let go where nothing takes it would open in place of the document; here it is refused in words. */
export function refuseStrayFiles(session: Session): () => void {
  const over = (event: DragEvent) => {
    if (event.defaultPrevented || !event.dataTransfer?.types.includes("Files")) return;
    event.preventDefault();
  };
  const drop = (event: DragEvent) => {
    if (event.defaultPrevented || !event.dataTransfer?.types.includes("Files")) return;
    event.preventDefault();
    session.messages.say(
      "A picture can be dropped into the text. Other documents are brought in by “Import a file here…”.",
      "warning",
    );
  };
  window.addEventListener("dragover", over);
  window.addEventListener("drop", drop);
  return () => {
    window.removeEventListener("dragover", over);
    window.removeEventListener("drop", drop);
  };
}
