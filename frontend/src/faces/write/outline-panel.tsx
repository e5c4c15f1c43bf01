import { Plus } from "lucide-react";
import { useRef, useState } from "react";
import { useSession } from "../../document/context";
import { DropMark } from "../../tree/drop-mark";
import { PADDING, ROW_HEIGHT } from "../../tree/geometry";
import { NO_FILTER } from "../../outline/rows";
import { LevelsMenu, OutlineFilter } from "../../tree/outline-view";
import { OutlineRow } from "./outline-row";
import { insertSection } from "../../tree/row-commands";
import { useTree } from "../../tree/use-tree";
import { cx } from "../../parts/cx";
import { UnderHand } from "../../parts/menu";
import { isNarrow, useDrawer } from "../../window/open-drawer";
import { showFigure, useShownFigure } from "../../window/shown-figure";

/** The outline as a stem with branches, after the tree view pattern of the WAI-ARIA Authoring Practices. */
export function OutlinePanel({ isInProof = false }: { isInProof?: boolean }) {
  const session = useSession("OutlinePanel");
  const scroller = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const [filter, setFilter] = useState(NO_FILTER);
  const isOver = useDrawer((state) => state.isOutlineOver);
  const { rows, menuAt, virtual, drag, pressed, propsOf, acts, showLevels, activeRow, isRenaming } = useTree(
    scroller,
    filter,
    {
      open: (section) => session.navigation.goTo({ section, inText: true }),
      visit: (section) => {
        // Where it lies over the text, the outline gives way to what was chosen in it.
        session.navigation.goTo({ section, ...(isNarrow() ? { inText: true } : {}) }, { focus: isNarrow() });
      },
      filter: () => field.current?.focus(),
    },
  );

  const figure = useShownFigure((state) => state.figure);
  const showsPages = isInProof || figure === "pages";

  return (
    <aside
      aria-label="Outline"
      className={cx(
        "min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] md:relative md:grid",
        isOver ? "fixed inset-x-0 top-13 bottom-14 z-30 grid bg-paper" : "hidden",
      )}
    >
      <OutlineFilter
        field={field}
        filter={filter}
        shown={rows.length}
        onFilter={setFilter}
        onLeave={() => scroller.current?.focus()}
      />
      <UnderHand menuAt={menuAt} onClosed={() => acts.menuClosed()}>
        <div
          ref={scroller}
          role="tree"
          aria-label="Outline of the document"
          aria-multiselectable="true"
          aria-activedescendant={!isRenaming && activeRow ? `row-${activeRow.id}` : undefined}
          tabIndex={0}
          onKeyDown={pressed}
          className="outline-tree min-h-0 overflow-auto pl-0 focus-visible:outline-offset-[-2px]"
        >
          <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index];
              return (
                row && (
                  <div
                    key={item.key}
                    role="presentation"
                    className="absolute inset-x-0 [contain:layout_style] has-[.row-active]:z-[1]"
                    style={{ top: item.start }}
                  >
                    <OutlineRow {...propsOf(row)} isFirst={item.index === 0} showsPages={showsPages} />
                  </div>
                )
              );
            })}
            {drag.kind === "over" && (
              <DropMark
                place={drag.place}
                rows={rows}
                sentence={drag.sentence}
                possible={drag.possible}
                top={PADDING + drag.place.gap * ROW_HEIGHT}
              />
            )}
          </div>
        </div>
      </UnderHand>
      <div className="flex items-center gap-1 px-3 py-2 text-soft">
        <button
          type="button"
          className="flex h-7 items-center gap-1.5 rounded-full px-2.5 hover:bg-wash hover:text-ink"
          onClick={() => {
            if (activeRow)
              void insertSection(session, activeRow.id, "after").then(
                (made) => made && session.navigation.goTo({ section: made, position: 1 }),
              );
            else void session.changes.perform({ name: "insert" });
          }}
        >
          <Plus size={14} strokeWidth={1.8} aria-hidden="true" /> Section
        </button>
        <span className="flex-1" />
        {!isInProof && (
          <button
            type="button"
            aria-pressed={showsPages}
            title="Page numbers in place of words"
            className={cx(
              "flex h-7 items-center rounded-full px-2.5 hover:bg-wash hover:text-ink",
              showsPages && "bg-wash text-stem",
            )}
            onClick={() => showFigure(showsPages ? "words" : "pages")}
          >
            Pages
          </button>
        )}
        <LevelsMenu onShow={showLevels} />
      </div>
    </aside>
  );
}
