import { useEffect, useReducer, useRef, useState } from "react";
import { useDocument, useSession } from "../document/context";
import { commonEnds, type Choice, type Clash } from "../document/clash";
import { differing } from "../document/differing";
import type { Words } from "../document/drafts";
import { sectionName } from "../document/section-name";
import { drawn } from "../editor/manuscript-editor";
import { Button } from "../parts/button";
import { giveFocusBack } from "../parts/focus";
import { highlight } from "../parts/highlight";

/** How often what is typed meanwhile is shown (milliseconds). */
const FRESH = 500;

/**
 * Two windows changed the same words of a section. The question stands under the text and takes no key from it: one can
 * write on, and choose when it suits.
 */
export function ChoicePanel() {
  const clash = useDocument("ChoicePanel", (state) => state.clash);
  return clash && <Question key={clash.section} clash={clash} />;
}

const CHOICES: readonly { choice: Choice; label: string }[] = [
  { choice: "theirs", label: "Keep theirs" },
  { choice: "both", label: "Keep both, one after the other" },
  { choice: "mine", label: "Keep mine" },
];

function Question({ clash: { section, theirs } }: { clash: Clash }) {
  const session = useSession("ChoicePanel");
  const heading = useDocument("ChoicePanel", (state) => sectionName(state, section));
  const [isOpen, setOpen] = useState(true);
  const [, again] = useReducer((count: number) => count + 1, 0);
  useEffect(() => {
    const timer = window.setInterval(again, FRESH);
    return () => window.clearInterval(timer);
  }, []);
  const mine = session.typing.textNow(section);
  const settle = (choice: Choice) => {
    // The panel goes; whoever chose goes on where they were.
    if (document.activeElement instanceof HTMLElement && document.activeElement.closest("#choice"))
      document.activeElement.blur();
    giveFocusBack();
    void session.typing.settleClash(section, choice);
  };
  return (
    <section
      id="choice"
      data-passing
      aria-label="Two texts of one section"
      className="max-h-[44vh] overflow-auto border-t-2 border-ochre bg-wash px-5 pt-3 pb-18 md:pb-4"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p role="status" className="min-w-56 flex-1">
          <strong>Here and in another window the same words of “{heading}” were changed.</strong> Say which are to
          stand; you can write on meanwhile. The others go to the offcuts.
        </p>
        {CHOICES.map(({ choice, label }) => (
          <Button key={choice} tone={choice === "mine" ? "stem" : "plain"} onClick={() => settle(choice)}>
            {label}
          </Button>
        ))}
        <button
          type="button"
          aria-expanded={isOpen}
          className="rounded px-2 py-1 text-soft underline underline-offset-4 hover:text-ink"
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? "Hide the texts" : "Show the texts"}
        </button>
      </div>
      {isOpen && mine && (
        <div className="mt-3 grid gap-4 md:grid-cols-2">
          <Text side="mine" label="Mine, from this window" text={mine} other={theirs} />
          <Text side="theirs" label="Theirs, from the other window" text={theirs} other={mine} />
        </div>
      )}
    </section>
  );
}

/** The words of what is drawn, each run of them apart, and a stretch of them as a range. */
function linesOf(drawing: Node): { text: string; range: (stretch: { from: number; to: number }) => Range } {
  const runs: { node: Node; from: number }[] = [];
  let text = "";
  const walk = document.createTreeWalker(drawing, NodeFilter.SHOW_TEXT);
  for (let node = walk.nextNode(), before: Node | null = null; node; before = node, node = walk.nextNode()) {
    if (
      before &&
      before.parentElement?.closest("p, li, td, th, pre") !== node.parentElement?.closest("p, li, td, th, pre")
    )
      text += "\n";
    runs.push({ node, from: text.length });
    text += node.nodeValue ?? "";
  }
  const range = ({ from, to }: { from: number; to: number }) => {
    const made = document.createRange();
    const at = (offset: number) => runs.findLast((run) => run.from <= offset)!;
    const [first, last] = [at(from), at(to - 1)];
    made.setStart(first.node, from - first.from);
    made.setEnd(last.node, to - last.from);
    return made;
  };
  return { text, range };
}

/** Where the two differ: paragraphs before and after that are the same are left out. */
function Text({ label, side, text, other }: { label: string; side: "mine" | "theirs"; text: Words; other: Words }) {
  const place = useRef<HTMLDivElement>(null);
  const { head, tail } = commonEnds(text.body, other.body);
  const shown = JSON.stringify(text.body.slice(head, text.body.length - tail));
  const beside = JSON.stringify(other.body.slice(head, other.body.length - tail));
  const name = `differs-${side}`;
  useEffect(() => {
    if (!place.current) return;
    const draw = (body: string) => drawn({ heading: [], body: JSON.parse(body) as Words["body"] }, false);
    place.current.replaceChildren(draw(shown));
    const holder = document.createElement("div");
    holder.append(draw(beside));
    const lines = linesOf(place.current);
    return highlight(name, differing(lines.text, linesOf(holder).text).map(lines.range));
  }, [shown, beside, name]);
  return (
    <div className="min-w-0">
      <h3 className="mb-1 text-xs font-semibold text-soft">{label}</h3>
      <div
        ref={place}
        tabIndex={0}
        role="group"
        aria-label={label}
        className="manuscript max-h-[22vh] overflow-auto rounded-lg border border-line bg-sheet px-4 py-2"
      />
    </div>
  );
}
