import { ArrowLeft, ArrowRight, Download } from "lucide-react";
import { useMemo } from "react";
import { useDocument, useSession, useWindow } from "../document/context";
import { sectionLabel } from "../document/section-name";
import { FORMATS } from "../files/formats";
import { writeToFile } from "../files/write-to-file";
import { labelled } from "../keys/keys";
import { alongside, runsOf } from "../outline/scope";
import { Menu } from "../parts/menu";
import { counted, formatNumber } from "../parts/words";

/** What part of the document is shown, when it is not the whole; the next part, and the way back to all of it. */
export function ScopeBar() {
  const session = useSession("ScopeBar");
  const scope = useWindow("ScopeBar", (state) => state.scope);
  const outline = useDocument("ScopeBar", (state) => state.outline);
  const positions = useDocument("ScopeBar", (state) => state.positions);
  const facts = useDocument("ScopeBar", (state) => state.facts);
  const whole = useDocument("ScopeBar", (state) => state.words);
  // The same words as the outline, once the numbers are there.
  useDocument("ScopeBar", (state) => state.numbers);
  const words = useMemo(
    () =>
      (scope ? runsOf(outline, positions, scope) : []).reduce(
        (sum, [from, to]) =>
          sum + outline.ids.slice(from, to).reduce((words, id) => words + (facts.get(id)?.words ?? 0), 0),
        0,
      ),
    [scope, outline, positions, facts],
  );
  if (scope === null) return null;
  const [head] = scope.heads;
  const name =
    scope.heads.length > 1 || head === undefined
      ? scope.extent === "branch"
        ? counted(scope.heads.length, "branch", "branches")
        : counted(scope.heads.length, "section")
      : sectionLabel(session.state, head) || "the opening";
  const move = (by: 1 | -1, id: "scope-previous" | "scope-next") => {
    const { label, keys } = labelled(id);
    const Sign = by === 1 ? ArrowRight : ArrowLeft;
    return (
      <button
        type="button"
        aria-label={label}
        title={keys ? `${label} (${keys})` : label}
        disabled={alongside(outline, positions, scope, by) === null}
        className={SIGN}
        onClick={() => session.navigation.moveScope(by)}
      >
        <Sign size={14} strokeWidth={1.8} aria-hidden="true" />
      </button>
    );
  };
  return (
    <section
      aria-label="What is shown"
      className="flex h-9 items-center gap-1 border-b border-line/60 bg-wash px-6 text-[12.5px] text-soft @2xl:px-[46px]"
    >
      <p className="min-w-0 truncate">
        {scope.extent === "branch" ? "Only " : "Only the text of "}
        <span className="font-semibold text-stem">{name}</span>
        <span className="hidden @md:inline">
          {" "}
          · {formatNumber(words)} of {counted(whole, "word")}
        </span>
      </p>
      <span className="flex-1" />
      {move(-1, "scope-previous")}
      {move(1, "scope-next")}
      <Menu
        label="Write or print what is shown"
        align="end"
        entries={[
          ...FORMATS.map(({ format, inSentence }) => ({
            label: `Write it to ${inSentence}`,
            keys: `.${format}`,
            run: () => void writeToFile(session, format, scope),
          })),
          { label: "Print it…", run: () => void session.files.print(scope) },
        ]}
      >
        <button
          type="button"
          aria-label="Write or print what is shown"
          title="Write or print what is shown"
          className={SIGN}
        >
          <Download size={14} strokeWidth={1.8} aria-hidden="true" />
        </button>
      </Menu>
      <button
        type="button"
        className="ml-1 rounded-full px-2.5 py-0.5 font-medium whitespace-nowrap text-stem hover:bg-sheet"
        title={`Show the whole document (${labelled("scope-branch").keys})`}
        onClick={() => session.navigation.setScope(null)}
      >
        Show all
      </button>
    </section>
  );
}

const SIGN =
  "grid size-7 place-items-center rounded-full text-soft hover:bg-sheet hover:text-ink disabled:opacity-40 disabled:hover:bg-transparent";
