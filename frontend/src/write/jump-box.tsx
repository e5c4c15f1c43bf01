import { useQuery } from "@tanstack/react-query";
import { useMemo, useState, type KeyboardEvent } from "react";
import { Dialog } from "../parts/dialog";
import { cx } from "../parts/cx";
import { useSession } from "../document/context";
import { followTarget, placesQuery, placesToLink, type LinkChoice } from "./places";

const MOST_SHOWN = 60;

/** Goes to a heading or a bookmark by some of its words. */
export function JumpBox({ onClose }: { onClose: () => void }) {
  const session = useSession("JumpBox");
  return (
    <Dialog open onClose={onClose} title="Jump to">
      <PlaceChooser label="Some words of a heading or a bookmark" onChoose={(choice) => (onClose(), followTarget(session, choice.target))} />
    </Dialog>
  );
}

/** A field that narrows a list of headings and bookmarks, chosen from by arrow keys or by hand. */
export function PlaceChooser({ label, among, onChoose, onOther }: { label: string; among?: readonly LinkChoice[]; onChoose: (choice: LinkChoice) => void; onOther?: (words: string) => void }) {
  const session = useSession("PlaceChooser");
  const places = useQuery(placesQuery(session.state.id, session.state.generation));
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const all = useMemo(() => among ?? placesToLink(session.state, places.data?.bookmarks ?? []), [among, session, places.data]);
  const found = useMemo(() => {
    const parts = words.toLowerCase().split(/\s+/).filter(Boolean);
    return all.filter((choice) => parts.every((part) => choice.words.toLowerCase().includes(part))).slice(0, MOST_SHOWN);
  }, [all, words]);
  const pressed = (event: KeyboardEvent) => {
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      setAt(Math.max(0, Math.min(found.length - 1, at + (event.key === "ArrowDown" ? 1 : -1))));
    }
    if (event.key === "Enter") {
      event.preventDefault();
      const choice = found[at];
      if (choice) onChoose(choice);
      else onOther?.(words);
    }
  };
  return (
    <>
      <input
        autoFocus
        value={words}
        aria-label={label}
        placeholder={label}
        role="combobox"
        aria-expanded="true"
        aria-controls="place-list"
        aria-activedescendant={found[at] ? `place-${found[at].target}` : undefined}
        onChange={(event) => (setWords(event.target.value), setAt(0))}
        onKeyDown={pressed}
        className="mt-2 block w-full rounded-lg border border-line bg-paper px-3 py-2 text-base"
      />
      <ul id="place-list" role="listbox" aria-label="Places" className="mt-3 max-h-[44vh] overflow-auto">
        {found.map((choice, index) => (
          <li
            key={choice.target}
            id={`place-${choice.target}`}
            role="option"
            aria-selected={index === at}
            ref={(element) => (index === at ? element?.scrollIntoView({ block: "nearest" }) : undefined)}
            onClick={() => onChoose(choice)}
            className={cx("flex cursor-pointer items-baseline gap-2 rounded-lg px-3 py-1.5", index === at && "bg-wash")}
            style={{ paddingLeft: 12 + Math.max(0, choice.level - 1) * 14 }}
          >
            {choice.number && <span className="text-xs text-faint tabular-nums">{choice.number}</span>}
            <span className={choice.isBookmark ? "text-ochre" : ""}>{choice.words}</span>
            {choice.isBookmark && <span className="text-xs text-faint">bookmark</span>}
          </li>
        ))}
        {found.length === 0 && (
          <li className="px-3 py-2 text-soft">{onOther ? "No heading or bookmark has these words. Enter links to them as an address." : "No heading or bookmark has these words."}</li>
        )}
      </ul>
    </>
  );
}
