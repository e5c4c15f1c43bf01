import {
  Bookmark,
  CheckCheck,
  History,
  Leaf,
  Lightbulb,
  BookOpen,
  ListOrdered,
  Scissors,
  Search,
  Sigma,
  Type,
  X,
  type LucideIcon,
} from "lucide-react";
import type { ComponentType } from "react";
import { useSession } from "../../document/context";
import { openFind } from "../../find/open-find";
import { cx } from "../../parts/cx";
import { CheckDrawer } from "./check-drawer";
import { CountsDrawer } from "./counts-drawer";
import { ContentsDrawer } from "./contents-drawer";
import { FindDrawer } from "./find-drawer";
import { HistoryDrawer } from "./history-drawer";
import { useQuiet } from "../../window/quiet";
import { openDrawer, useDrawer, type DrawerTool } from "../../window/open-drawer";
import { OffcutsDrawer } from "./offcuts-drawer";
import { IdeasDrawer } from "./ideas-drawer";
import { RemindersDrawer } from "./reminders-drawer";
import { LookDrawer } from "./look-drawer";
import { PagesDrawer } from "./pages-drawer";
import { PlacesDrawer } from "./places-drawer";

type Tool = { id: DrawerTool; label: string; icon: LucideIcon; content: ComponentType };

export const TOOLS: readonly Tool[] = [
  { id: "find", label: "Find", icon: Search, content: FindDrawer },
  { id: "links", label: "Links", icon: Bookmark, content: PlacesDrawer },
  { id: "reminders", label: "Reminders", icon: Leaf, content: RemindersDrawer },
  { id: "ideas", label: "Ideas", icon: Lightbulb, content: IdeasDrawer },
  { id: "contents", label: "Contents", icon: ListOrdered, content: ContentsDrawer },
  { id: "pages", label: "Pages", icon: BookOpen, content: PagesDrawer },
  { id: "look", label: "Look", icon: Type, content: LookDrawer },
  { id: "counts", label: "Counts", icon: Sigma, content: CountsDrawer },
  { id: "offcuts", label: "Offcuts", icon: Scissors, content: OffcutsDrawer },
  { id: "history", label: "History", icon: History, content: HistoryDrawer },
  { id: "check", label: "Check", icon: CheckCheck, content: CheckDrawer },
];

/** One drawer for the tools, in turn. */
export function Drawer() {
  const session = useSession("Drawer");
  const open = useDrawer((state) => state.open);
  const isQuiet = useQuiet((state) => state.isQuiet);
  const tool = TOOLS.find((each) => each.id === open);
  return (
    <div
      className={cx(
        "min-h-0 border-line md:flex",
        (tool || !isQuiet) && "md:border-l",
        tool ? "fixed inset-x-0 top-13 bottom-14 z-30 flex bg-paper md:static" : "hidden",
      )}
    >
      {tool && (
        <section aria-label={tool.label} className="flex min-h-0 w-full flex-col md:w-72">
          <header className="flex h-10 items-center justify-between px-4">
            <h2 className="font-text text-[15px] font-semibold">{tool.label}</h2>
            <button
              type="button"
              aria-label={`Close ${tool.label}`}
              className="grid size-7 place-items-center rounded-full text-soft hover:bg-wash"
              onClick={() => openDrawer(null)}
            >
              <X size={15} aria-hidden="true" />
            </button>
          </header>
          <div className="min-h-0 flex-1 overflow-auto px-4 pb-8">
            <tool.content />
          </div>
        </section>
      )}
      <nav
        aria-label="Tools"
        className={cx(
          "hidden min-h-0 w-16 flex-col items-center gap-1 overflow-y-auto border-line pt-3",
          !isQuiet && "md:flex",
        )}
      >
        {TOOLS.map(({ id, label, icon: Icon }) => (
          <button
            key={id}
            type="button"
            aria-expanded={id === open}
            onClick={() => (id === "find" && id !== open ? openFind(session) : openDrawer(id === open ? null : id))}
            className={cx(
              "grid w-12 justify-items-center gap-1 rounded-lg py-1.5 text-[10.5px] leading-3",
              id === open ? "bg-wash text-stem" : "text-soft hover:bg-wash hover:text-ink",
            )}
          >
            <Icon size={17} strokeWidth={1.5} aria-hidden="true" />
            {label}
          </button>
        ))}
      </nav>
    </div>
  );
}
