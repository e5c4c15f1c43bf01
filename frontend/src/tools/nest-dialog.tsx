import { useMemo } from "react";
import { useSession } from "../document/context";
import type { DocumentState } from "../document/state";
import type { Landing } from "../outline/drop";
import { branchEnd, pathTo } from "../outline/outline";
import { pickedHeads } from "../outline/picks";
import { Dialog } from "../parts/dialog";
import { counted } from "../parts/words";
import { PlaceChooser } from "../places/jump-box";
import { placesToLink, type LinkChoice } from "../places/places";

/** Moves branches under a heading found by its words, or to the top level after the chapter they are in. */
export function NestDialog({ sections, onClose }: { sections: string[]; onClose: () => void }) {
  const session = useSession("NestDialog");
  const [choices, count] = useMemo(() => choicesFor(session.state, sections), [session, sections]);
  const move = (choice: LinkChoice) => {
    onClose();
    const [landing, target] = choice.target.split(":") as [Landing["landing"], string];
    if (landing === "inside") session.navigation.setFolded(target, false);
    void session.changes.perform({ name: "move", sections, landing, target });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Nest ${count === 1 ? "this branch" : counted(count, "branch", "branches")} under…`}
    >
      <PlaceChooser label="Some words of a heading" among={choices} onChoose={move} />
    </Dialog>
  );
}

/** Every heading outside the branches themselves, and the top level where they are not there already. */
function choicesFor(state: DocumentState, sections: readonly string[]): [LinkChoice[], number] {
  const heads = pickedHeads(state.outline, state.positions, new Set(sections));
  const moving = new Set(heads.flatMap((head) => state.outline.ids.slice(head, branchEnd(state.outline, head))));
  const inside = placesToLink(state, undefined).flatMap((choice) => {
    const id = choice.target.slice("section:".length);
    return moving.has(id) ? [] : [{ ...choice, target: `inside:${id}` }];
  });
  const chapter = state.outline.ids[pathTo(state.outline, heads.at(-1) ?? 0)[0] ?? 0] ?? "";
  const top = moving.has(chapter)
    ? []
    : [
        {
          target: `after:${chapter}`,
          words: `The top level, after “${state.facts.get(chapter)?.heading ?? ""}”`,
          number: "",
          level: 1,
          kind: "heading" as const,
        },
      ];
  return [[...top, ...inside], heads.length];
}
