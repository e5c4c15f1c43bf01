import { TextSelection } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import type { Node as TextNode } from "@tiptap/pm/model";
import { newId } from "../document/new-id";
import { fromJson, passageOf, toJson, type Passage } from "./passage";

/** What was cut or copied here lies on the clipboard twice: as HTML for other programs, and part by part for ourselves. */
const OURS = "data-stemmata";
/** Pictures up to this size go along within the HTML (dots). */
const MOST_DOTS = 16_000_000;

/** Puts the selection on the clipboard; false when nothing is selected. */
export function putOnClipboard(
  view: EditorView,
  to: DataTransfer,
  document: string,
  levelOf: (section: TextNode) => number,
): boolean {
  const { selection } = view.state;
  if (selection.empty) return false;
  const { dom, text } = view.serializeForClipboard(selection.content());
  const passage = passageOf(selection, document, levelOf);
  // Words within a line go as such, and not as a line of their own.
  const isWords = selection instanceof TextSelection && selection.$from.sameParent(selection.$to);
  const holder = window.document.createElement("div");
  holder.append(...forOthers(dom, view.dom, isWords));
  const first = holder.firstElementChild ?? holder.appendChild(wrapped(holder));
  first.setAttribute(OURS, JSON.stringify({ key: ownKey(), passage: toJson(passage) }));
  to.clearData();
  to.setData("text/html", holder.innerHTML);
  to.setData("text/plain", text);
  return true;
}

/** A passage that was put there from a page of ours in this browser; null for all else. */
export function passageIn(html: string): Passage | null {
  if (!html.includes(OURS)) return null;
  const held = new DOMParser().parseFromString(html, "text/html").querySelector(`[${OURS}]`)?.getAttribute(OURS);
  try {
    const { key, passage } = JSON.parse(held ?? "null") as { key: string; passage: unknown };
    return key === ownKey() ? fromJson(passage) : null;
  } catch {
    return null;
  }
}

/** Nobody else can make a passage that is taken without being read as foreign HTML is. */
function ownKey(): string {
  const name = "stemmata:clipboard";
  const key = localStorage.getItem(name) ?? `${newId()}${newId()}`;
  localStorage.setItem(name, key);
  return key;
}

function wrapped(holder: HTMLElement): HTMLElement {
  const span = window.document.createElement("span");
  span.append(...holder.childNodes);
  return span;
}

/** The text in the parts that HTML has for it, as other programs know them. */
function forOthers(dom: HTMLElement, shown: HTMLElement, isWords: boolean): Node[] {
  for (const part of dom.querySelectorAll("[data-pm-slice]")) part.removeAttribute("data-pm-slice");
  const make = (name: string, text = "") => {
    const element = window.document.createElement(name);
    element.textContent = text;
    return element;
  };
  for (const row of dom.querySelectorAll("tr.caption")) {
    const caption = make("caption");
    caption.append(...(row.firstElementChild?.childNodes ?? []));
    const table = row.closest("table");
    row.remove();
    if (caption.childNodes.length > 0) table?.prepend(caption);
  }
  for (const mark of dom.querySelectorAll<HTMLElement>("span.bookmark")) {
    const anchor = make("a");
    anchor.id = mark.dataset["name"] ?? "";
    mark.replaceWith(anchor);
  }
  for (const mark of dom.querySelectorAll(".bookmark-end, .reminder")) mark.remove();
  // Words that come from the outline stand on the screen and not in the text.
  const onScreen = [...shown.querySelectorAll<HTMLElement>(".cross-reference, .contents")];
  for (const part of dom.querySelectorAll<HTMLElement>(".cross-reference, .contents"))
    part.textContent =
      onScreen.find(
        ({ className, dataset }) =>
          className === part.className &&
          dataset["target"] === part.dataset["target"] &&
          dataset["shows"] === part.dataset["shows"],
      )?.textContent ?? "";
  for (const part of dom.querySelectorAll<HTMLElement>(".formula, .formula-block"))
    part.textContent = part.dataset["source"] ?? "";
  const notes = [...dom.querySelectorAll("span.footnote")].map((note, index) => {
    const sign = make("sup", String(index + 1));
    const line = make("p", `${index + 1} `);
    line.append(...note.childNodes);
    note.replaceWith(sign);
    return line;
  });
  for (const picture of dom.querySelectorAll("img")) {
    const source = picture.getAttribute("src") ?? "";
    picture.src =
      within([...shown.querySelectorAll("img")].find((each) => each.getAttribute("src") === source)) ?? source;
  }
  for (const section of dom.querySelectorAll("section")) section.replaceWith(...section.childNodes);
  if (isWords && dom.children.length === 1 && notes.length === 0) {
    let inner: Element = dom.firstElementChild!;
    while (
      inner.children.length === 1 &&
      inner.childNodes.length === 1 &&
      /^(?:UL|OL|LI|BLOCKQUOTE|TABLE|TBODY|TR|FIGURE)$/.test(inner.tagName)
    )
      inner = inner.firstElementChild!;
    return [...inner.childNodes];
  }
  return [...dom.childNodes, ...notes];
}

/** A picture as an address that holds it (RFC 2397); null where it is not drawn yet, or too large. */
function within(picture: HTMLImageElement | undefined): string | null {
  const [width, height] = [picture?.naturalWidth ?? 0, picture?.naturalHeight ?? 0];
  if (!picture || width * height === 0 || width * height > MOST_DOTS) return null;
  const canvas = window.document.createElement("canvas");
  [canvas.width, canvas.height] = [width, height];
  try {
    canvas.getContext("2d")?.drawImage(picture, 0, 0);
    return canvas.toDataURL("image/png");
  } catch {
    return null;
  }
}
