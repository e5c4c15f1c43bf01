import { RotateCcw } from "lucide-react";
import { useState, type KeyboardEvent } from "react";
import { Button } from "../parts/button";
import { cx } from "../parts/cx";
import { Dialog } from "../parts/dialog";
import { ALL_COMMANDS, clash, keysOf, objection, withKeys, type Command, type OwnKeys } from "./bindings";
import { chordOf, shown, type Chord } from "./chord";
import { ALWAYS, type Reach } from "./commands";
import { keepKeys, useKeys } from "./keys";
import { GROUPS } from "./groups";

/** Every command with its keys, to be looked up and changed. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  const own = useKeys((state) => state.own);
  const [words, setWords] = useState("");
  const [changing, setChanging] = useState<Command | null>(null);
  const [problem, setProblem] = useState("");
  const keep = (next: OwnKeys) =>
    keepKeys(next).then(
      () => setProblem(""),
      (failure: unknown) => setProblem(failure instanceof Error ? failure.message : "The keys could not be kept."),
    );
  const parts = words.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  const isShown = (command: Command) => {
    const text = [command.words, ...keysOf(own, command).map(shown)].join(" ").toLocaleLowerCase();
    return parts.every((part) => text.includes(part));
  };
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="Keys"
      description="Choose a command’s keys to change them. What you change is yours in every document."
    >
      <input
        type="search"
        autoFocus
        value={words}
        aria-label="Words of a command, or its keys"
        placeholder="Words of a command, or its keys"
        className="mb-3 block w-full rounded-lg border border-line bg-paper px-3 py-2"
        onChange={(event) => setWords(event.target.value)}
      />
      {problem && (
        <p role="alert" className="mb-3 font-medium text-loss">
          {problem}
        </p>
      )}
      <div className="max-h-[52vh] overflow-auto pr-1" tabIndex={-1}>
        {GROUPS.map(({ reach, title }) => {
          const commands = ALL_COMMANDS.filter((command) => command.reach === reach && isShown(command));
          return (
            commands.length > 0 && (
              <section key={reach} className="mb-5" aria-label={title}>
                <h3 className="sticky top-0 bg-sheet py-1 font-text text-[15px] font-semibold text-stem">{title}</h3>
                <ul>
                  {commands.map((command) => (
                    <CommandLine
                      key={command.id}
                      command={command}
                      own={own}
                      isChanging={changing?.id === command.id}
                      onChanging={(is) => setChanging(is ? command : null)}
                      onKeep={(next) => void keep(next)}
                    />
                  ))}
                  {parts.length === 0 && ALWAYS[reach].map((each) => <AlwaysLine key={each.words} {...each} />)}
                </ul>
              </section>
            )
          );
        })}
        {!ALL_COMMANDS.some(isShown) && <p className="text-soft">No command has these words or keys.</p>}
      </div>
      <div className="mt-4 flex items-center gap-2">
        <Button onClick={() => window.open("/keys", "_blank", "noopener")}>A sheet to print</Button>
        <span className="flex-1" />
        <Button disabled={Object.keys(own).length === 0} onClick={() => void keep({})}>
          All back to ours
        </Button>
        <Button tone="stem" onClick={onClose}>
          Done
        </Button>
      </div>
    </Dialog>
  );
}

type LineProps = {
  command: Command;
  own: OwnKeys;
  isChanging: boolean;
  onChanging: (is: boolean) => void;
  onKeep: (next: OwnKeys) => void;
};

function CommandLine({ command, own, isChanging, onChanging, onKeep }: LineProps) {
  const keys = keysOf(own, command);
  const isOwn = own[command.id] !== undefined;
  return (
    <li className="rounded-lg px-2 hover:bg-wash">
      <div className="flex min-h-9 items-center gap-3">
        <span className="flex-1">{command.words}</span>
        {isOwn && (
          <button
            type="button"
            aria-label={`Back to our keys for “${command.words}”`}
            title={`Back to ours: ${command.ours.map(shown).join(", ") || "no keys"}`}
            className="grid size-7 place-items-center rounded-full text-soft hover:bg-lit hover:text-ink"
            onClick={() => onKeep(withKeys(own, command, command.ours))}
          >
            <RotateCcw size={13} aria-hidden="true" />
          </button>
        )}
        <button
          type="button"
          aria-label={`Keys of “${command.words}”: ${keys.map(shown).join(", ") || "none"}`}
          aria-expanded={isChanging}
          className={cx(
            "flex min-h-7 min-w-24 flex-wrap justify-end gap-1.5 rounded-lg px-1.5 py-1 hover:bg-lit",
            isOwn && "font-semibold",
          )}
          onClick={() => onChanging(!isChanging)}
        >
          <AllKeys chords={keys} between="or" />
          {keys.length === 0 && <span className="text-xs text-faint">no keys</span>}
        </button>
      </div>
      {isChanging && (
        <Catcher
          command={command}
          own={own}
          keys={keys}
          onKeep={(next) => (onKeep(next), onChanging(false))}
          onLeave={() => onChanging(false)}
        />
      )}
    </li>
  );
}

/** Waits for keys to be pressed, says what stands against them, and gives them to the command. */
function Catcher({
  command,
  own,
  keys,
  onKeep,
  onLeave,
}: {
  command: Command;
  own: OwnKeys;
  keys: readonly Chord[];
  onKeep: (next: OwnKeys) => void;
  onLeave: () => void;
}) {
  const [caught, setCaught] = useState<Chord | null>(null);
  const pressed = (event: KeyboardEvent) => {
    // Escape leaves, and Tab goes to the buttons, unless it is held with other keys.
    if (event.key === "Escape") return (event.preventDefault(), event.stopPropagation(), onLeave());
    if (event.key === "Tab" && !event.ctrlKey && !event.altKey) return;
    const chord = chordOf(event.nativeEvent);
    event.preventDefault();
    event.stopPropagation();
    if (chord !== null) setCaught(chord);
  };
  const against = caught === null ? null : objection(command, caught);
  const other = caught === null || against !== null ? null : clash(own, command, caught);
  const give = (chord: Chord) => onKeep(withKeys(own, command, [chord]));
  return (
    <div className="mb-2 rounded-xl bg-paper p-3">
      <div className="flex items-center gap-3">
        <div
          role="textbox"
          aria-readonly="true"
          aria-label={`Press the keys for “${command.words}”`}
          tabIndex={0}
          ref={(element) => element?.focus()}
          className="min-h-9 flex-1 rounded-lg border border-line bg-sheet px-3 py-1.5 text-soft"
          onKeyDown={pressed}
        >
          {caught === null ? "Press the keys…" : <Keys chord={caught} />}
        </div>
        {keys.length > 0 && <Button onClick={() => onKeep(withKeys(own, command, []))}>No keys</Button>}
        <Button
          tone="stem"
          disabled={caught === null || against !== null}
          onClick={() => caught !== null && give(caught)}
        >
          {other ? "Take them" : "Use them"}
        </Button>
      </div>
      <p role="status" className="min-h-5 pt-1.5 text-xs">
        {against && <span className="font-medium text-loss">{against}</span>}
        {other && (
          <span className="font-medium text-ochre">
            These are the keys of “{other.words}”. Taken for “{command.words}”, they no longer do that.
          </span>
        )}
        {caught !== null && !against && !other && <span className="text-soft">These keys are free.</span>}
      </p>
    </div>
  );
}

function AlwaysLine({ chords, words }: (typeof ALWAYS)[Reach][number]) {
  return (
    <li className="flex min-h-9 items-center gap-3 px-2 text-soft">
      <span className="flex-1">{words}</span>
      <span className="flex gap-1.5 pr-1.5">
        <AllKeys chords={chords} between="," />
      </span>
    </li>
  );
}

/** Chords one after the other, with a word between them. */
export function AllKeys({ chords, between }: { chords: readonly Chord[]; between: "or" | "," }) {
  return chords.map((chord, index) => (
    <span key={chord} className="flex items-center gap-1.5">
      {index > 0 && <span className="text-xs font-[400] text-faint">{between}</span>}
      <Keys chord={chord} />
    </span>
  ));
}

/** Keys as they are labelled, each on a cap of its own. */
function Keys({ chord }: { chord: Chord }) {
  return (
    <kbd className="flex gap-0.5 font-sans text-[11.5px] text-ink">
      {shown(chord)
        .split(/ (?!Up|Down)/)
        .map((key) => (
          <span key={key} className="rounded border border-line bg-sheet px-1.5 leading-5">
            {key}
          </span>
        ))}
    </kbd>
  );
}
