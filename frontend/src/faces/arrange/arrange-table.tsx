import { Plus } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { useLocation } from "wouter";
import type { Finding } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { useFindings } from "../../places/findings";
import { DropMark } from "../../tree/drop-mark";
import { PADDING, ROW_HEIGHT } from "../../tree/geometry";
import { isFiltering, NO_FILTER } from "../../outline/rows";
import { LevelsMenu, OutlineFilter } from "../../tree/outline-view";
import { insertSection } from "../../tree/row-commands";
import { useTree } from "../../tree/use-tree";
import { cx } from "../../parts/cx";
import { ArrangeRow, COLUMNS, FROM_MEDIUM, FROM_WIDE } from "./arrange-row";
import { UnderHand } from "../../parts/menu";

const NONE: readonly Finding[] = [];

/** The whole outline as one wide table, in the document’s order; after the treegrid pattern of the WAI-ARIA Authoring Practices. */
export function ArrangeTable() {
  const session = useSession("ArrangeTable");
  const id = useDocument("ArrangeTable", (state) => state.id);
  const findings = useFindings();
  const bySection = useMemo(() => Map.groupBy(findings.data ?? [], (finding) => finding.section), [findings.data]);
  const [, navigate] = useLocation();
  const scroller = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const [filter, setFilter] = useState(NO_FILTER);
  const { rows, menuAt, virtual, drag, pressed, propsOf, acts, showLevels, activeRow, isRenaming } = useTree(
    scroller,
    filter,
    {
      open: (section) => (session.navigation.goTo({ section, inText: true }), navigate(`/documents/${id}`)),
      visit: (section) => session.navigation.goTo({ section }, { focus: false }),
      filter: () => field.current?.focus(),
    },
  );

  return (
    <main
      aria-label="Arrange"
      className="@container grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto]"
    >
      <div className="flex items-center border-b border-line text-soft">
        <div className="min-w-0 basis-72">
          <OutlineFilter field={field} filter={filter} shown={rows.length} onFilter={setFilter} onLeave={acts.leave} />
        </div>
        <span className="flex-1" />
        <LevelsMenu onShow={showLevels} />
        <span className="w-3" />
      </div>
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)]">
        <div aria-hidden="true" className={cx("h-8 border-b border-line text-xs text-soft", COLUMNS)}>
          <span className="pl-9">Section</span>
          <span className={cx("pl-2", FROM_MEDIUM)}>Aim</span>
          <span className="text-right @min-[620px]:text-left @min-[1000px]:pl-12">
            Words<span className={FROM_MEDIUM}> and target</span>
          </span>
          <span className={cx("text-right", FROM_WIDE)}>Share</span>
          <span className={cx("text-right", FROM_WIDE)}>Page</span>
          <span className="text-center">
            <span className={FROM_WIDE}>Stage, marker</span>
          </span>
          <span className={FROM_WIDE}>Findings</span>
        </div>
        <UnderHand menuAt={menuAt} onClosed={() => acts.menuClosed()}>
          <div
            ref={scroller}
            role="treegrid"
            aria-label="Sections of the document"
            aria-multiselectable="true"
            aria-rowcount={rows.length + 1}
            aria-activedescendant={!isRenaming && activeRow ? `row-${activeRow.id}` : undefined}
            tabIndex={0}
            onKeyDown={pressed}
            className="outline-tree min-h-0 overflow-x-hidden overflow-y-auto focus-visible:outline-offset-[-2px]"
          >
            <div role="row" aria-rowindex={1} className="sr-only">
              {["Section", "Aim", "Words and target", "Share of the whole", "Page", "Stage and marker", "Findings"].map(
                (column) => (
                  <span key={column} role="columnheader">
                    {column}
                  </span>
                ),
              )}
            </div>
            <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
              {virtual.getVirtualItems().map((item) => {
                const row = rows[item.index];
                return (
                  row && (
                    <div
                      key={item.key}
                      role="presentation"
                      className="absolute inset-x-0 [contain:layout_style]"
                      style={{ top: item.start }}
                    >
                      <ArrangeRow {...propsOf(row)} index={item.index} findings={bySection.get(row.id) ?? NONE} />
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
            {rows.length === 0 && (
              <p className="px-9 text-soft">
                {!isFiltering(filter)
                  ? "There is no section yet; add the first one below."
                  : "No heading has these words."}
              </p>
            )}
          </div>
        </UnderHand>
      </div>
      <div className="flex items-center px-3 py-2 text-soft">
        <button
          type="button"
          className="flex h-7 items-center gap-1.5 rounded-full px-2.5 hover:bg-wash hover:text-ink"
          onClick={() => {
            if (activeRow)
              void insertSection(session, activeRow.id, "after").then((made) => made && acts.rename(made, true));
            else void session.changes.perform({ name: "insert" });
          }}
        >
          <Plus size={14} strokeWidth={1.8} aria-hidden="true" /> Section
        </button>
      </div>
    </main>
  );
}
