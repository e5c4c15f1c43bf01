import { Glasses, ListTree, PanelBottom, Search, type LucideIcon } from "lucide-react";
import { useEffect, type ComponentProps, type ReactElement, type ReactNode } from "react";
import { useSession } from "../../document/context";
import { cx } from "../../parts/cx";
import { Menu } from "../../parts/menu";
import { TOOLS } from "../../tools/drawer/drawer";
import { isNarrow, layOutlineOver, openDrawer, useDrawer } from "../../window/open-drawer";

/** In a narrow window: what stands beside the text elsewhere, one touch away, over it. */
export function NarrowBar({
  onJump,
  look,
}: {
  onJump: () => void;
  /** What opens at a button that says “Look”, where there is something to be said of it. */
  look?: (button: ReactElement) => ReactNode;
}) {
  const { open, isOutlineOver } = useDrawer();
  const session = useSession("NarrowBar");
  useEffect(
    () =>
      // What is gone to is not left covered; a request that is met at once is seen only as it goes.
      session.windowStore.subscribe((shown, before) => {
        if (shown.request !== before.request && isNarrow()) openDrawer(null);
      }),
    [session],
  );
  const entries = TOOLS.map(({ id, label }) => ({ label, run: () => openDrawer(id === open ? null : id) }));
  return (
    <nav
      aria-label="Beside the text"
      className="fixed inset-x-0 bottom-0 z-30 flex h-14 justify-around border-t border-line bg-paper md:hidden"
    >
      <BarButton
        icon={ListTree}
        words="Outline"
        aria-expanded={isOutlineOver}
        onClick={() => layOutlineOver(!isOutlineOver)}
      />
      <BarButton icon={Search} words="Jump to…" onClick={onJump} />
      {look?.(<BarButton icon={Glasses} words="Look" />)}
      <Menu label="Tools" entries={entries}>
        <BarButton icon={PanelBottom} words="Tools" aria-expanded={open !== null} />
      </Menu>
    </nav>
  );
}

function BarButton({ icon: Icon, words, ...rest }: { icon: LucideIcon; words: string } & ComponentProps<"button">) {
  return (
    <button
      type="button"
      {...rest}
      className={cx(
        "grid min-w-20 content-center justify-items-center gap-1 rounded-lg text-[11px] leading-3",
        rest["aria-expanded"] === true ? "text-stem" : "text-soft",
      )}
    >
      <Icon size={18} strokeWidth={1.5} aria-hidden="true" />
      {words}
    </button>
  );
}
