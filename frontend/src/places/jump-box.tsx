import { useQuery } from "@tanstack/react-query";
import { useMemo, useState, type KeyboardEvent } from "react";
import { Dialog } from "../parts/dialog";
import { cx } from "../parts/cx";
import { useSession } from "../document/context";
import type { Session } from "../document/session";
import { plainKey } from "../keys/plain-key";
import { followTarget, placesQuery, placesToLink, type LinkChoice } from "./places";

const MOST_SHOWN = 60;

/** A command as it is offered by its words: those on the menu it stands in, or others that mean it. */
export type Offered = {
  key: string;
  label: string;
  /** The menu it stands in; empty for one that stands in no group. */
  group: string;
  keys: string;
  also: string;
  run: () => void;
};

function goToChoice(session: Session, choice: LinkChoice): void {
  if (!choice.caption) return followTarget(session, choice.target);
  session.navigation.goTo({ section: choice.caption.section, caption: choice.caption.index });
}

/** Goes to a heading or a bookmark by some of its words, or does a command by some of its own. */
export function JumpBox({ commands, onClose }: { commands: readonly Offered[]; onClose: () => void }) {
  const session = useSession("JumpBox");
  return (
    <Dialog open onClose={onClose} title="Jump to">
      <PlaceChooser
        label="Some words of a heading, a bookmark or a command"
        commands={commands}
        onCommand={(command) => (onClose(), command.run())}
        onChoose={(choice) => (onClose(), goToChoice(session, choice))}
      />
    </Dialog>
  );
}

const NO_COMMANDS: readonly Offered[] = [];
type ChooserProps = {
  label: string;
  among?: readonly LinkChoice[];
  /** Offered beside the places once some words are written. */
  commands?: readonly Offered[];
  onCommand?: (command: Offered) => void;
  onChoose: (choice: LinkChoice) => void;
  onOther?: (words: string) => void;
};

type Found = { key: string; choose: () => void; command?: Offered; choice?: LinkChoice };

/** Commands called by just these words come before those that only mean the same. */
function farness({ label }: Offered, words: string): number {
  const at = label.toLowerCase().indexOf(words.trim().toLowerCase());
  return at === 0 ? 0 : at > 0 ? 1 : 2;
}

/** A field that narrows a list of headings and bookmarks, chosen from by arrow keys or by hand. */
export function PlaceChooser({ label, among, commands = NO_COMMANDS, onCommand, onChoose, onOther }: ChooserProps) {
  const session = useSession("PlaceChooser");
  const places = useQuery(placesQuery(session.state.id));
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const all = useMemo(() => among ?? placesToLink(session.state, places.data), [among, session, places.data]);
  const found = useMemo(() => {
    const parts = words.toLowerCase().split(/\s+/).filter(Boolean);
    const has = (text: string) => parts.every((part) => text.toLowerCase().includes(part));
    const places = all.filter((choice) => has(`${choice.number} ${choice.words}`)).slice(0, MOST_SHOWN);
    const fitting =
      parts.length === 0
        ? []
        : commands
            .filter(({ group, label, also }) => has(`${group} ${label} ${also}`))
            .toSorted((one, other) => farness(one, words) - farness(other, words))
            .slice(0, MOST_SHOWN);
    return [
      ...fitting.map((command): Found => ({
        key: `command-${command.key.replaceAll(" ", "-")}`,
        choose: () => onCommand?.(command),
        command,
      })),
      ...places.map((choice): Found => ({
        key: choice.target || `caption-${choice.caption?.section}-${choice.caption?.index}`,
        choose: () => onChoose(choice),
        choice,
      })),
    ];
  }, [all, words, commands, onCommand, onChoose]);
  const pressed = (event: KeyboardEvent) => {
    const key = plainKey(event);
    if (key === "ArrowDown" || key === "ArrowUp") {
      event.preventDefault();
      setAt(Math.max(0, Math.min(found.length - 1, at + (key === "ArrowDown" ? 1 : -1))));
    }
    if (key === "Enter") {
      event.preventDefault();
      if (found[at]) found[at].choose();
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
        aria-activedescendant={found[at] ? `place-${found[at].key}` : undefined}
        onChange={(event) => (setWords(event.target.value), setAt(0))}
        onKeyDown={pressed}
        className="mt-2 block w-full rounded-lg border border-line bg-paper px-3 py-2 text-base"
      />
      <ul id="place-list" role="listbox" aria-label="Places" className="mt-3 max-h-[44vh] overflow-auto">
        {found.map(({ key, choose, command, choice }, index) => (
          <li
            key={key}
            id={`place-${key}`}
            role="option"
            aria-selected={index === at}
            ref={(element) => (index === at ? element?.scrollIntoView({ block: "nearest" }) : undefined)}
            onClick={choose}
            className={cx("flex cursor-pointer items-baseline gap-2 rounded-lg px-3 py-1.5", index === at && "bg-wash")}
            style={{ paddingLeft: 12 + Math.max(0, (choice?.level ?? 1) - 1) * 14 }}
          >
            {command && (
              <>
                <span className="flex-1 font-medium text-stem">
                  <span>{command.label}</span>
                  {command.group && <span className="ml-2 text-xs font-[400] text-faint">{command.group}</span>}
                </span>
                <kbd className="font-sans text-[11.5px] text-faint">{command.keys}</kbd>
              </>
            )}
            {choice?.number && <span className="text-xs text-faint tabular-nums">{choice.number}</span>}
            {choice && <span className={choice.kind === "bookmark" ? "text-ochre" : ""}>{choice.words}</span>}
            {choice && choice.kind !== "heading" && <span className="text-xs text-faint">{choice.kind}</span>}
          </li>
        ))}
        {found.length === 0 && (
          <li className="px-3 py-2 text-soft">
            {onOther
              ? "No heading, bookmark or caption has these words. Enter links to them as an address."
              : "No heading, bookmark or caption has these words."}
          </li>
        )}
      </ul>
    </>
  );
}
