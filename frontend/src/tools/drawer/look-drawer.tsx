import type { EditorView } from "@tiptap/pm/view";
import { useState } from "react";
import { Link } from "wouter";
import type { KindView } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { isInHeading } from "../../editor/commands";
import { kindAt, wordKindAt } from "../../editor/kinds";
import { isInParagraph, ShapedPlace } from "../../editor/shapes";
import type { ShapeOf } from "../../editor/seen-shapes";
import { KindPanel } from "../../looks/kind-panel";
import { useLookReach, type Reach } from "../../looks/look-reach";
import { ShapePanel } from "../../looks/shape-panel";
import { useKindUses, useStyleSheet } from "../../looks/use-style-sheet";
import { useSpot } from "../../manuscript/spot";
import { levelAt } from "../../outline/outline";
import { Choices } from "../../parts/choices";
import { counted } from "../../parts/words";

/** Another paragraph, or other words, have fields of their own. */
function placeKey({ state: { selection } }: EditorView): string {
  const { $from, $to, from, to } = selection;
  return selection.empty ? `${$from.depth > 0 ? $from.before() : from} ${$to.depth}` : `${from} ${to}`;
}

/** The look of the kind of text that the cursor is in, or of the one place, the words or the headings that are meant. */
export function LookDrawer() {
  const session = useSession("LookDrawer");
  const id = useDocument("LookDrawer", (state) => state.id);
  const outline = useDocument("LookDrawer", (state) => state.outline);
  // What is said of headings is read anew when it has changed.
  useDocument("LookDrawer", (state) => state.facts);
  const picked = useWindow("LookDrawer", (state) => state.picked);
  const spot = useSpot((state) => state.spot);
  const wanted = useLookReach((state) => state.reach);
  const sheet = useStyleSheet();
  const uses = useKindUses();
  const [wantsWords, setWantsWords] = useState(true);
  if (!sheet) return <p className="text-soft">Reading the style sheet…</p>;
  const named = (name: string | null) => sheet.kinds.find((kind) => kind.name === name);
  const position = spot ? session.state.positions.get(spot.section) : undefined;
  const level = position === undefined ? 0 : levelAt(outline, position);
  const view = spot?.view;
  const textKind = named(view ? kindAt(view.state, level) : "body") ?? named("body");
  const wordKind = named(view ? wordKindAt(view.state) : null);
  if (!textKind) return null;
  const isHeading = view !== undefined && isInHeading(view.state);
  const hasWords = view !== undefined && !view.state.selection.empty;
  const picks = [...picked];
  const reaches: { value: Reach; shows: string }[] = [
    { value: "kind", shows: "All of its kind" },
    ...(isHeading || (view && isInParagraph(view.state))
      ? [{ value: "one" as const, shows: isHeading ? "This heading" : "This paragraph" }]
      : []),
    ...(hasWords ? [{ value: "words" as const, shows: "These words" }] : []),
    ...(picks.length > 1 ? [{ value: "picked" as const, shows: `${picks.length} picked headings` }] : []),
  ];
  const reach = reaches.some(({ value }) => value === wanted) ? wanted : "kind";
  const countOf = (kind: KindView) =>
    uses === undefined ? undefined : (uses.find((use) => use.kind === kind.name)?.count ?? 0);
  const ofHeadings = (sections: string[]) => ({
    shape: () => session.state.facts.get(sections[0] ?? "")?.shape ?? "",
    put: async (shape: string) => {
      await session.changes.perform({ name: "describe-section", sections, shape }, { quiet: true });
    },
  });
  const inText = (of: ShapeOf) => (view ? new ShapedPlace(view, of) : { shape: () => "", put: () => false });
  const pickedLevels = new Set(picks.map((each) => levelAt(outline, session.state.positions.get(each) ?? 0)));
  const pickedKind = pickedLevels.size === 1 ? named(`heading-${[...pickedLevels][0]}`) : undefined;
  const shaping = {
    kind: null,
    one: {
      kind: textKind,
      of: "paragraphs" as const,
      what: isHeading ? "this heading" : "this paragraph",
      place: isHeading && spot ? ofHeadings([spot.section]) : inText("paragraphs"),
    },
    words: {
      kind: wordKind ?? null,
      of: "words" as const,
      what: "these words",
      place: inText("words"),
    },
    picked: {
      kind: pickedKind ?? null,
      of: "paragraphs" as const,
      what: `the ${counted(picks.length, "picked heading")}`,
      place: ofHeadings(picks),
    },
  }[reach];
  const kind = wordKind && wantsWords ? wordKind : textKind;
  return (
    <div className="space-y-4">
      {reaches.length > 1 && (
        <Choices
          label="What is changed"
          look="pill"
          className="flex flex-wrap gap-1"
          value={reach}
          options={reaches}
          onChoose={(chosen) => useLookReach.setState({ reach: chosen })}
        />
      )}
      {shaping ? (
        <ShapePanel
          key={`${reach} ${spot?.section ?? ""} ${isHeading || !view ? "" : placeKey(view)}`}
          sheet={sheet}
          count={shaping.kind ? countOf(shaping.kind) : undefined}
          {...shaping}
        />
      ) : (
        <>
          {wordKind && (
            <Choices
              label="Which look"
              look="pill"
              className="flex flex-wrap gap-1"
              value={kind.name}
              options={[
                { value: wordKind.name, shows: wordKind.label },
                { value: textKind.name, shows: textKind.label },
              ]}
              onChoose={(chosen) => setWantsWords(chosen === wordKind.name)}
            />
          )}
          <KindPanel sheet={sheet} kind={kind} count={countOf(kind)} />
        </>
      )}
      <Link href={`/documents/${id}/looks`} className="block font-medium text-stem underline underline-offset-4">
        All kinds of text
      </Link>
    </div>
  );
}
