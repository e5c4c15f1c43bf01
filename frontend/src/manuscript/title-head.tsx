import { useCallback, useEffect, useRef, useState, type KeyboardEvent } from "react";
import { useDocument, useSession, useWindow } from "../document/context";
import { usePageSetup } from "../pages/page-setup";
import { cx } from "../parts/cx";

/** What is typed is kept after so long a pause, by Enter and when the line is left (milliseconds). */
const PAUSE = 1500;

const LINES = [
  { part: "title", label: "Title", look: "text-[30px] leading-[1.2] font-medium tracking-tight text-ink" },
  { part: "subtitle", label: "Subtitle", look: "text-[19px] leading-snug text-soft italic" },
  { part: "author", label: "Author, or authors", look: "text-[15px] text-soft" },
  { part: "own", label: "More lines of the title page", look: "text-[15px] text-soft" },
  { part: "date", label: "Date", look: "text-[15px] text-soft" },
] as const;

/** Above the first section: what stands on the title page, written where it is read. Nothing else of it is part of the text. */
export function TitleHead() {
  const session = useSession("TitleHead");
  const block = useDocument("TitleHead", (state) => state.titleBlock);
  const scope = useWindow("TitleHead", (state) => state.scope);
  const { view, change } = usePageSetup();
  const fields = useRef(new Map<string, HTMLTextAreaElement>());
  if (scope !== null) return null;
  const values = {
    title: block.title,
    subtitle: block.subtitle,
    author: block.author,
    own: view?.pages.titleLines.join("\n") ?? "",
    date: block.date,
  };
  const keep = (part: keyof typeof values, words: string) =>
    part === "own"
      ? change({ titleLines: words.split("\n").filter((line) => line.trim() !== "") })
      : session.changes
          .perform({ name: "describe-document", [part]: words.trim() }, { quiet: true })
          .then(({ kind }) => kind === "applied");
  const toText = () => {
    const first = session.state.outline.ids[0];
    if (first !== undefined) session.navigation.goTo({ section: first });
  };
  const step = (from: number, by: 1 | -1) => {
    for (let at = from + by; at >= 0 && at < LINES.length; at += by) {
      const field = fields.current.get(LINES[at]!.part);
      if (field && field.offsetParent !== null) return field.focus();
    }
    if (by === 1) toText();
  };
  return (
    <div
      role="group"
      aria-label="Head of the text"
      className="title-head group/head mb-8 space-y-1 border-b border-line pb-5 font-text"
    >
      {LINES.map(({ part, label, look }, index) => (
        <TitleLine
          key={part}
          part={part === "title" || part === "subtitle" ? part : "line"}
          label={label}
          look={cx(
            look,
            // Lines that stay empty take no room but while the head is written in.
            values[part] === "" && part !== "title" && part !== "subtitle" && "hidden group-focus-within/head:grid",
          )}
          value={values[part]}
          hasLines={part === "own"}
          onField={(field) => void (field ? fields.current.set(part, field) : fields.current.delete(part))}
          onKeep={(words) => keep(part, words)}
          onStep={(by) => step(index, by)}
          onLeave={toText}
        />
      ))}
    </div>
  );
}

type LineProps = {
  /** Which kind of text it is. */
  part: "title" | "subtitle" | "line";
  label: string;
  look: string;
  value: string;
  /** Whether Enter begins another line. */
  hasLines: boolean;
  onField: (field: HTMLTextAreaElement | null) => void;
  onKeep: (words: string) => Promise<boolean>;
  onStep: (by: 1 | -1) => void;
  onLeave: () => void;
};

function TitleLine({ part, label, look, value, hasLines, onField, onKeep, onStep, onLeave }: LineProps) {
  const session = useSession("TitleLine");
  const [typed, setTyped] = useState(value);
  const [known, setKnown] = useState(value);
  const [isTyping, setTyping] = useState(false);
  // Another window, or undo; words that are being typed are not taken away by it.
  if (known !== value) {
    setKnown(value);
    if (!isTyping) setTyped(value);
  }
  const latest = useRef({ typed, value, isTyping, onKeep });
  useEffect(() => {
    latest.current = { typed, value, isTyping, onKeep };
  });
  const hand = useCallback(() => {
    const now = latest.current;
    if (now.isTyping && now.typed.trim() !== now.value) void now.onKeep(now.typed);
  }, []);
  const keep = useCallback(() => {
    hand();
    setTyping(false);
  }, [hand]);
  useEffect(() => {
    if (!isTyping) return;
    const timer = window.setTimeout(keep, PAUSE);
    return () => window.clearTimeout(timer);
  }, [typed, isTyping, keep]);
  // Whoever goes to another face, or closes the window, leaves nothing behind.
  useEffect(() => {
    window.addEventListener("pagehide", hand);
    return () => {
      window.removeEventListener("pagehide", hand);
      hand();
    };
  }, [hand]);
  const pressed = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    const { selectionStart: at, value: words } = event.currentTarget;
    const key = event.key.toLowerCase();
    const hasControl = (event.ctrlKey || event.metaKey) && !event.altKey;
    if (hasControl && (key === "z" || key === "y")) {
      event.preventDefault();
      keep();
      void (key === "y" || event.shiftKey ? session.changes.redo() : session.changes.undo());
    } else if (hasControl || event.altKey || event.nativeEvent.isComposing) return;
    else if (event.key === "Enter" && !(hasLines && at > 0 && words[at - 1] !== "\n")) step(event, 1);
    else if (event.key === "ArrowDown" && !words.slice(at).includes("\n")) step(event, 1);
    else if (event.key === "ArrowUp" && !words.slice(0, at).includes("\n")) step(event, -1);
    else if (event.key === "Escape") {
      keep();
      onLeave();
    }
  };
  const step = (event: KeyboardEvent, by: 1 | -1) => {
    event.preventDefault();
    keep();
    onStep(by);
  };
  return (
    <label data-part={part} className={cx("grid", look)}>
      <span className="sr-only">{label}</span>
      {/* It grows with its words, which stand behind it unseen. */}
      <span
        aria-hidden="true"
        className="invisible col-start-1 row-start-1 min-h-[1lh] break-words whitespace-pre-wrap"
      >
        {typed + " "}
      </span>
      <textarea
        ref={onField}
        dir="auto"
        aria-label={label}
        placeholder={label}
        rows={1}
        maxLength={hasLines ? 2000 : 300}
        value={typed}
        onChange={(event) => {
          setTyped(hasLines ? event.target.value : event.target.value.replace(/\n+/g, " "));
          setTyping(true);
        }}
        onBlur={keep}
        onKeyDown={pressed}
        className="col-start-1 row-start-1 resize-none overflow-hidden rounded bg-transparent placeholder:text-faint placeholder:italic focus-visible:outline-offset-1"
      />
    </label>
  );
}
