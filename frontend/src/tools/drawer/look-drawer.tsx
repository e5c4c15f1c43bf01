import { useState } from "react";
import { Link } from "wouter";
import { useDocument, useSession } from "../../document/context";
import { kindAt, wordKindAt } from "../../editor/kinds";
import { KindPanel } from "../../looks/kind-panel";
import { useKindUses, useStyleSheet } from "../../looks/use-style-sheet";
import { useSpot } from "../../manuscript/spot";
import { levelAt } from "../../outline/outline";
import { Choices } from "../../parts/choices";

/** The look of the kind of text that the cursor is in: what is changed here is changed wherever that kind is. */
export function LookDrawer() {
  const session = useSession("LookDrawer");
  const id = useDocument("LookDrawer", (state) => state.id);
  const outline = useDocument("LookDrawer", (state) => state.outline);
  const spot = useSpot((state) => state.spot);
  const sheet = useStyleSheet();
  const uses = useKindUses();
  const [wantsWords, setWantsWords] = useState(true);
  if (!sheet) return <p className="text-soft">Reading the style sheet…</p>;
  const position = spot ? session.state.positions.get(spot.section) : undefined;
  const text = spot && position !== undefined ? kindAt(spot.view.state, levelAt(outline, position)) : "body";
  const words = spot ? wordKindAt(spot.view.state) : null;
  const named = (name: string | null) => sheet.kinds.find((kind) => kind.name === name);
  const wordKind = named(words);
  const textKind = named(text) ?? named("body");
  const kind = wordKind && wantsWords ? wordKind : textKind;
  if (!kind || !textKind) return null;
  return (
    <div className="space-y-4">
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
      <KindPanel
        sheet={sheet}
        kind={kind}
        count={uses === undefined ? undefined : (uses.find((use) => use.kind === kind.name)?.count ?? 0)}
      />
      <Link href={`/documents/${id}/looks`} className="block font-medium text-stem underline underline-offset-4">
        All kinds of text
      </Link>
    </div>
  );
}
