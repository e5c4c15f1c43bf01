import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, read, type DocumentCard, type Skeleton } from "../api/client";
import { useSession } from "../document/context";
import type { Landing } from "../outline/drop";
import { pickedHeads } from "../outline/picks";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { counted } from "../parts/words";
import { PlaceChooser } from "../places/jump-box";
import type { LinkChoice } from "../places/places";

/** Copies or moves branches to another document: which one, and where in it. */
export function ToDocumentDialog({ sections, onClose }: { sections: string[]; onClose: () => void }) {
  const session = useSession("ToDocumentDialog");
  const [moves, setMoves] = useState(false);
  const [landing, setLanding] = useState<Landing["landing"]>("inside");
  const [other, setOther] = useState<DocumentCard | null>(null);
  const documents = useQuery({ queryKey: ["documents"], queryFn: () => read(api.GET("/api/documents")) });
  const others = documents.data?.filter((card) => card.id !== session.state.id) ?? [];
  const count = pickedHeads(session.state.outline, session.state.positions, new Set(sections)).length;
  const what = count === 1 ? "this branch" : counted(count, "branch", "branches");
  const take = (choice: LinkChoice) => {
    if (!other) return;
    onClose();
    void session.changes.transfer(
      sections,
      other,
      choice.target === END ? { landing: "after" } : { landing, target: choice.target },
      moves,
    );
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${moves ? "Move" : "Copy"} ${what} to ${other ? `“${other.title || "Untitled"}”` : "another document"}`}
      description={
        moves
          ? "What leaves this document stays among its offcuts. Links to it from here will be told as broken."
          : "Links inside what is copied follow it."
      }
    >
      <fieldset className="mb-3 flex gap-5">
        <legend className="sr-only">Copy or move</legend>
        {[false, true].map((each) => (
          <label key={String(each)} className="flex items-center gap-2">
            <input
              type="radio"
              name="moves"
              checked={moves === each}
              onChange={() => setMoves(each)}
              className="accent-stem"
            />
            {each ? "Move it there" : "Copy it there"}
          </label>
        ))}
      </fieldset>
      {other === null ? (
        <>
          {documents.data && others.length === 0 && (
            <p className="text-soft">There is no other document on the desk yet.</p>
          )}
          {!documents.data && <p className="text-soft">{documents.error?.message ?? "Looking…"}</p>}
          <ul aria-label="Documents" className="max-h-[44vh] overflow-auto">
            {others.map((card) => (
              <li key={card.id}>
                <button
                  type="button"
                  className="flex w-full items-baseline gap-3 rounded-lg px-3 py-1.5 text-left hover:bg-wash"
                  onClick={() => setOther(card)}
                >
                  <span className="min-w-0 flex-1 truncate font-text">{card.title || "Untitled"}</span>
                  <span className="text-xs text-faint tabular-nums">{counted(card.words, "word")}</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <>
          <fieldset className="mb-2 flex gap-5">
            <legend className="sr-only">Where at the heading</legend>
            {(["inside", "before", "after"] as const).map((each) => (
              <label key={each} className="flex items-center gap-2">
                <input
                  type="radio"
                  name="landing"
                  checked={landing === each}
                  onChange={() => setLanding(each)}
                  className="accent-stem"
                />
                {WHERE[each]}
              </label>
            ))}
          </fieldset>
          <PlaceIn other={other.id} landing={landing} onChoose={take} />
          <Button className="mt-3" onClick={() => setOther(null)}>
            Another document
          </Button>
        </>
      )}
    </Dialog>
  );
}

const WHERE: Record<Landing["landing"], string> = { inside: "Under a heading", before: "Before it", after: "After it" };
/** Stands for the end of the other document. */
const END = "end";

function PlaceIn({
  other,
  landing,
  onChoose,
}: {
  other: string;
  landing: Landing["landing"];
  onChoose: (choice: LinkChoice) => void;
}) {
  const skeleton = useQuery({
    queryKey: ["skeleton", other],
    queryFn: () => read(api.GET("/api/documents/{id}", { params: { path: { id: other } } })),
    gcTime: 0,
  });
  if (!skeleton.data) return <p className="text-soft">{skeleton.error?.message ?? "Looking…"}</p>;
  return (
    <PlaceChooser
      label={`Some words of the heading it goes ${landing === "inside" ? "under" : landing}`}
      among={placesUnder(skeleton.data)}
      onChoose={onChoose}
    />
  );
}

function placesUnder({ outline, sections }: Skeleton): LinkChoice[] {
  const end: LinkChoice = { target: END, words: "The end, at the top level", number: "", level: 1, kind: "heading" };
  const inside = sections.flatMap((section, position): LinkChoice[] => {
    const level = Number(outline.levels[position]);
    return level > 0 && section.heading !== ""
      ? [{ target: section.id, words: section.heading, number: "", level, kind: "heading" }]
      : [];
  });
  return [end, ...inside];
}
