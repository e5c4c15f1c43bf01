import { memo, useState, type KeyboardEvent } from "react";
import type { Finding } from "../../api/client";
import { useDocument, usePages, useSession } from "../../document/context";
import { plainKey } from "../../keys/plain-key";
import { cx } from "../../parts/cx";
import { isMarker, markerCalled, MarkerSign } from "../../parts/marker";
import { Menu } from "../../parts/menu";
import { isStage, StageSign } from "../../parts/stage";
import { formatNumber, wholeNumber } from "../../parts/words";
import { openDialog } from "../../window/open-dialog";
import { stageEntries } from "../../tree/row-commands";
import { nodeX, ROW_HEIGHT } from "../../tree/geometry";
import { OUTSIDE, RowHead, RowMenu, useRowFacts } from "../../tree/row-head";
import { useRowDraggable } from "../../tree/use-row-drag";
import type { TreeRowProps } from "../../tree/use-tree";

/** The columns of a row and of what is written over them; a narrow window shows fewer, and scrolls down only. */
export const COLUMNS =
  "grid grid-cols-[minmax(0,1fr)_4.5rem_2rem] items-center gap-x-2 pr-3 @min-[620px]:grid-cols-[minmax(0,3fr)_minmax(0,2fr)_8.75rem_2rem] @min-[1000px]:grid-cols-[minmax(320px,5fr)_minmax(180px,4fr)_264px_56px_48px_96px_minmax(120px,2fr)] @min-[1000px]:gap-x-4 @min-[1000px]:pr-6";
/** Columns that need room. */
export const FROM_MEDIUM = "@max-[620px]:hidden";
export const FROM_WIDE = "@max-[1000px]:hidden";

const percent = new Intl.NumberFormat("en-GB", {
  style: "percent",
  minimumFractionDigits: 1,
  maximumFractionDigits: 1,
});

/** One section in the Arrange table. The fields of the row that has the keys are reached by Tab. */
export const ArrangeRow = memo(function ArrangeRow({
  index,
  findings,
  ...props
}: TreeRowProps & { index: number; findings: readonly Finding[] }) {
  const session = useSession("ArrangeRow");
  const { row, isActive, isInHand, isPicked, isRenaming, acts } = props;
  const element = useRowDraggable(session, row, isRenaming);
  const facts = useRowFacts(row);
  const whole = useDocument("ArrangeRow", (state) => state.words);
  const page = usePages("ArrangeRow", (state) => state.sections.get(row.id)?.label ?? "");
  const markerWords = useDocument("ArrangeRow", (state) => state.markerWords);
  const isBehind = usePages("ArrangeRow", (state) => state.isBehind);
  const { aim, isOver, marker, name, stage, target, words } = facts;
  const remarks = [
    ...(words === 0 ? ["no words"] : []),
    ...(isOver ? ["over target"] : []),
    ...findings.map((finding) => finding.message),
  ];
  const tabIndex = isActive ? 0 : -1;
  const [isUnderHand, setUnderHand] = useState(false);
  const isReached = isActive || isUnderHand;
  const describe = (note: { aim: string } | { target: number }) =>
    void session.changes.perform({ name: "describe-section", sections: [row.id], ...note }, { quiet: true });
  const setTarget = (typed: string) => {
    const wanted = typed.trim() === "" ? 0 : wholeNumber(typed);
    if (wanted === null)
      session.messages.say("A target is a whole number of words, like 1,200; no target was set.", "warning");
    else if (wanted !== (target ?? 0)) describe({ target: wanted });
    return wanted !== null;
  };

  return (
    <div
      id={`row-${row.id}`}
      role="row"
      aria-rowindex={index + 2}
      aria-level={Math.max(1, row.level)}
      aria-setsize={row.setSize}
      aria-posinset={row.positionInSet}
      aria-expanded={row.hasInside ? !row.folded : undefined}
      aria-selected={isPicked}
      className={cx(
        "group",
        COLUMNS,
        facts.isCurrent && "bg-wash",
        isPicked && "bg-lit!",
        isActive && "row-active",
        facts.isOutside && OUTSIDE,
        isInHand && "opacity-40",
      )}
      style={{ height: ROW_HEIGHT }}
      onClick={(event) => !isRenaming && acts.click(row, event)}
      onPointerEnter={() => setUnderHand(true)}
      onPointerLeave={(event) => !event.currentTarget.contains(document.activeElement) && setUnderHand(false)}
      onBlur={(event) =>
        !event.currentTarget.matches(":hover") &&
        !event.currentTarget.contains(event.relatedTarget) &&
        setUnderHand(false)
      }
    >
      <div
        ref={element}
        role="gridcell"
        className="relative flex h-full min-w-0 items-center pr-8"
        style={{ paddingLeft: nodeX(row.level) + 13 }}
        onDoubleClick={(event) =>
          !(event.ctrlKey || event.metaKey || event.shiftKey) && row.level > 0 && acts.rename(row.id, true)
        }
      >
        <RowHead row={row} facts={facts} isFirst={index === 0} isRenaming={isRenaming} acts={acts} />
        {!isRenaming && (isReached || props.isMenuOpen) && <RowMenu name={name} {...props} />}
      </div>
      <div role="gridcell" className={cx("min-w-0", FROM_MEDIUM)}>
        <CellField
          key={aim}
          isReached={isReached}
          label={`Aim of ${name}`}
          value={aim}
          placeholder="what must it do?"
          tabIndex={tabIndex}
          onLeave={acts.leave}
          className="w-full font-text italic placeholder:text-faint"
          onChange={(next) => describe({ aim: next })}
        />
      </div>
      <div role="gridcell" className="flex items-center gap-2.5 tabular-nums">
        <span className="w-14 shrink-0 text-right">{words > 0 ? formatNumber(words) : "–"}</span>
        <TargetBar words={words} target={target} isOver={isOver} />
        <CellField
          key={target}
          isReached={isReached}
          label={`Target of ${name}, in words`}
          value={target === null ? "" : formatNumber(target)}
          placeholder="target"
          tabIndex={tabIndex}
          onLeave={acts.leave}
          className="w-17 shrink-0 placeholder:text-transparent group-hover:placeholder:text-faint focus:placeholder:text-faint @max-[620px]:hidden"
          onChange={setTarget}
        />
      </div>
      <div role="gridcell" className={cx("text-right text-soft tabular-nums", FROM_WIDE)}>
        {whole > 0 ? percent.format(words / whole) : "–"}
      </div>
      <div
        role="gridcell"
        title={isBehind && page ? "The page before your last change; the new one is on its way" : undefined}
        className={cx("text-right tabular-nums", isBehind && !isPicked ? "text-ochre" : "text-soft", FROM_WIDE)}
      >
        {page || "–"}
      </div>
      <div role="gridcell" className="flex items-center justify-center gap-2">
        <span className={cx("size-6", FROM_WIDE)}>
          {(isReached || isStage(stage)) && (
            <Menu label={`Stage of ${name}`} entries={stageEntries(session, [row.id])} onClosed={acts.leave}>
              <button
                type="button"
                tabIndex={tabIndex}
                aria-label={`Stage of ${name}: ${stage || "none"}`}
                className={cx(
                  "grid size-6 place-items-center rounded-full hover:bg-lit",
                  !isStage(stage) && "text-faint",
                )}
                onClick={(event) => event.stopPropagation()}
              >
                {isStage(stage) ? <StageSign name={stage} /> : "–"}
              </button>
            </Menu>
          )}
        </span>
        <span className="size-6">
          {(isReached || isMarker(marker)) && (
            <button
              type="button"
              tabIndex={tabIndex}
              aria-label={`Marker of ${name}: ${isMarker(marker) ? markerCalled(marker, markerWords) : "none"}`}
              className={cx(
                "grid size-6 place-items-center rounded-full hover:bg-lit",
                !isMarker(marker) && "text-faint",
              )}
              onClick={(event) => (event.stopPropagation(), openDialog({ kind: "marker", sections: [row.id] }))}
            >
              {isMarker(marker) ? <MarkerSign name={marker} words={markerWords} /> : "+"}
            </button>
          )}
        </span>
      </div>
      <div
        role="gridcell"
        className={cx("truncate text-xs", isPicked ? "text-ink" : "text-ochre", FROM_WIDE)}
        title={remarks.join("\n")}
      >
        {remarks.join(" · ")}
      </div>
    </div>
  );
});

/** The bar ends beyond the upright mark when there is more than was wanted; colour only says it again. */
function TargetBar({ words, target, isOver }: { words: number; target: number | null; isOver: boolean }) {
  if (target === null) return <span className={cx("w-26 shrink-0", FROM_WIDE)} />;
  const scale = target * 1.25;
  return (
    <span aria-hidden="true" className={cx("relative h-2 w-26 shrink-0 rounded-full bg-bed", FROM_WIDE)}>
      <span
        className={cx("absolute inset-y-0 left-0 rounded-full", isOver ? "bg-ochre" : "bg-twig")}
        style={{ width: `${Math.min(1, words / scale) * 100}%` }}
      />
      <span className="absolute -inset-y-1 left-[80%] w-0.5 bg-ink" />
    </span>
  );
}

type CellProps = {
  isReached: boolean;
  label: string;
  value: string;
  placeholder: string;
  tabIndex: number;
  className: string;
  onChange: (next: string) => boolean | void;
  onLeave: () => void;
};

/** Edited in place: Enter keeps it and goes back to the row, Escape leaves it as it was. A field only where hand or keys are. */
function CellField({ isReached, label, value, placeholder, tabIndex, className, onChange, onLeave }: CellProps) {
  if (!isReached) return <span className={cx("block h-6 truncate px-2 leading-6", className)}>{value}</span>;
  const pressed = (event: KeyboardEvent<HTMLInputElement>) => {
    if (plainKey(event) !== "Enter" && plainKey(event) !== "Escape") return;
    if (plainKey(event) === "Escape") event.currentTarget.value = value;
    onLeave();
  };
  return (
    <input
      defaultValue={value}
      aria-label={label}
      placeholder={placeholder}
      tabIndex={tabIndex}
      className={cx(
        "h-6 min-w-0 truncate rounded bg-transparent px-2 text-ink hover:bg-wash focus:bg-sheet",
        className,
      )}
      onClick={(event) => event.stopPropagation()}
      onKeyDown={pressed}
      onBlur={(event) => {
        const next = event.target.value.trim();
        if (next !== value && onChange(next) === false) event.target.value = value;
      }}
    />
  );
}
