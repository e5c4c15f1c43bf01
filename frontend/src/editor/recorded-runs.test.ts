// @vitest-environment jsdom
import { redo, undo } from "@tiptap/pm/history";
import type { Node as TextNode } from "@tiptap/pm/model";
import { NodeSelection, Selection, TextSelection, type Command } from "@tiptap/pm/state";
import { beforeEach, expect, test, vi } from "vitest";
import type { SectionText } from "../api/client";
import * as commands from "./commands";
import { COMMANDS } from "./commands.test-helper";
import { cell, item, note, p, row, words, type Json } from "./editor.test-helper";
import { REDRAW } from "./decorations";
import { insertFiller } from "./filler";
import { drawn, ManuscriptEditor, type ManuscriptHost, type ShownSection } from "./manuscript-editor";
import { findSection, sectionAround } from "./places";
import { textOf } from "./section-text";

// What the editor makes of keys, letters, commands, the clipboard and newer texts at random, step by step: recorded-runs.txt.
// A line holds the step, the selection, what was said to the screen, and sums of all that is in the text and of all that
// is drawn. After a change that is meant, look at which steps differ and take it over with `vitest run -u`.

// Nothing is laid out here, so a line of text lies nowhere.
const nowhere = { x: 0, y: 0, width: 0, height: 0, top: 0, right: 0, bottom: 0, left: 0, toJSON: () => ({}) };
Range.prototype.getClientRects = () => [] as unknown as DOMRectList;
Range.prototype.getBoundingClientRect = () => nowhere;

const RUNS = 60;
const STEPS = 40;

type Random = (below: number) => number;

/** Numbers at random that are the same each time (mulberry32). */
function seeded(seed: number): Random {
  let state = seed;
  return (below) => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32) * below) | 0;
  };
}

/** A short sum of a text (FNV-1a). */
function sumOf(text: string): string {
  let sum = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) sum = Math.imul(sum ^ text.charCodeAt(at), 0x01000193);
  return (sum >>> 0).toString(36);
}

const WORDS = "lamp wick oil glass gale mole log keeper tide slip".split(" ");
const MARKS = ["strong", "emphasis", "code", "struck", "superscript", "subscript"];

function inline(random: Random, depth = 0): Json[] {
  const parts: Json[] = [];
  for (let left = random(4); left >= 0; left--) {
    const said = `${WORDS[random(WORDS.length)]} `;
    const kind = random(12);
    if (kind < 5) parts.push(words(said));
    else if (kind < 7) parts.push(words(said, MARKS[random(MARKS.length)]!));
    else if (kind === 7)
      parts.push({
        ...words(said),
        marks: [{ type: "link", attrs: { href: ["section:b", "https://example.org/"][random(2)]!, title: null } }],
      });
    else if (kind === 8) {
      const id = `m${random(1000)}`;
      parts.push({ type: "bookmark", attrs: { id, name: "stretch" } }, words(said), {
        type: "bookmarkEnd",
        attrs: { id },
      });
    } else if (depth === 0)
      parts.push(
        [
          note(said),
          { type: "bookmark", attrs: { id: `m${random(1000)}`, name: said.trim() } },
          { type: "crossReference", attrs: { href: "section:c", shows: "number" } },
          { type: "hardBreak" },
          { type: "reminder", attrs: { id: `r${random(1000)}`, words: "look", settled: null } },
          { type: "formula", attrs: { source: "x^2" } },
        ][random(6)]!,
      );
  }
  return parts;
}

function block(random: Random): Json {
  const para = () => p(...inline(random));
  const flat = () => p(words(WORDS[random(WORDS.length)]!));
  const cells = (count: number) => Array.from({ length: count }, () => cell(...(flat().content ?? [])));
  switch (random(14)) {
    case 0:
      return {
        type: "bulletList",
        content: [item(para()), item(para(), { type: "bulletList", content: [item(para())] })],
      };
    case 1:
      return {
        type: "orderedList",
        attrs: { start: random(5) + 1, style: null },
        content: [item(para()), item(para())],
      };
    case 2:
      return { type: "quotation", content: [para(), p()] };
    case 3:
      return { type: "codeBlock", attrs: { language: null }, content: [words("a\nb")] };
    case 4:
      return { type: "figure", attrs: { src: `picture:${"a".repeat(64)}`, alt: "seen" }, content: [words("named")] };
    case 5: {
      const columns = random(3) + 1;
      const rows = Array.from({ length: random(3) + 1 }, () => row(...cells(columns)));
      return {
        type: "table",
        content: [{ type: "caption", ...(random(2) ? { content: [words("listed")] } : {}) }, ...rows],
      };
    }
    case 6: {
      const wide = { ...cell("wide"), attrs: { header: true, align: "center", columns: 2 } };
      const high = { ...cell("high"), attrs: { header: false, align: "right", rows: 2 } };
      return {
        type: "table",
        content: [
          { type: "caption" },
          row(wide, cell("a")),
          row(high, cell("b"), cell("c")),
          row(cell("d"), cell("e")),
        ],
      };
    }
    case 7:
      return [
        { type: "separator" },
        { type: "pageBreak" },
        { type: "calculation", content: [words("1 + 1")] },
        { type: "formulaBlock", attrs: { source: "y" } },
      ][random(4)]!;
    case 8:
      return p();
    default:
      return para();
  }
}

const text = (random: Random, heading: string) =>
  ({
    heading: heading === "" ? [] : [words(heading)],
    body: Array.from({ length: random(4) + 1 }, () => block(random)),
  }) as unknown as Pick<SectionText, "heading" | "body">;

const MORE: Record<string, Command> = {
  emphasis: commands.emphasis,
  struck: commands.struck,
  superscript: commands.superscript,
  subscript: commands.subscript,
  pageBreak: commands.insertBlock("pageBreak"),
  reminder: commands.insertReminder({ id: "r", words: "ask" }),
  renamed: commands.renameBookmark("other"),
  setLink: commands.setLink("https://example.org/new", "hint"),
  unlink: commands.setLink(null),
  filler: insertFiller(2),
  undo,
  redo,
};
const ALL = Object.entries({ ...COMMANDS, ...MORE });
const KEYS =
  "Enter Shift-Enter Backspace Delete ArrowLeft ArrowRight Escape Mod-Backspace Mod-Delete Ctrl-Home Ctrl-End".split(
    " ",
  );
/** As other programs put it on the clipboard. */
const FOREIGN = [
  '<p>Plain <b>bold</b> <b style="font-weight: normal">not</b> <i>leaning</i> <del>out</del> x<sup>2</sup> <span style="font-weight: bold; font-style: italic; text-decoration: line-through">styled</span></p>',
  '<ol start="4" type="a"><li>four<ul><li>inner</li></ul></li><li><p>five</p></li></ol><ol type="I"><li>one</li></ol><ol start="x"><li>?</li></ol>',
  '<table><caption>Named</caption><tr><th colspan="2">wide</th><td>a</td></tr><tr><td rowspan="2">high</td><td>b</td><td colspan="1">c</td></tr><tr><td rowspan="x">d</td></tr></table>',
  '<p><a href="https://example.org/" title="hint">out</a> <a href="page.html">page</a> <a href="#here">here</a> <a href="javascript:x()">bad</a> <a data-target="section:b" href="#section:b">in</a> <a href="mailto:a@example.org">mail</a></p>',
  `<figure><img src="/api/pictures/${"b".repeat(64)}" alt="seen" style="width: 40%"><figcaption>Named</figcaption></figure><p><img src="data:image/png;base64,AAAA" alt="in" width="120%"><img src="https://example.org/a.png" role="presentation" width="50"><img src="file:///a.png" width="4%"></p>`,
  '<h2>A heading</h2><blockquote><p>said</p><hr></blockquote><pre>a  b\n c</pre><div class="page-break"></div><div class="formula-block" data-source="z"></div>',
  '<section data-section="q" data-copied-level="3"><h3 class="heading">Copied</h3><p>text <span class="bookmark" data-id="m7" data-name="taken">taken</span><span class="bookmark" data-id="m8" data-name="free">free</span><span class="reminder settled" data-id="k" data-words="ask"></span></p></section><section data-section="r" data-copied-level="9"><h6 class="heading">Deeper</h6><p>more<span class="footnote">noted</span><span class="cross-reference" data-target="section:a" data-shows="both"></span></p></section>',
];
const TYPED = ["a", " ", '"', "'", "-", "x", "1. ", "> ", "- ", "--", "é"];

class Run {
  private readonly random: Random;
  private readonly calls: string[] = [];
  private shown: ShownSection[];
  private made = 0;
  private copied = "";
  private readonly editor: ManuscriptEditor;
  readonly lines: string[] = [];

  constructor(seed: number) {
    this.random = seeded(seed);
    // What the browser is asked to do by itself.
    document.execCommand = (name) => (this.calls.push(name), true);
    globalThis.Selection.prototype.modify = (...args) => void this.calls.push(args.join(" "));
    this.shown = [
      { id: "o", hasHeading: false, text: text(this.random, "") },
      ...["a", "b", "c"].map((id) => ({ id, hasHeading: true, text: text(this.random, `Head ${id}`) })),
    ].slice(this.random(2));
    this.editor = new ManuscriptEditor(document.body, this.host(), "Text");
    this.editor.show(this.shown, () => false);
    for (let step = 0; step < STEPS; step++) this.step();
    this.lines.push(this.whole());
    this.editor.destroy();
  }

  private host(): ManuscriptHost {
    const say = (...said: unknown[]) => void this.calls.push(said.map(String).join(" "));
    const plain = (node: TextNode) => {
      const dom = document.createElement(node.isInline ? "span" : "div");
      dom.className = node.type.name;
      return { dom };
    };
    return {
      typed: (section, { heading, body }) => say("typed", section.attrs["id"], heading ? "h" : "", body ? "b" : ""),
      shifted: (now) => say("shifted", sumOf(JSON.stringify(["a", "b"].map((id) => now({ id, at: 3 }))))),
      stretched: (stretch) => say("stretched", sumOf(JSON.stringify(stretch))),
      focused: (section) => say("focused", section),
      left: (section, at) => say("left", section, at),
      selected: (section) => say("selected", section),
      follow: (target) => say("follow", target),
      isBroken: (target) => target === "section:c",
      isBookmarkTaken: (id) => id.endsWith("7"),
      lookOf: (section) => ({
        level: section === "o" ? null : section === "a" ? 1 : 2,
        number: section === "a" ? "1" : "",
        name: `Section ${section}`,
        isNamed: section === "b",
        isPicked: section === "c",
        isFolded: section === "c",
        firstNote: 3,
        captions: ["Figure 1", "Table 1"],
        folded: section === "c" ? "9 words" : "",
        shape: section === "b" ? "slant:italic" : "",
      }),
      foundIn: (section) => (section === "b" ? [{ from: 0, to: 2, isInHeading: true, isNow: true }] : []),
      spokenIn: () => null,
      newId: () => `n${++this.made}`,
      document: () => "here",
      readsLineSigns: () => true,
      showsSigns: () => false,
      hasSection: () => false,
      signs: () => ({ open: "“", close: "”", innerOpen: "‘", innerClose: "’", dash: "–" }),
      language: () => "en",
      join: (section, neighbour) => say("join", section, neighbour),
      toEnd: (end) => say("toEnd", end),
      unfold: (section) => say("unfold", section),
      isPartOfText: (section) => section !== "gone",
      leftBehind: () => say("leftBehind"),
      comeBack: ({ id, at }) => say("comeBack", id, at),
      isForText: () => true,
      views: { contents: plain, crossReference: plain, calculation: plain, formula: plain, formulaBlock: plain },
      key: () => false,
      paste: () => false,
      dropFile: () => say("dropFile"),
    };
  }

  private step(): void {
    const name = this.does();
    const { state } = this.editor.view;
    state.doc.check();
    for (const section of state.doc.content.content)
      expect(section.type.name === "opening" || section.firstChild?.type.name === "heading").toBe(true);
    const { from, to } = state.selection;
    const { spot, held, view } = this.editor;
    const kind = state.selection instanceof NodeSelection ? "!" : "";
    this.lines.push(
      `${name} | ${kind}${from}-${to} ${spot ? `${spot.id}${spot.at}` : "-"} ${held ? held.from + held.to : "-"} | ${this.calls.splice(0).join(", ")} | ${sumOf(JSON.stringify(state.doc.toJSON()))} ${sumOf(view.dom.outerHTML)}`,
    );
    // What is drawn on the text goes with it, as if it were drawn anew.
    const drawnNow = view.dom.innerHTML;
    view.dispatch(view.state.tr.setMeta(REDRAW, true));
    expect(view.dom.innerHTML).toBe(drawnNow);
  }

  private does(): string {
    const { random, editor } = this;
    const { view } = editor;
    const kind = random(21);
    if (kind < 4) return this.select();
    if (kind === 4 && random(3) === 0) {
      // A command is on its way: what is pressed meanwhile comes behind it.
      editor.hold();
      for (const key of ["x", "Enter", "Shift", "Backspace", "y"].slice(random(4)))
        view.dom.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }));
      if (random(3) === 0) editor.stay();
      editor.release();
      return "hold and release";
    }
    if (kind < 7) {
      const key = KEYS[random(KEYS.length)]!;
      const [, modifier, name] = /^(?:(\w+)-)?(\w+)$/.exec(key) ?? [];
      const event = new KeyboardEvent("keydown", {
        key: name!,
        shiftKey: modifier === "Shift",
        ctrlKey: modifier === "Mod" || modifier === "Ctrl",
      });
      const isTaken = view.someProp("handleKeyDown", (handle) => handle.call(view, view, event));
      return `${key}${isTaken ? "" : " -"}`;
    }
    if (kind < 10) {
      const typed = TYPED[random(TYPED.length)]!;
      for (const letter of typed) {
        const { from, to } = view.state.selection;
        const write = () => view.state.tr.insertText(letter, from, to);
        if (!view.someProp("handleTextInput", (handle) => handle.call(view, view, from, to, letter, write)))
          view.dispatch(write());
      }
      return `type ${typed}`;
    }
    if (kind < 16) {
      const [name, command] = ALL[random(ALL.length)]!;
      return `${name}${command(view.state, view.dispatch, view) ? "" : " -"}`;
    }
    if (kind === 16) {
      const { dom } = view.serializeForClipboard(view.state.selection.content());
      this.copied = dom.innerHTML;
      return `copy ${sumOf(this.copied)}`;
    }
    if (kind === 20 || (kind === 17 && random(3) > 0)) {
      const foreign = random(FOREIGN.length);
      view.pasteHTML(FOREIGN[foreign]!, new Event("paste") as ClipboardEvent);
      return `paste foreign ${foreign}`;
    }
    if (kind === 17 && this.copied !== "") {
      view.pasteHTML(this.copied, new Event("paste") as ClipboardEvent);
      return "paste";
    }
    return this.shows();
  }

  private select(): string {
    const { random } = this;
    const { view } = this.editor;
    const { doc, tr } = view.state;
    const place = () => doc.resolve(random(doc.content.size + 1));
    if (random(8) === 0) {
      // All words of a section.
      const section = findSection(doc, doc.child(random(doc.childCount)).attrs["id"] as string)!;
      const end = section.start + section.node.nodeSize - 1;
      view.dispatch(tr.setSelection(TextSelection.between(doc.resolve(section.start + 1), doc.resolve(end))));
      return "select a section";
    }
    const $from = place();
    const near = doc.resolve(Math.min(doc.content.size, $from.pos + random(9)));
    const node = $from.nodeAfter;
    const selection =
      random(4) === 0 && node && NodeSelection.isSelectable(node) && $from.depth > 0
        ? NodeSelection.create(doc, $from.pos)
        : random(3) === 0
          ? TextSelection.between($from, place())
          : random(2) === 0
            ? TextSelection.between($from, near)
            : Selection.near($from);
    view.dispatch(tr.setSelection(selection));
    return "select";
  }

  /** The screen shows other sections, or newer texts; or it sends the cursor somewhere. */
  private shows(): string {
    const { random, editor } = this;
    const which = random(8);
    const at = random(Math.max(1, this.shown.length));
    const here = this.shown[at];
    switch (which) {
      case 0:
        editor.handedOver();
        return "handed over";
      case 1:
        editor.redraw();
        return "redraw";
      case 2:
        return `focus ${editor.focusAt("b", { at: random(12) }, false)}`;
      case 3:
        return `focus in text ${editor.focusAt("a", random(2) ? { inText: true } : { caption: 0 }, random(2) === 0)}`;
      case 4:
        return `focus found ${editor.focusAt("c", { found: { from: 1, to: 3, isInHeading: random(2) === 0 } }, false)}`;
      case 5:
        if (this.shown.length > 1) this.shown = this.shown.filter((_, index) => index !== at);
        break;
      case 6:
        this.shown = [
          ...this.shown.slice(0, at),
          ...(here ? [{ ...here, text: text(random, here.hasHeading ? "Other" : "") }] : []),
          ...this.shown.slice(at + 1),
        ];
        break;
      default:
        this.shown = [...this.shown, { id: `s${random(100)}`, hasHeading: true, text: text(random, "New") }];
    }
    const isTyping = random(2) === 0 ? here?.id : undefined;
    const unique = new Map(this.shown.map((each) => [each.id, each]));
    this.shown = [...unique.values()];
    editor.show(this.shown, (id) => id === isTyping);
    return `show ${this.shown.map(({ id }) => id).join(" ")}`;
  }

  /** All that can be asked of the text in the end. */
  private whole(): string {
    const { view } = this.editor;
    const { state } = view;
    const texts = state.doc.content.content.map((section) => JSON.stringify(textOf(section)));
    const outside = state.doc.content.content.map((section) => {
      const holder = document.createElement("div");
      holder.append(drawn(textOf(section) as never, section.type.name === "section"));
      return holder.innerHTML;
    });
    const links: string[] = [];
    for (let at = 0; at <= state.doc.content.size; at++) {
      const link = commands.linkAt(state.doc, at);
      if (link) links.push(`${at}:${link.from}-${link.to}`);
    }
    return [
      `all ${sumOf(texts.join("\n"))}`,
      `drawn ${sumOf(outside.join("\n"))}`,
      `decorated ${sumOf(view.dom.innerHTML)}`,
      `links ${sumOf(links.join(" "))}`,
      `blocks ${JSON.stringify(commands.pickedBlocks(state))} ${commands.currentBlock(state)}`,
      `around ${sectionAround(state.selection.$head)?.id} ${findSection(state.doc, "b")?.start} ${commands.namedEnd(state)}`,
    ].join("; ");
  }
}

// The library warns of a cursor that stands where no words can.
beforeEach(() => {
  vi.spyOn(console, "warn").mockImplementation((warning) => {
    throw new Error(String(warning));
  });
});

test("what the editor makes of a random run is what was recorded", async () => {
  const said = Array.from({ length: RUNS }, (_, seed) => [`== run ${seed}`, ...new Run(seed + 1).lines].join("\n"));
  await expect(`${said.join("\n\n")}\n`).toMatchFileSnapshot("./recorded-runs.txt");
});

/** Of bin/soak. */
const MORE_RUNS = Number(process.env["RUNS"] ?? 0);

test.runIf(MORE_RUNS > 0)(
  "no step of a random run fails, nor leaves the cursor where no words can stand",
  () => {
    for (let seed = RUNS; seed < RUNS + MORE_RUNS; seed++) new Run(seed);
  },
  MORE_RUNS * 2000,
);
