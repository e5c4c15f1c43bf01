import type { Session } from "../document/session";
import { pickedHeads } from "../outline/picks";
import { counted } from "../parts/words";

/** Puts branches with their whole text on the clipboard: as a page for programs that read one, else as Markdown. */
export async function copyBranches(session: Session, sections: Iterable<string>): Promise<void> {
  await session.flush();
  const { outline, positions, id } = session.state;
  const heads = pickedHeads(outline, positions, new Set(sections)).map((head) => outline.ids[head] ?? "");
  const written = async (format: "html" | "md") => {
    const parts = await Promise.all(heads.map(async (head) => (await fetch(`/api/documents/${id}/export?${new URLSearchParams({ format, section: head })}`)).text()));
    return new Blob([format === "html" ? parts.map(withoutPage).join("") : parts.join("\n")], { type: format === "html" ? "text/html" : "text/plain" });
  };
  try {
    await navigator.clipboard.write([new ClipboardItem({ "text/html": await written("html"), "text/plain": await written("md") })]);
    session.say(`${counted(heads.length, "branch", "branches")} copied, headings and text.`);
  } catch {
    session.say("The browser did not let the branch be copied; allow this page to use the clipboard and try again.", "warning");
  }
}

/** What a page shows, without the page. */
function withoutPage(html: string): string {
  return new DOMParser().parseFromString(html, "text/html").body.innerHTML;
}
