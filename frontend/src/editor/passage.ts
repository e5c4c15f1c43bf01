import { Fragment, Node as TextNode, Slice } from "@tiptap/pm/model";
import { TextSelection, type EditorState, type Selection, type Transaction } from "@tiptap/pm/state";
import { sectionAround } from "./places";
import { nodeType, schema } from "./schema";
import { headingOf } from "./section-text";
import { isInTable, putCells, rowsOfTable } from "./table";

/**
 * What was cut or copied here, part by part: whatever can be selected, from a word to a run of sections with tables,
 * pictures and notes. It comes back as what it was; HTML is for other programs.
 */
export type Passage = {
  document: string;
  slice: Slice;
  /** Of each section that begins in it, in order: what it was, and how deep it stood. */
  sections: readonly { id: string; level: number }[];
  /** How deep the section stood that it begins in; 0 for the opening. */
  base: number;
  /** Whether it begins, and ends, in the middle of a line, which then goes on with the words at the place it is put to. */
  isOpen: { before: boolean; after: boolean };
  /** Whether it begins within the words of a heading, so that what it has of that is no heading of its own. */
  isInHeading: boolean;
};

/** What putting a passage in asks of the screen around. */
export type PassageHost = {
  newId(): string;
  /** Whether a section or a bookmark with this id stands in the document. */
  isTaken(id: string): boolean;
  levelOf(section: TextNode): number;
  /** The document that it is put into. */
  document: string;
};

export function passageOf(selection: Selection, document: string, levelOf: (section: TextNode) => number): Passage {
  const { $from, $to } = selection;
  // Within one line, be it in a cell or a note, the words are meant and not what they stand in.
  const isWords = selection instanceof TextSelection && $from.sameParent($to);
  const slice = isWords ? $from.node(0).slice($from.pos, $to.pos) : selection.content();
  const isInHeading = $from.parent.type.name === "heading" && $from.parentOffset > 0;
  const sections: { id: string; level: number }[] = [];
  slice.content.forEach((node) => {
    if (
      node.type.name === "section" &&
      headingOf(node) &&
      !(isInHeading && sections.length === 0 && node === slice.content.firstChild)
    )
      sections.push({ id: String(node.attrs["id"]), level: levelOf(node) });
  });
  const first = sectionAround($from)?.node;
  const base = first?.type.name === "section" ? levelOf(first) : 0;
  const isOpen = {
    before: $from.parentOffset > 0,
    after: $to.parent.inlineContent && $to.parentOffset < $to.parent.content.size,
  };
  return { document, slice, sections, base, isOpen, isInHeading };
}

export function toJson({ slice, ...passage }: Passage): unknown {
  return { ...passage, slice: slice.toJSON() };
}

/** Null for what is no passage of this version. */
export function fromJson(json: unknown): Passage | null {
  try {
    const { slice, ...passage } = json as Omit<Passage, "slice"> & { slice: unknown };
    return { ...passage, slice: Slice.fromJSON(schema, slice) };
  } catch {
    return null;
  }
}

type Run = {
  /** Blocks that stand before the first heading, or inside one line. */
  lead: Fragment;
  sections: { id: string; level: number; heading: TextNode; body: Fragment }[];
  opensBefore: boolean;
  opensAfter: boolean;
  /** Whether the first words of the lead are the end of a heading. */
  isFromHeading: boolean;
};

/** Puts a passage in place of the selection; null where nothing of it can stand. */
export function putPassage(state: EditorState, passage: Passage, host: PassageHost): Transaction | null {
  const tr = state.tr;
  if (!tr.selection.empty) tr.deleteSelection();
  if (!tr.selection.$from.parent.inlineContent) tr.setSelection(TextSelection.near(tr.selection.$from));
  const { $from } = tr.selection;
  const here = sectionAround($from)?.node;
  const run = runOf(renewed(passage, host), passage, here?.type.name === "section" ? host.levelOf(here) : 0);
  const table = run.sections.length === 0 && run.lead.childCount === 1 ? run.lead.firstChild : null;
  if (table?.type.name === "table" && isInTable(state.apply(tr)))
    return putCells(tr, rowsOfTable(table), $from.pos) ?? asLine(tr, run);
  const isInline = run.lead.firstChild?.isInline === true;
  if ($from.parent.type.name === "heading" && !isInline && !isOneLine(run)) return putSections(tr, run, false);
  return run.sections.length === 0 ? putBlocks(tr, run) : putSections(tr, run, !isInBody(tr));
}

const isOneLine = ({ lead, sections }: Run) =>
  sections.length === 0 && lead.childCount === 1 && lead.firstChild!.type.name === "paragraph";

/** Within the text of a section, where blocks can stand. */
function isInBody(tr: Transaction): boolean {
  const { $from } = tr.selection;
  for (let depth = 1; depth <= $from.depth; depth++)
    if ($from.node(depth).type.spec.isolating || $from.node(depth).type.name === "heading") return false;
  return !$from.parent.type.spec.code && $from.parent.type.name !== "footnote";
}

function putBlocks(tr: Transaction, run: Run): Transaction {
  if (!isInBody(tr) || run.lead.firstChild?.isInline === true) return asLine(tr, run);
  return ended(tr, () => joinAt(tr, run));
}

/** In a cell, a caption, a heading or a note: the words one after the other. */
function asLine(tr: Transaction, run: Run): Transaction {
  const parts: Fragment[] = [];
  const take = (content: Fragment) =>
    content.forEach((node) => {
      if (node.isInline) parts[parts.length - 1] = (parts.at(-1) ?? Fragment.empty).append(Fragment.from(node));
      else {
        if (parts.length === 0 || parts.at(-1)!.size > 0) parts.push(Fragment.empty);
        take(node.content);
      }
    });
  if (run.lead.firstChild?.isInline === true) parts.push(Fragment.empty);
  take(run.lead);
  for (const { heading, body } of run.sections) {
    take(Fragment.from(heading));
    take(body);
  }
  const blank = Fragment.from(schema.text(" "));
  const line = parts.reduce((all, part) => (all.size > 0 ? all.append(blank).append(part) : part), Fragment.empty);
  const holder = tr.selection.$from.parent;
  const fits = holder.type.validContent(line) ? line : Fragment.from(plain(line));
  return ended(tr, () => tr.replaceSelection(new Slice(fits, 0, 0)));
}

function plain(line: Fragment): TextNode[] {
  const words = line.textBetween(0, line.size, " ", " ");
  return words === "" ? [] : [schema.text(words)];
}

/**
 * Blocks at the cursor of a paragraph: where the passage was cut through a line, its words go on with those at the cursor,
 * and else they stand between.
 */
function joinAt(tr: Transaction, run: Run): void {
  const { $from } = tr.selection;
  const isLine = $from.parent.type.name === "paragraph";
  // Lists go on in a list; all else goes into the item with the cursor.
  const top = $from.node(2);
  const isListed = [run.lead.firstChild, run.lead.lastChild].some((each) => each?.type === top.type);
  const depth = isListed && isLine ? 2 : $from.depth;
  const block = $from.node(depth);
  const offset = $from.pos - $from.start(depth);
  const start = isLine ? $from.before(depth) : $from.after(depth);
  const end = $from.after(depth);
  const half = (part: TextNode) => Fragment.from(part.content.size > 0 ? part : []);
  const head = isLine ? half(block.cut(0, offset)) : Fragment.empty;
  const tail = isLine ? half(block.cut(offset)) : Fragment.empty;
  const withHead = joined(head, run.lead, run.opensBefore && head.size > 0);
  const made = joined(withHead, tail, run.opensAfter && tail.size > 0);
  const $start = tr.doc.resolve(start);
  const index = $start.index();
  if (!$start.parent.canReplace(index, index + (isLine ? 1 : 0), made)) {
    tr.replaceSelection(new Slice(run.lead, 0, 0));
    return;
  }
  tr.replaceWith(start, end, made);
  const at = start + made.size - restAfter(tail, run.opensAfter);
  tr.setSelection(TextSelection.near(tr.doc.resolve(at), -1));
}

/**
 * Sections at the cursor: the text around it goes to the section with the cursor and to the last one that comes. In a
 * heading what stands behind the cursor goes on under what comes.
 */
function putSections(tr: Transaction, run: Run, isWhole: boolean): Transaction {
  const { $from } = tr.selection;
  const { node: section, start } = sectionAround($from)!;
  const at = $from.pos - start - 1;
  const isInHeading = $from.parent.type.name === "heading";
  const isOpen = !isWhole && (isInHeading || $from.parent.type.name === "paragraph");
  const isAtEnd = $from.parentOffset === $from.parent.content.size;
  const above = isWhole
    ? section.content
    : withoutEmpty(
        section.cut(0, at).content,
        !isInHeading && !run.opensBefore && $from.parentOffset === 0 ? "last" : null,
      );
  const below = isWhole
    ? Fragment.empty
    : isInHeading
      ? goingOn(section.cut(at).content)
      : withoutEmpty(section.cut(at).content, !run.opensAfter && isAtEnd ? "first" : null);
  const opensAfter = isOpen && run.opensAfter && below.size > 0 && !(isInHeading && isAtEnd);
  const isBlank = section.textContent === "" && !hasParts(section);
  // A section that holds nothing, such as one whose all was cut, is what the first one that comes fills.
  const filling = isBlank && run.lead.size === 0 && section.type.name === "section" ? run.sections[0] : undefined;
  const led =
    isInHeading && run.isFromHeading
      ? underHeading(above, run.lead)
      : joined(above, run.lead, isOpen && run.opensBefore);
  const texts = [
    {
      create: (content: Fragment) => section.copy(content),
      content: filling ? Fragment.from(filling.heading).append(filling.body) : led,
    },
    ...run.sections.slice(filling ? 1 : 0).map(({ id, level, heading, body }) => ({
      create: (content: Fragment) => nodeType("section").create({ id, level }, content),
      content: Fragment.from(heading).append(body),
    })),
  ];
  const nodes = texts.map(({ create, content }, index) =>
    create(filled(index === texts.length - 1 && !filling ? joined(content, below, opensAfter) : content)),
  );
  tr.replaceWith(start, start + section.nodeSize, nodes);
  const size = nodes.reduce((sum, node) => sum + node.nodeSize, start);
  const rest = filling ? 0 : restAfter(below, opensAfter);
  return tr
    .setSelection(TextSelection.near(tr.doc.resolve(size - 1 - rest), -1))
    .setMeta("passage", true)
    .scrollIntoView();
}

/** What is left of a heading behind the cursor, as a paragraph before the text under it. */
function goingOn(content: Fragment): Fragment {
  const [heading, ...blocks] = content.content;
  const line = heading && heading.content.size > 0 ? [nodeType("paragraph").create(null, heading.content)] : [];
  const body = Fragment.from([...line, ...blocks]);
  const isBlank =
    body.childCount === 1 && body.firstChild!.type.name === "paragraph" && body.firstChild!.content.size === 0;
  return isBlank ? Fragment.empty : body;
}

/** Words that were the end of a heading go on with the one that the cursor is in. */
function underHeading(above: Fragment, lead: Fragment): Fragment {
  const [line, rest] = firstLine(lead);
  const heading = above.lastChild!;
  return Fragment.from(heading.copy(heading.content.append(line ?? Fragment.empty))).append(
    line === null ? lead : rest,
  );
}

/** Whether there is more in it than a place for words. */
function hasParts(section: TextNode): boolean {
  let found = false;
  section.descendants((node) => void (found ||= node.isAtom || ["table", "figure"].includes(node.type.name)));
  return found;
}

/** From the end of what came to the end of the section that it stands in. */
function restAfter(below: Fragment, isJoined: boolean): number {
  if (!isJoined || below.size === 0) return below.size;
  const [line, rest] = firstLine(below);
  return line === null ? below.size : rest.size + line.size + 1;
}

/** What stood in one line is one line again, and what stood in one list one list. */
function joined(above: Fragment, below: Fragment, isOpen: boolean): Fragment {
  const [last, first] = [above.lastChild, below.firstChild];
  if (!isOpen || !last || !first) return above.append(below);
  const whole = (joint: TextNode, rest: Fragment) => above.replaceChild(above.childCount - 1, joint).append(rest);
  const rest = Fragment.from(below.content.slice(1));
  if (last.sameMarkup(first) && JOINING.has(last.type.name))
    return whole(
      last.copy(last.inlineContent ? last.content.append(first.content) : joined(last.content, first.content, true)),
      rest,
    );
  const [line, others] = firstLine(below);
  const longer = line === null ? null : withLine(last, line);
  return longer ? whole(longer, others) : above.append(below);
}

const JOINING = new Set(["paragraph", "bulletList", "orderedList", "listItem", "quotation"]);

/** The words of the first paragraph, however deep it lies, and what is left without it; null where something else is first. */
function firstLine(blocks: Fragment): [Fragment | null, Fragment] {
  const first = blocks.firstChild;
  if (!first || !JOINING.has(first.type.name)) return [null, blocks];
  const rest = blocks.content.slice(1);
  if (first.inlineContent) return [first.content, Fragment.from(rest)];
  const [line, inner] = firstLine(first.content);
  if (line === null) return [null, blocks];
  const filledUp = first.type.name === "listItem" && inner.firstChild && inner.firstChild.type.name !== "paragraph";
  const left = filledUp ? Fragment.from(nodeType("paragraph").create()).append(inner) : inner;
  return [line, Fragment.from(left.size > 0 ? [first.copy(left), ...rest] : rest)];
}

/** With words at the end of its last paragraph; null where something else is last. */
function withLine(node: TextNode, line: Fragment): TextNode | null {
  if (!JOINING.has(node.type.name)) return null;
  if (node.inlineContent) return node.copy(node.content.append(line));
  const inner = node.lastChild && withLine(node.lastChild, line);
  return inner ? node.copy(node.content.replaceChild(node.childCount - 1, inner)) : null;
}

/** Parts that were cut through lack what they cannot be without. */
function mended(content: Fragment): Fragment {
  const nodes: TextNode[] = [];
  content.forEach((node) => {
    const inner = node.inlineContent || node.isLeaf ? node.content : mended(node.content);
    if (node.type.name === "table") {
      const rows = inner.content.filter(({ type }) => type.name === "tableRow");
      const caption = inner.content.find(({ type }) => type.name === "caption") ?? schema.node("caption");
      nodes.push(
        rows.length > 0
          ? node.copy(Fragment.from([caption, ...rows]))
          : nodeType("paragraph").create(null, caption.content),
      );
    } else if (node.type.name === "listItem" && inner.firstChild?.type.name !== "paragraph")
      nodes.push(node.copy(Fragment.from(nodeType("paragraph").create()).append(inner)));
    else nodes.push(node.isText ? node : node.copy(inner));
  });
  return Fragment.from(nodes);
}

function withoutEmpty(content: Fragment, which: "first" | "last" | null): Fragment {
  const node = which === "first" ? content.firstChild : which === "last" ? content.lastChild : null;
  if (node?.type.name !== "paragraph" || node.content.size > 0) return content;
  return Fragment.from(which === "first" ? content.content.slice(1) : content.content.slice(0, -1));
}

/** A text without blocks has a paragraph to write in. */
function filled(content: Fragment): Fragment {
  const isBare = content.childCount === 0 || (content.childCount === 1 && content.firstChild!.type.name === "heading");
  return isBare ? content.append(Fragment.from(nodeType("paragraph").create())) : content;
}

function ended(tr: Transaction, put: () => void): Transaction {
  put();
  return tr.setMeta("passage", true).scrollIntoView();
}

function runOf(slice: Slice, { sections: known, base, isOpen, isInHeading }: Passage, into: number): Run {
  const nodes = slice.content.content;
  const isOfSections = nodes[0]?.type.name === "section" || nodes[0]?.type.name === "opening";
  const run: Run = {
    lead: isOfSections ? Fragment.empty : mended(slice.content),
    sections: [],
    opensBefore: isOpen.before && slice.openStart > 0,
    opensAfter: isOpen.after && slice.openEnd > 0,
    isFromHeading: isOfSections && isInHeading,
  };
  if (!isOfSections) return run;
  let at = 0;
  nodes.forEach((node, index) => {
    const heading = headingOf(node);
    const body = mended(Fragment.from(node.content.content.slice(heading ? 1 : 0)));
    // Words from within a heading, and nothing under it, are words.
    if (!heading) run.lead = body;
    else if (index === 0 && isInHeading)
      run.lead = Fragment.from(nodeType("paragraph").create(null, heading.content)).append(body);
    else if (nodes.length === 1 && body.childCount === 0)
      run.lead = Fragment.from(nodeType("paragraph").create(null, heading.content));
    else {
      run.sections.push({ id: String(node.attrs["id"]), level: landing(known[at]?.level ?? 1), heading, body });
      at++;
    }
    // A heading that ends the passage was cut through by it, and is one all the same.
    if (index === nodes.length - 1 && body.childCount === 0 && heading && nodes.length > 1) run.opensAfter = false;
  });
  return run;

  function landing(level: number): number {
    return Math.max(1, Math.min(9, into + level - base));
  }
}

/** What is the same part of the same document comes back as itself, when it is there no longer; all else is another one. */
function renewed({ slice, document }: Passage, host: PassageHost): Slice {
  const isHere = document === host.document;
  const ids = new Map<string, string>();
  const idOf = (id: string): string => {
    const known = ids.get(id);
    if (known !== undefined) return known;
    const given = isHere && !host.isTaken(id) ? id : host.newId();
    ids.set(id, given);
    return given;
  };
  slice.content.descendants((node) => {
    if (["section", "bookmark", "reminder"].includes(node.type.name)) idOf(String(node.attrs["id"]));
  });
  const led = (target: string): string => {
    const [, kind, id] = /^(section|bookmark):(.+)$/.exec(target) ?? [];
    return kind && id && ids.has(id) ? `${kind}:${ids.get(id)}` : target;
  };
  const renew = (fragment: Fragment): Fragment => {
    const nodes: TextNode[] = [];
    fragment.forEach((node) => {
      const { name } = node.type;
      const id = String(node.attrs["id"] ?? "");
      // A copy of a place that is still there names nothing: two cannot bear its name.
      const isCopy = (name === "bookmark" || name === "bookmarkEnd") && idOf(id) !== id && isHere;
      if (isCopy) return;
      const marks = node.marks.map((mark) =>
        mark.type.name === "link" ? mark.type.create({ ...mark.attrs, href: led(String(mark.attrs["href"])) }) : mark,
      );
      if (node.isText) return void nodes.push(node.mark(marks));
      const attributes = {
        ...node.attrs,
        ...(["section", "bookmark", "bookmarkEnd", "reminder"].includes(name) ? { id: idOf(id) } : {}),
        ...(name === "crossReference" ? { href: led(String(node.attrs["href"])) } : {}),
      };
      nodes.push(node.type.create(attributes, renew(node.content), marks));
    });
    return Fragment.from(nodes);
  };
  return new Slice(renew(slice.content), slice.openStart, slice.openEnd);
}
