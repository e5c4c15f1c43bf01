import {
  Schema,
  type Attrs,
  type AttributeSpec,
  type DOMOutputSpec,
  type MarkSpec,
  type Node as TextNode,
  type NodeSpec,
  type NodeType,
  type TagParseRule,
} from "@tiptap/pm/model";
import table from "../generated/body-schema.json";
import { isSeen, seeShape, type ShapeOf } from "./seen-shapes";
import { innerId, keptFile, readTarget } from "./target";

/**
 * The editor's schema, made from the core's own table of what a text may hold. Added here is only how each part is drawn
 * and recognised in pasted HTML. The text that is edited is a run of sections, each with its heading and its blocks; the
 * opening has no heading.
 */

type Drawn = { toDOM: (node: TextNode) => DOMOutputSpec; parseDOM?: TagParseRule[]; extra?: Partial<NodeSpec> };

const DAMAGED =
  "The text of this section is damaged and cannot be read. What is kept of it stands below, as it is; the history may hold an earlier state.";

const DRAWN: Record<string, Drawn> = {
  paragraph: {
    toDOM: (node) => [
      "p",
      {
        ...(node.attrs["kind"] ? { class: KIND_CLASS + String(node.attrs["kind"]) } : {}),
        ...shapeDrawn("paragraphs", "data-shape", node.attrs["shape"]),
      },
      0,
    ],
    parseDOM: [
      {
        tag: "p",
        getAttrs: (element) => ({
          kind: kindInClasses(element),
          shape: shapeIn("paragraphs", element.getAttribute("data-shape")),
        }),
      },
      { tag: "h1,h2,h3,h4,h5,h6" },
    ],
  },
  quotation: { toDOM: () => ["blockquote", 0], parseDOM: [{ tag: "blockquote" }], extra: { defining: true } },
  bulletList: { toDOM: () => ["ul", 0], parseDOM: [{ tag: "ul" }] },
  orderedList: {
    toDOM: (node) => [
      "ol",
      {
        start: String(node.attrs["start"]),
        ...(node.attrs["style"]
          ? { type: LIST_TYPES[String(node.attrs["style"])], "data-style": String(node.attrs["style"]) }
          : {}),
      },
      0,
    ],
    parseDOM: [
      {
        tag: "ol",
        getAttrs: (element) => ({
          start: Number(element.getAttribute("start") ?? 1) || 1,
          style: styleOfList(element.getAttribute("type")),
        }),
      },
    ],
  },
  listItem: { toDOM: () => ["li", 0], parseDOM: [{ tag: "li" }], extra: { defining: true } },
  codeBlock: {
    toDOM: () => ["pre", ["code", 0]],
    parseDOM: [{ tag: "pre", preserveWhitespace: "full" }],
    extra: { code: true, defining: true },
  },
  figure: {
    toDOM: (node) => ["figure", ["img", drawnImage(node)], ["figcaption", 0]],
    parseDOM: [
      {
        tag: "figure",
        contentElement: "figcaption",
        getAttrs: (element) => imageAttributes(element.querySelector("img")),
      },
    ],
    extra: { isolating: true },
  },
  table: {
    // As style sheets for paged media name it (CSS Paged Media Module Level 3, 6.1).
    toDOM: (node) => ["table", node.attrs["landscape"] === true ? { style: "page: landscape" } : {}, ["tbody", 0]],
    parseDOM: [
      {
        tag: "table",
        getAttrs: (element) => ({
          landscape: /(?:^|;)\s*page:\s*landscape\b/.test(element.getAttribute("style") ?? "") || null,
        }),
      },
    ],
    extra: { isolating: true },
  },
  caption: {
    toDOM: () => ["tr", { class: "caption", role: "none" }, ["td", { colspan: "99", role: "caption" }, 0]],
    parseDOM: [{ tag: "caption" }],
  },
  tableRow: { toDOM: () => ["tr", 0], parseDOM: [{ tag: "tr" }] },
  tableCell: {
    toDOM: (node) => [
      node.attrs["header"] ? "th" : "td",
      {
        ...(node.attrs["align"] ? { style: `text-align: ${String(node.attrs["align"])}` } : {}),
        ...(node.attrs["columns"] ? { colspan: String(node.attrs["columns"]) } : {}),
        ...(node.attrs["rows"] ? { rowspan: String(node.attrs["rows"]) } : {}),
      },
      0,
    ],
    parseDOM: [
      { tag: "td", getAttrs: (element) => ({ header: false, ...spansOf(element) }) },
      { tag: "th", getAttrs: (element) => ({ header: true, ...spansOf(element) }) },
    ],
    extra: { isolating: true },
  },
  calculation: {
    toDOM: () => ["pre", { class: "calculation" }, 0],
    parseDOM: [{ tag: "pre.calculation", priority: 60 }],
    extra: { defining: true },
  },
  formulaBlock: {
    toDOM: (node) => ["div", { class: "formula-block", "data-source": String(node.attrs["source"]) }],
    parseDOM: [{ tag: "div.formula-block", getAttrs: (element) => ({ source: element.dataset["source"] ?? "" }) }],
    extra: { selectable: true },
  },
  formula: {
    toDOM: (node) => ["span", { class: "formula", "data-source": String(node.attrs["source"]) }],
    parseDOM: [{ tag: "span.formula", getAttrs: (element) => ({ source: element.dataset["source"] ?? "" }) }],
  },
  separator: { toDOM: () => ["hr"], parseDOM: [{ tag: "hr" }] },
  pageBreak: {
    toDOM: () => ["div", { class: "page-break", "aria-label": "Page break" }],
    parseDOM: [{ tag: "div.page-break" }],
  },
  contents: { toDOM: () => ["div", { class: "contents" }], extra: { selectable: true } },
  // What the database holds in place of a text that was damaged: shown whole, taken out as one, never typed in.
  unreadable: {
    toDOM: () => ["div", { class: "unreadable", contenteditable: "false" }, ["p", DAMAGED], ["pre", 0]],
    extra: { code: true, isolating: true, selectable: true },
  },
  hardBreak: { toDOM: () => ["br"], parseDOM: [{ tag: "br" }], extra: { linebreakReplacement: true } },
  bookmark: {
    toDOM: (node) => [
      "span",
      { class: "bookmark", "data-id": String(node.attrs["id"]), "data-name": String(node.attrs["name"]) },
      String(node.attrs["name"]),
    ],
    parseDOM: [
      { tag: "span.bookmark", getAttrs: (element) => ({ id: element.dataset["id"], name: element.dataset["name"] }) },
    ],
  },
  bookmarkEnd: {
    toDOM: (node) => ["span", { class: "bookmark-end", "data-id": String(node.attrs["id"]) }],
    parseDOM: [{ tag: "span.bookmark-end", getAttrs: (element) => ({ id: element.dataset["id"] }) }],
  },
  reminder: {
    toDOM: (node) => [
      "span",
      {
        class: `reminder${node.attrs["settled"] === true ? " settled" : ""}`,
        "data-id": String(node.attrs["id"]),
        "data-words": String(node.attrs["words"]),
        role: "img",
        "aria-label": `Reminder: ${String(node.attrs["words"])}`,
      },
    ],
    parseDOM: [
      {
        tag: "span.reminder",
        getAttrs: (element) => ({
          id: element.dataset["id"],
          words: element.dataset["words"],
          settled: element.classList.contains("settled") || null,
        }),
      },
    ],
  },
  image: {
    toDOM: (node) => ["img", drawnImage(node)],
    parseDOM: [{ tag: "img", getAttrs: imageAttributes }],
  },
  crossReference: {
    toDOM: (node) => [
      "span",
      {
        class: "cross-reference",
        "data-target": String(node.attrs["href"]),
        "data-shows": String(node.attrs["shows"]),
      },
    ],
    parseDOM: [
      {
        tag: "span.cross-reference",
        getAttrs: (element) => ({ href: element.dataset["target"], shows: element.dataset["shows"] }),
      },
    ],
  },
  footnote: { toDOM: () => ["span", { class: "footnote", role: "note" }, 0], parseDOM: [{ tag: "span.footnote" }] },
};

const DEFAULTS: Record<string, unknown> = {
  start: 1,
  header: false,
  numbers: true,
  lines: [],
  src: "",
  alt: "",
  title: "",
  shows: "both",
  source: "",
};

/** How HTML names what lists are counted with (HTML standard, 4.4.5). */
const LIST_TYPES: Record<string, string> = { lowerLetter: "a", upperLetter: "A", lowerRoman: "i", upperRoman: "I" };

function styleOfList(type: string | null): string | null {
  return Object.entries(LIST_TYPES).find(([, each]) => each === type)?.[0] ?? null;
}

/** As many columns and rows as a cell spans, where they are more than one. */
function spansOf(cell: HTMLElement): { columns: number | null; rows: number | null } {
  const span = (name: string) => {
    const count = Math.min(1000, Number(cell.getAttribute(name) ?? 1) || 1);
    return count > 1 ? count : null;
  };
  return { columns: span("colspan"), rows: span("rowspan") };
}

/** A kind of the writer’s own is a class, as in web pages. */
const KIND_CLASS = "kind-";

function kindInClasses(element: HTMLElement): string | null {
  const found = [...element.classList].find((each) => KIND_NAME.test(each));
  return found === undefined ? null : found.slice(KIND_CLASS.length);
}

const KIND_NAME = /^kind-[a-z][a-z0-9-]{0,39}$/;

/** What is said by hand, as an attribute that rules are for. */
function shapeDrawn(of: ShapeOf, attribute: string, said: unknown): Record<string, string> {
  if (typeof said !== "string" || said === "") return {};
  seeShape(of, said);
  return { [attribute]: said };
}

/** What no text of ours says is nothing that we would keep. */
function shapeIn(of: ShapeOf, said: string | null): string | null {
  return said !== null && isSeen(of, said) ? said : null;
}

const MARKS: Record<string, MarkSpec> = {
  shape: {
    toDOM: (mark) => ["span", shapeDrawn("words", "data-word-shape", mark.attrs["said"]), 0],
    parseDOM: [
      {
        tag: "span[data-word-shape]",
        getAttrs: (element) => {
          const said = shapeIn("words", element.getAttribute("data-word-shape"));
          return said === null ? false : { said };
        },
      },
    ],
  },
  kind: {
    toDOM: (mark) => ["span", { class: KIND_CLASS + String(mark.attrs["name"]) }, 0],
    parseDOM: [
      {
        tag: "span[class]",
        getAttrs: (element) => {
          const name = kindInClasses(element);
          return name === null ? false : { name };
        },
      },
    ],
  },
  link: {
    inclusive: false,
    toDOM: (mark) => [
      "a",
      {
        href: hrefOf(String(mark.attrs["href"])),
        ...(mark.attrs["title"] ? { title: String(mark.attrs["title"]) } : {}),
        "data-target": String(mark.attrs["href"]),
      },
      0,
    ],
    parseDOM: [{ tag: "a[href]", getAttrs: (element) => linkAttributes(element) }],
  },
  emphasis: { toDOM: () => ["em", 0], parseDOM: [{ tag: "em" }, { tag: "i" }, { style: "font-style=italic" }] },
  strong: {
    toDOM: () => ["strong", 0],
    parseDOM: [
      { tag: "strong" },
      { tag: "b", getAttrs: (element) => element.style.fontWeight !== "normal" && null },
      { style: "font-weight=bold" },
    ],
  },
  code: { code: true, toDOM: () => ["code", 0], parseDOM: [{ tag: "code" }] },
  struck: { toDOM: () => ["s", 0], parseDOM: [{ tag: "s,strike,del" }, { style: "text-decoration=line-through" }] },
  superscript: { excludes: "subscript", toDOM: () => ["sup", 0], parseDOM: [{ tag: "sup" }] },
  subscript: { excludes: "superscript", toDOM: () => ["sub", 0], parseDOM: [{ tag: "sub" }] },
};

const MARK_ATTRIBUTES: Record<string, Record<string, AttributeSpec>> = {
  link: { href: {}, title: { default: null } },
  kind: { name: {} },
  shape: { said: {} },
};

type TableRow = { group: string | null; content: string | null; marks: boolean; attributes: Record<string, string> };

function nodeSpec(name: string, row: TableRow): NodeSpec {
  if (name === "text") return { group: "inline" };
  const drawn = DRAWN[name];
  if (!drawn) throw new Error(`The core knows a part “${name}” that the editor cannot draw.`);
  const attrs: Record<string, AttributeSpec> = {};
  for (const attribute of Object.keys(row.attributes)) attrs[attribute] = { default: DEFAULTS[attribute] ?? null };
  return {
    ...(row.group === null ? {} : { group: row.group }),
    ...(row.content === null ? {} : { content: row.content }),
    inline: row.group === "inline",
    marks: row.marks ? "_" : row.content === "inline*" || row.content === "text*" ? "" : "_",
    attrs,
    toDOM: drawn.toDOM,
    ...(drawn.parseDOM ? { parseDOM: drawn.parseDOM } : {}),
    ...drawn.extra,
  };
}

const rows = table.nodes as Record<string, TableRow>;

/** Whether an attribute of a part is written only where it says something; the kinds are the core’s. */
export function isSparse(type: string, attribute: string): boolean {
  return rows[type]?.attributes[attribute]?.endsWith("??") ?? false;
}

export const schema = new Schema({
  nodes: {
    doc: { content: "opening? section*" },
    section: {
      // Each has a heading (`withHeadings` sees to that). To the library it may be missing, so that a stretch from the
      // opening into a section can be taken out or typed over.
      ...sectionSpec("heading? block+"),
      parseDOM: [{ tag: "section[data-section]", getAttrs: copiedAttributes }],
    },
    opening: sectionSpec("block+"),
    heading: {
      content: "inline*",
      // Its level is the section's, and written here only for what is copied to other programs.
      attrs: { level: { default: null } },
      toDOM: (node) => [`h${Math.min(6, Number(node.attrs["level"] ?? 2))}`, { class: "heading" }, 0],
      parseDOM: [
        { tag: "h1.heading,h2.heading,h3.heading,h4.heading,h5.heading,h6.heading", context: "section/", priority: 70 },
      ],
      defining: true,
    },
    ...Object.fromEntries(Object.entries(rows).map(([name, row]) => [name, nodeSpec(name, row)])),
  },
  marks: Object.fromEntries(
    Object.keys(table.marks).map((name) => [name, { ...MARKS[name], attrs: MARK_ATTRIBUTES[name] ?? {} }]),
  ),
});

export function nodeType(name: string): NodeType {
  const type = schema.nodes[name];
  if (!type) throw new Error(`The schema has no “${name}”.`);
  return type;
}

function sectionSpec(content: string): NodeSpec {
  return {
    content,
    // The level of a section that was made here or copied from here, until the outline knows it.
    attrs: { id: { default: null }, level: { default: null } },
    toDOM: (node) => [
      "section",
      {
        class: "section-text",
        "data-section": String(node.attrs["id"]),
        "data-copied-level": String(node.attrs["level"] ?? ""),
      },
      0,
    ],
    defining: true,
  };
}

/** A section that comes from the clipboard is another one; what it was is told by its level alone. */
function copiedAttributes(element: HTMLElement): { id: null; level: number | null } {
  return { id: null, level: Number(element.dataset["copiedLevel"]) || null };
}

/** Pictures are shown from what the document keeps; nothing is fetched from elsewhere while one writes. */
function shownSource(source: string): string {
  if (source.startsWith("picture:")) return `/api/pictures/${source.slice("picture:".length)}`;
  return source.startsWith("data:") ? source : "";
}

/** HTML that was copied here, with the names of its pictures in place of the addresses they are shown from. */
export function withPictureNames(html: string): string {
  return html.replace(/(<img\b[^>]*?\bsrc=")[^"]*?\/api\/pictures\/([0-9a-f]{64})"/g, '$1picture:$2"');
}

function drawnImage(node: TextNode): Record<string, string> {
  const { src, alt, width, decorative } = node.attrs;
  return {
    src: shownSource(String(src)),
    alt: String(alt),
    ...(decorative === true ? { role: "presentation" } : {}),
    ...(typeof width === "number" ? { style: `width: ${width}%` } : {}),
  };
}

function imageAttributes(image: HTMLElement | null): Attrs {
  const shown = image?.getAttribute("src") ?? "";
  const source = shown.replace(/^(?:https?:\/\/[^/]+)?\/api\/pictures\/(?=[0-9a-f]{64}$)/, "picture:");
  return {
    src: WITHIN.test(source) || /^https?:|^picture:/.test(source) ? source : "",
    alt: image?.getAttribute("alt") ?? "",
    width: widthOf(image),
    decorative: image?.getAttribute("role") === "presentation" ? true : null,
  };
}

/** In hundredths of the text’s width; a width in pixels says nothing of that. */
function widthOf(image: HTMLElement | null): number | null {
  const said = /^(\d{1,3})(?:\.\d+)?%$/.exec(image?.style.width || image?.getAttribute("width") || "");
  const width = Number(said?.[1] ?? 0);
  return width >= 5 && width <= 100 ? width : null;
}

/** A picture within its address (RFC 2397), as the core takes it. */
const WITHIN = new RegExp(
  `^data:image/(${table.pictures.kinds.map((kind) => kind.replace("+", "\\+")).join("|")});base64,[A-Za-z0-9+/=]*$`,
);

/** Inner places have no address a browser could follow. */
function hrefOf(target: string): string {
  return innerId(target) === null ? (keptFile(target)?.url ?? target) : `#${target}`;
}

function linkAttributes(element: HTMLElement): { href: string; title: string | null } | false {
  const href = element.dataset["target"] ?? element.getAttribute("href") ?? "";
  // What leads from page to page elsewhere leads nowhere here.
  const isWhole = innerId(href) !== null || /^[a-z][a-z0-9+.-]*:/i.test(href);
  return isWhole && readTarget(href) !== null ? { href, title: element.getAttribute("title") } : false;
}
