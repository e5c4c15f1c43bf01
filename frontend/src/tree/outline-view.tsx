import { ListTree, Search, X } from "lucide-react";
import { useMemo, type RefObject } from "react";
import { useDocument } from "../document/context";
import { keysShown } from "../keys/keys";
import { plainKey } from "../keys/plain-key";
import { deepestLevel } from "../outline/overview";
import { Menu } from "../parts/menu";
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
        { label: "The next overview", keys: keysShown("next-overview"), run: () => onShow("next") },
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
  filter: string;
  shown: number;
  onFilter: (filter: string) => void;
  onLeave: () => void;
};

/** Narrows the outline to headings with these words and what stands above them. */
export function OutlineFilter({ field, filter, shown, onFilter, onLeave }: FilterProps) {
  return (
    <div className="flex h-9 items-center gap-2 px-3.5 pt-1 text-faint">
      <Search size={13} strokeWidth={1.6} aria-hidden="true" />
      <input
        ref={field}
        value={filter}
        aria-label="Show only headings with these words"
        placeholder="Words of a heading"
        className="h-7 min-w-0 flex-1 rounded bg-transparent px-1 text-ink placeholder:text-faint"
        onChange={(event) => onFilter(event.target.value)}
        onKeyDown={(event) => {
          if (plainKey(event) === "Escape") onFilter("");
          if (["Escape", "Enter", "ArrowDown"].includes(plainKey(event))) (event.preventDefault(), onLeave());
        }}
      />
      {filter === "" ? (
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
            onClick={() => (onFilter(""), onLeave())}
          >
            <X size={13} aria-hidden="true" />
          </button>
        </>
      )}
    </div>
  );
}
