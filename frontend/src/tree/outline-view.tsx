import { ListTree, Search, Sprout, X } from "lucide-react";
import { useMemo, type RefObject } from "react";
import { useDocument } from "../document/context";
import { keysShown } from "../keys/keys";
import { plainKey } from "../keys/plain-key";
import { isFiltering, NO_FILTER, type RowFilter } from "../outline/rows";
import { deepestLevel } from "../outline/overview";
import { Menu } from "../parts/menu";
import { isStage, STAGE_WORDS, STAGES, StageSign } from "../parts/stage";
import { counted } from "../parts/words";

/** Overviews: the outline folded to a level. */
export function LevelsMenu({ onShow }: { onShow: (upTo: number | "all" | "next") => void }) {
  const outline = useDocument("LevelsMenu", (state) => state.outline);
  const deepest = useMemo(() => deepestLevel(outline), [outline]);
  return (
    <Menu
      label="Show levels"
      align="end"
      entries={[
        { label: "Unfold everything", keys: keysShown("show-all"), run: () => onShow("all") },
        ...Array.from({ length: deepest - 1 }, (_, index) => ({
          label: index === 0 ? "Show level 1 only" : `Show levels 1 to ${index + 1}`,
          keys: keysShown(`show-${(index + 1) as 1}`),
          run: () => onShow(index + 1),
        })),
        "line",
        { label: "One level more", keys: keysShown("next-overview"), run: () => onShow("next") },
      ]}
    >
      <button type="button" className="flex h-7 items-center gap-1.5 rounded-full px-2.5 hover:bg-wash hover:text-ink">
        <ListTree size={14} strokeWidth={1.6} aria-hidden="true" /> Levels
      </button>
    </Menu>
  );
}

type FilterProps = {
  field: RefObject<HTMLInputElement | null>;
  filter: RowFilter;
  shown: number;
  onFilter: (filter: RowFilter) => void;
  onLeave: () => void;
};

/** Narrows the outline to headings with these words and what stands above them. */
export function OutlineFilter({ field, filter, shown, onFilter, onLeave }: FilterProps) {
  return (
    <div className="flex h-9 items-center gap-2 px-3.5 pt-1 text-faint">
      <Search size={13} strokeWidth={1.6} aria-hidden="true" />
      <input
        ref={field}
        value={filter.words}
        aria-label="Show only headings with these words"
        placeholder="Words of a heading"
        className="h-7 min-w-0 flex-1 rounded bg-transparent px-1 text-ink placeholder:text-faint"
        onChange={(event) => onFilter({ ...filter, words: event.target.value })}
        onKeyDown={(event) => {
          if (plainKey(event) === "Escape") onFilter(NO_FILTER);
          if (["Escape", "Enter", "ArrowDown"].includes(plainKey(event))) (event.preventDefault(), onLeave());
        }}
      />
      <Menu
        label="Show only one stage"
        align="end"
        entries={[
          ...STAGES.map((stage) => ({
            label: STAGE_WORDS[stage],
            sign: <StageSign name={stage} />,
            run: () => onFilter({ ...filter, stage }),
          })),
          { label: "At no stage yet", run: () => onFilter({ ...filter, stage: "" }) },
          "line",
          { label: "All stages", run: () => onFilter({ ...filter, stage: null }) },
        ]}
      >
        <button
          type="button"
          aria-label="Show only one stage"
          title="Show only one stage"
          className="grid size-6 shrink-0 place-items-center rounded-full hover:bg-wash"
        >
          {filter.stage !== null && isStage(filter.stage) ? (
            <StageSign name={filter.stage} />
          ) : (
            <Sprout
              size={13}
              strokeWidth={1.6}
              aria-hidden="true"
              className={filter.stage === "" ? "text-ochre" : ""}
            />
          )}
        </button>
      </Menu>
      {!isFiltering(filter) ? (
        <kbd className="font-sans text-[11px]">{keysShown("filter")}</kbd>
      ) : (
        <>
          <span role="status" className="text-xs whitespace-nowrap">
            {shown === 0 ? "none" : counted(shown, "row")}
          </span>
          <button
            type="button"
            aria-label="Show all headings"
            className="grid size-6 place-items-center rounded-full hover:bg-wash"
            onClick={() => (onFilter(NO_FILTER), onLeave())}
          >
            <X size={13} aria-hidden="true" />
          </button>
        </>
      )}
    </div>
  );
}
