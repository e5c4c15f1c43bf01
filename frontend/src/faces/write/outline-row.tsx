import { memo } from "react";
import { useDocument, usePages, useSession } from "../../document/context";
import { useFind } from "../../find/found";
import { cx } from "../../parts/cx";
import { isMarker, markerCalled, MarkerSign } from "../../parts/marker";
import { isStage, STAGE_WORDS, StageSign } from "../../parts/stage";
import { counted, formatNumber } from "../../parts/words";
import { nodeX, ROW_HEIGHT } from "../../tree/geometry";
import { OUTSIDE, RowHead, RowMenu, useRowFacts } from "../../tree/row-head";
import { useRowDraggable } from "../../tree/use-row-drag";
import type { TreeRowProps } from "../../tree/use-tree";

/** One section in the outline. */
export const OutlineRow = memo(function OutlineRow({
  isFirst,
  showsPages,
  ...props
}: TreeRowProps & { isFirst: boolean; showsPages: boolean }) {
  const session = useSession("OutlineRow");
  const { row, isActive, isInHand, isPicked, isRenaming, acts } = props;
  const element = useRowDraggable(session, row, isRenaming);
  const facts = useRowFacts(row);
  const { marker, stage, words, name, number } = facts;
  const markerWords = useDocument("OutlineRow", (state) => state.markerWords);
  const page = usePages("OutlineRow", (state) => state.sections.get(row.id)?.label ?? "", showsPages);
  const isBehind = usePages("OutlineRow", (state) => state.isBehind, showsPages);
  const found = useFind((state) => state.counts.get(row.id) ?? 0);
  return (
    <div
      ref={element}
      id={`row-${row.id}`}
      role="treeitem"
      aria-level={Math.max(1, row.level)}
      aria-setsize={row.setSize}
      aria-posinset={row.positionInSet}
      aria-expanded={row.hasInside ? !row.folded : undefined}
      aria-selected={isPicked}
      aria-current={facts.isCurrent ? "location" : undefined}
      aria-label={[
        number,
        name,
        words > 0 ? counted(words, "word") : "no words",
        page && `page ${page}${isBehind ? ", as before the last change" : ""}`,
        isStage(stage) && STAGE_WORDS[stage].toLowerCase(),
        isMarker(marker) && markerCalled(marker, markerWords),
        found > 0 && `${counted(found, "place")} found`,
      ]
        .filter(Boolean)
        .join(", ")}
      className={cx(
        "group relative flex items-center rounded-l-md pr-2",
        facts.isCurrent && "bg-wash",
        isPicked && "bg-lit!",
        isActive && "row-active",
        facts.isOutside && OUTSIDE,
        isInHand && "opacity-40",
      )}
      style={{ height: ROW_HEIGHT, paddingLeft: nodeX(row.level) + 13 }}
      onClick={(event) => !isRenaming && acts.click(row, event)}
      onDoubleClick={(event) =>
        !(event.ctrlKey || event.metaKey || event.shiftKey) && row.level > 0 && acts.rename(row.id, true)
      }
    >
      <RowHead row={row} facts={facts} isFirst={isFirst} isRenaming={isRenaming} acts={acts} />
      {!isRenaming && (
        <>
          {isStage(stage) && (
            <span aria-hidden="true" className="shrink-0 pl-2 group-hover:invisible">
              <StageSign name={stage} />
            </span>
          )}
          {isMarker(marker) && (
            <span aria-hidden="true" className="shrink-0 pl-2 group-hover:invisible">
              <MarkerSign name={marker} words={markerWords} />
            </span>
          )}
          {found > 0 ? (
            <span className="ml-2 rounded-full bg-found px-1.5 text-[11.5px] leading-4 text-ink tabular-nums group-hover:invisible">
              {formatNumber(found)}
            </span>
          ) : (
            <span
              title={
                showsPages && isBehind && page
                  ? "The page before your last change; the new one is on its way"
                  : undefined
              }
              className={cx(
                "pl-2 text-[11.5px] tabular-nums group-hover:invisible",
                showsPages && isBehind && !isPicked ? "text-ochre" : "text-faint",
              )}
            >
              {showsPages ? page || "–" : words > 0 ? formatNumber(words) : "–"}
            </span>
          )}
          <RowMenu name={name} {...props} />
        </>
      )}
    </div>
  );
});
