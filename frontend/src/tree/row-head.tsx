import { Ellipsis } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useRef, useState } from "react";
import { useShallow } from "zustand/react/shallow";
import { useDocument, useSession, useWindow } from "../document/context";
import { plainKey } from "../keys/plain-key";
import { sectionName } from "../document/section-name";
import { flagsAt, UNNUMBERED } from "../outline/outline";
import { isInScope } from "../outline/scope";
import type { Row } from "../outline/rows";
import { cx } from "../parts/cx";
import { MenuContent } from "../parts/menu";
import { nodeX } from "./geometry";
import { rowCommands } from "./row-commands";
import { Stem } from "./stem";
import type { TreeRowProps } from "./use-tree";

/** What a row shows of its section; drawn anew only when that changes. */
export function useRowFacts(row: Row) {
  const isCurrent = useWindow("useRowFacts", (state) => state.current === row.id);
  const { facts, number, name, words, isOver } = useDocument(
    "useRowFacts",
    useShallow((state) => ({
      facts: state.facts.get(row.id),
      number: state.numbers[row.position] ?? "",
      name: sectionName(state, row.id),
      words: state.branchWords[row.position] ?? state.facts.get(row.id)?.words ?? 0,
      isOver: state.overTarget.has(row.id),
    })),
  );
  const isOutside = useIsOutside(row);
  const heading = facts?.heading ?? "";
  const target = facts?.target ?? null;
  return {
    heading,
    number: name === number ? "" : number,
    /** Words of the whole branch. */
    words,
    target,
    aim: facts?.aim ?? "",
    marker: facts?.marker ?? "",
    stage: facts?.stage ?? "",
    isCurrent,
    isOutside,
    isOver,
    name,
    isNameless: heading === "" && name !== number,
    /** How far the branch has come: of its target, or of having any words. */
    share: target ? Math.min(1, words / target) : words > 0 ? 1 : 0,
  };
}

/** How a row looks that lies outside of what is worked on. */
export const OUTSIDE = "text-faint [&_.row-heading]:font-[400] [&_svg]:opacity-40";

/** Whether a row lies outside of the part that is worked on. */
function useIsOutside({ id }: Row): boolean {
  const session = useSession("useIsOutside");
  return useWindow(
    "useIsOutside",
    ({ scope }) => scope !== null && !isInScope(session.state.outline, session.state.positions, scope, id),
  );
}

type Props = Pick<TreeRowProps, "row" | "isRenaming" | "acts"> & {
  facts: ReturnType<typeof useRowFacts>;
  isFirst: boolean;
};

/** The stem, the fold, the number and the heading, or the field to rename it. */
export function RowHead({ row, facts, isFirst, isRenaming, acts }: Props) {
  const session = useSession("RowHead");
  const isUnnumbered = useDocument("RowHead", (state) => (flagsAt(state.outline, row.position) & UNNUMBERED) !== 0);
  const { heading, name, number, isNameless, isCurrent, share } = facts;
  return (
    <>
      <Stem row={row} share={share} lit={isCurrent} isFirst={isFirst} />
      {row.hasInside && (
        <span
          aria-hidden="true"
          className="absolute size-5 cursor-pointer rounded-full hover:bg-lit/60"
          style={{ left: nodeX(row.level) - 10, top: 3.5 }}
          title={row.folded ? "Unfold" : "Fold"}
          onClick={(event) => (event.stopPropagation(), session.navigation.setFolded(row.id, !row.folded))}
        />
      )}
      {isRenaming ? (
        <RenameField
          heading={heading}
          onDone={(next) => {
            acts.rename(row.id, false);
            if (next !== null && next !== heading)
              void session.changes.perform({ name: "rename", section: row.id, heading: next });
          }}
        />
      ) : (
        <>
          {number && <span className="mr-2 text-xs text-faint tabular-nums">{number}</span>}
          <span
            className={cx(
              "row-heading flex-1 truncate",
              row.level <= 1 && "font-text text-sm font-semibold",
              isCurrent && "font-semibold text-stem",
              isNameless && "text-faint italic",
              isUnnumbered && row.level === 1 && "font-medium",
            )}
            title={name}
          >
            {name}
          </span>
        </>
      )}
    </>
  );
}

/** The row’s commands, where the hand is. */
export function RowMenu({
  row,
  name,
  isMenuOpen,
  acts,
}: Pick<TreeRowProps, "row" | "isMenuOpen" | "acts"> & { name: string }) {
  const session = useSession("RowMenu");
  const sign = (
    <button
      type="button"
      tabIndex={-1}
      aria-hidden="true"
      className="absolute right-1 grid size-6 place-items-center rounded-full text-soft opacity-0 group-hover:opacity-100 hover:bg-lit data-[state=open]:opacity-100"
      onClick={(event) => (event.stopPropagation(), acts.menu(row.id, true))}
    >
      <Ellipsis size={14} />
    </button>
  );
  // Rows fly past in scrolling; what a menu needs around its sign is made when it opens.
  if (!isMenuOpen) return sign;
  return (
    <DropdownMenu.Root modal={false} open onOpenChange={(open) => acts.menu(row.id, open)}>
      <DropdownMenu.Trigger asChild>{sign}</DropdownMenu.Trigger>
      <MenuContent
        onClosed={acts.menuClosed}
        label={`Commands for ${name}`}
        entries={rowCommands(session, row, () => acts.rename(row.id, true))}
      />
    </DropdownMenu.Root>
  );
}

function RenameField({ heading, onDone }: { heading: string; onDone: (next: string | null) => void }) {
  const [words, setWords] = useState(heading);
  const done = useRef(false);
  const finish = (next: string | null) => {
    if (done.current) return;
    done.current = true;
    onDone(next);
  };
  return (
    <input
      autoFocus
      aria-label="Heading"
      value={words}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setWords(event.target.value)}
      onClick={(event) => event.stopPropagation()}
      onBlur={() => finish(words.trim())}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (plainKey(event) === "Enter") finish(words.trim());
        if (plainKey(event) === "Escape") finish(null);
      }}
      className="min-w-0 flex-1 rounded border border-twig bg-sheet px-1.5 py-0.5"
    />
  );
}
