import { ReadFailed, UNREACHABLE } from "../api/client";
import type { Session } from "../document/session";
import { pickedHeads } from "../outline/picks";
import { counted } from "../parts/words";

/** Branches are requests for by so many at a time: thousands may be picked. */
const AT_ONCE = 6;

/** Puts branches with their whole text on the clipboard: as a page for programs that read one, else as Markdown. */
export async function copyBranches(session: Session, sections: Iterable<string>): Promise<void> {
  await session.flush();
  const { outline, positions, id } = session.state;
  const heads = pickedHeads(outline, positions, new Set(sections)).map((head) => outline.ids[head] ?? "");
  // Handed over before they are there, for the browser counts what is copied as the writer’s own only for a moment.
  const page = written(id, "html", heads).then(
    (parts) => new Blob([parts.map(withoutPage).join("")], { type: "text/html" }),
  );
  const plain = page
    .then(() => written(id, "md", heads))
    .then((parts) => new Blob([parts.join("\n")], { type: "text/plain" }));
  try {
    await session.changes.inTurn(() =>
      navigator.clipboard.write([new ClipboardItem({ "text/html": page, "text/plain": plain })]),
    );
    session.messages.say(`${counted(heads.length, "branch", "branches")} copied, headings and text.`);
  } catch {
    const failure: unknown = await plain.then(
      () => null,
      (error: unknown) => error,
    );
    session.messages.say(
      failure instanceof ReadFailed
        ? failure.message
        : "The browser did not let the branch be copied; allow this page to use the clipboard and try again.",
      "warning",
    );
  }
}

async function written(id: string, format: "html" | "md", heads: readonly string[]): Promise<string[]> {
  const parts: string[] = [];
  for (let from = 0; from < heads.length; from += AT_ONCE) {
    const requests = heads
      .slice(from, from + AT_ONCE)
      .map((head) =>
        fetch(`/api/documents/${id}/export?${new URLSearchParams({ format, sections: head, numbers: "none" })}`).catch(
          () => null,
        ),
      );
    for (const answer of await Promise.all(requests)) {
      if (!answer?.ok)
        throw new ReadFailed(answer ? "What was to be copied is not there any more; nothing was copied." : UNREACHABLE);
      parts.push(await answer.text());
    }
  }
  return parts;
}

/** What a page shows, without the page. */
function withoutPage(html: string): string {
  return new DOMParser().parseFromString(html, "text/html").body.innerHTML;
}
