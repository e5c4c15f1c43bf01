import { useState } from "react";
import { useDocument, useSession } from "../document/context";
import { Dialog } from "../parts/dialog";
import { KeptField } from "../parts/kept-field";
import { isMarker, MARKERS, MarkerSign, type MarkerName } from "../parts/marker";
import { counted } from "../parts/words";

/** Gives sections a small sign, or takes it away. */
export function MarkerDialog({ sections, onClose }: { sections: string[]; onClose: () => void }) {
  const session = useSession("MarkerDialog");
  const facts = useDocument("MarkerDialog", (state) => state.facts);
  const [words, setWords] = useState("");
  const used = (marker: string) => Array.from(facts.values()).filter((each) => each.marker === marker).length;
  const meanings = useDocument("MarkerDialog", (state) => state.markerWords);
  const called = (marker: MarkerName | "") => (marker === "" ? "none" : (meanings[marker] ?? marker));
  const looked = words.trim().toLowerCase();
  const found = ([...MARKERS, ""] as const).filter(
    (marker) => called(marker).toLowerCase().includes(looked) || (looked !== "" && marker.includes(looked)),
  );
  const choose = (marker: MarkerName | "" | undefined) => {
    if (marker === undefined) return;
    onClose();
    void session.changes.perform({ name: "describe-section", sections, marker });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={sections.length === 1 ? "Marker" : `Marker for ${counted(sections.length, "section")}`}
    >
      <p className="mt-1 text-soft">What each stands for is yours to say; it is shown in the rows.</p>
      <form onSubmit={(event) => (event.preventDefault(), choose(found[0]))}>
        <input
          autoFocus
          value={words}
          aria-label="Find a marker by name"
          placeholder="Find a marker by name"
          onChange={(event) => setWords(event.target.value)}
          className="mt-3 block w-full rounded-lg border border-line bg-paper px-3 py-2"
        />
      </form>
      <ul aria-label="Markers" className="mt-3 grid gap-0.5">
        {found.map((marker) => (
          <li key={marker} className="flex items-center gap-2">
            <button
              type="button"
              className="flex h-9 min-w-0 flex-1 items-center gap-3 rounded-lg px-3 text-left hover:bg-wash"
              onClick={() => choose(marker)}
            >
              <span aria-hidden="true" className="grid w-4 place-items-center">
                {isMarker(marker) ? <MarkerSign name={marker} size={16} /> : "–"}
              </span>
              <span className="flex-1 truncate first-letter:uppercase">{called(marker)}</span>
              {marker !== "" && <span className="text-xs text-faint">{counted(used(marker), "section")}</span>}
            </button>
            {marker !== "" && (
              <KeptField
                aria-label={`What ${marker} stands for`}
                placeholder="stands for…"
                value={meanings[marker] ?? ""}
                maxLength={60}
                onKeep={(meaning) =>
                  session.changes.perform({ name: "name-marker", marker, words: meaning }, { quiet: true })
                }
                className="w-36 rounded-lg border border-line bg-paper px-2 py-1"
              />
            )}
          </li>
        ))}
        {found.length === 0 && <li className="px-3 py-2 text-soft">No marker has this name.</li>}
      </ul>
    </Dialog>
  );
}
