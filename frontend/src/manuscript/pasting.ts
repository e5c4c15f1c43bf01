import { Slice } from "@tiptap/pm/model";
import type { EditorView } from "@tiptap/pm/view";
import { api, read } from "../api/client";
import type { Session } from "../document/session";
import { passageIn } from "../editor/clipboard";
import { isInHeading } from "../editor/commands";
import type { Passage } from "../editor/passage";
import { findSection, sectionAround } from "../editor/places";
import { withPictureNames } from "../editor/schema";
import { bodyPosition, sectionNode } from "../editor/section-text";
import { levelAt } from "../outline/outline";
import { insertTable, tabSeparated } from "../editor/table";
import { counted } from "../parts/words";
import { openDialog } from "../window/open-dialog";
import { askAtSpot, followingUp } from "./spot";
import { bodySelection } from "./text-commands";

/** What the clipboard holds, as what it is: a picture, cells of a table, a text with a structure of its own. */
export function paste(
  session: Session,
  view: EditorView,
  from: DataTransfer,
  put: (passage: Passage) => boolean,
): boolean {
  const html = from.getData("text/html");
  const text = from.getData("text/plain");
  const passage = passageIn(html);
  if (passage && !view.state.selection.$from.parent.type.spec.code && put(passage)) return true;
  const file = from.files[0];
  // Office programs lay a picture of the words beside the words.
  if (file && html === "" && text === "") return (askForPicture(session, view, file), true);
  const cells = html === "" && !view.state.selection.$from.parent.type.spec.code ? tabSeparated(text) : null;
  if (cells && insertTable(cells, false)(view.state, view.dispatch)) return true;
  if (html === "" && isMarkdown(text)) offerMarkdown(session, view, text);
  return pasteStructure(session, view, html);
}

/** What is selected goes onto the clipboard, as by the key. */
export function ontoClipboard(view: EditorView, how: "cut" | "copy"): void {
  view.focus();
  document.execCommand(how);
}

/** What another program left on the clipboard is pasted, where the browser lets it be read. */
export async function fromClipboard(session: Session, view: EditorView): Promise<void> {
  view.focus();
  const data = new DataTransfer();
  try {
    for (const item of await navigator.clipboard.read()) {
      for (const type of item.types) {
        const held = await item.getType(type);
        if (type.startsWith("image/")) data.items.add(new File([held], "picture", { type }));
        else data.setData(type, await held.text());
      }
    }
  } catch {
    return session.messages.say("The browser did not let Stemmata read the clipboard; press Ctrl V.", "warning");
  }
  // As by the key: whoever takes care of that takes care of this.
  const event = new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true });
  if (view.someProp("handlePaste", (handle) => handle.call(view, view, event, Slice.empty))) return;
  const html = data.getData("text/html");
  if (html !== "") view.pasteHTML(html);
  else view.pasteText(data.getData("text/plain"));
}

/** A file that was dropped or pasted; only pictures are taken into a text. */
export function askForPicture(session: Session, view: EditorView, file: File): void {
  const section = sectionAround(view.state.selection.$head)?.id;
  if (!file.type.startsWith("image/"))
    return session.messages.say(
      `“${file.name}” is no picture. Other documents are brought in by “Import a file here…”.`,
      "warning",
    );
  if (section === undefined || isInHeading(view.state))
    return session.messages.say(
      "A picture stands in the text, not in a heading. Drop it below the heading.",
      "warning",
    );
  askAtSpot("picture", { section, view }, file);
}

/**
 * Pastes what has headings, or several paragraphs, by way of the server: headings become sections, and what only looks
 * like a heading is offered. Anything less is left to the editor.
 */
function pasteStructure(session: Session, view: EditorView, html: string): boolean {
  const section = sectionAround(view.state.selection.$from)?.id ?? "";
  const selected = bodySelection(view, section);
  if (!selected || isInHeading(view.state) || !hasStructure(html)) return false;
  void readIn(session, section, selected, withPictureNames(html), "html");
  return true;
}

async function readIn(
  session: Session,
  section: string,
  { from, to }: { from: number; to: number },
  text: string,
  kind: "html" | "md",
): Promise<void> {
  const followUp = followingUp();
  const rest = restBehind(session, section, to);
  const answer = await session.changes.paste(section, from, to, text, kind);
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  // The cursor stands behind what was pasted.
  const last = made ?? section;
  followUp(() => {
    const known = session.state.texts.get(last);
    const hasHeading = levelAt(session.state.outline, session.state.positions.get(last) ?? 0) > 0;
    const size = known ? sectionNode(last, known, hasHeading).content.size : 1;
    session.navigation.goTo({ section: last, position: Math.max(1, size - rest) }, { remember: false });
  });
  if (made) return;
  const likely = await read(
    api.GET("/api/documents/{id}/likely-headings", {
      params: { path: { id: session.state.id }, query: { section } },
    }),
  ).catch(() => []);
  const count = likely.reduce((sum, group) => sum + group.lines.length, 0);
  if (count > 0)
    session.messages.offer(
      `${counted(count, "line")} of what was pasted ${count === 1 ? "looks like a heading" : "look like headings"}.`,
      "Review",
      () => openDialog({ kind: "likely-headings" }),
    );
}

/** How much of a section's text stands behind a place in it, as the editor counts; nothing where no words do. */
function restBehind(session: Session, section: string, to: number): number {
  const text = session.typing.textNow(section);
  if (!text) return 0;
  const node = sectionNode(section, { heading: [], body: text.body }, false);
  return node.textBetween(Math.min(to, node.content.size), node.content.size).trim() === ""
    ? 0
    : node.content.size - to;
}

/** Signs of Markdown at the heads of lines and within them (CommonMark 0.31.2). */
const MARKDOWN = /^(?:#{1,6} |\s*(?:[-*+]|\d+[.)]) \S|> |```|\|.*\|$)|\*\*\S[^*]*\*\*|\[[^\]]+\]\([^)\s]+\)/m;

function isMarkdown(text: string): boolean {
  return MARKDOWN.test(text);
}

/** A plain text is pasted as it is; what its signs mean in Markdown is read when the writer says so. */
function offerMarkdown(session: Session, view: EditorView, text: string): void {
  const section = sectionAround(view.state.selection.$from)?.id ?? "";
  const before = bodySelection(view, section);
  if (!before || isInHeading(view.state)) return;
  window.setTimeout(() => {
    const after = bodySelection(view, section);
    if (!after) return;
    const pasted = { from: before.from, to: after.to };
    const words = wordsIn(view, section, pasted);
    session.messages.offer("Pasted as plain text.", "Read its signs as headings and lists", () => {
      if (wordsIn(view, section, pasted) !== words)
        return session.messages.say("What was pasted has changed since; undo, and paste it again.", "warning");
      void readIn(session, section, pasted, text, "md");
    });
  });
}

function wordsIn(view: EditorView, section: string, { from, to }: { from: number; to: number }): string | null {
  const place = findSection(view.state.doc, section);
  if (!place) return null;
  const start = place.start + 1 + (place.node.content.size - bodyPosition(place.node, place.node.content.size));
  const end = Math.min(start + to, view.state.doc.content.size);
  return view.state.doc.textBetween(Math.min(start + from, end), end, "\n");
}

const BLOCKS = /<(?:p|div|li|h[1-6]|tr|blockquote|pre)\b/gi;

/** Text copied from our own manuscript needs no reading: the editor knows its parts. */
function hasStructure(html: string): boolean {
  if (html.includes("data-pm-slice")) return false;
  // Items of lists that are written as paragraphs, and notes that are written as links (Format/Read/Html/Office/OfficeParts).
  if (/style=["'][^"']*-list:|<a\b[^>]*\bname=[^>]*\bhref=["']?#|<a\b[^>]*\bhref=["']?#[^>]*\bname=/i.test(html))
    return true;
  return /<h[1-6]\b|role=["']?heading/i.test(html) || (html.match(BLOCKS)?.length ?? 0) >= 3;
}
