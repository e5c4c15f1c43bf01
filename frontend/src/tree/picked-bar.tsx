import { X } from "lucide-react";
import { Toolbar } from "radix-ui";
import { useDocument, useSession, useWindow } from "../document/context";
import { LEVELS } from "../outline/outline";
import { pickedHeads } from "../outline/picks";
import { cx } from "../parts/cx";
import { Menu } from "../parts/menu";
import { counted } from "../parts/words";
import { openDialog } from "../window/open-dialog";
import { onBranches, stageEntries } from "./row-commands";

const BUTTON = "h-8 rounded-full px-3 hover:bg-white/15 focus-visible:outline-on-slate";

/** What can be done with everything picked at once. */
export function PickedBar({ besideOutline }: { besideOutline: boolean }) {
  const session = useSession("PickedBar");
  const picked = useWindow("PickedBar", (state) => state.picked);
  const outline = useDocument("PickedBar", (state) => state.outline);
  const positions = useDocument("PickedBar", (state) => state.positions);
  const branchWords = useDocument("PickedBar", (state) => state.branchWords);
  if (picked.size === 0) return null;
  const sections = [...picked];
  const heads = pickedHeads(outline, positions, picked);
  const words = heads.reduce((sum, head) => sum + (branchWords[head] ?? 0), 0);
  const act = (name: "promote" | "demote" | "set-aside") => void onBranches(session, sections, sections[0] ?? "", name);
  return (
    <section
      aria-label="What is picked"
      className={cx(
        "pointer-events-none fixed inset-x-0 bottom-18 z-30 flex justify-center px-4 md:bottom-4 md:z-20",
        besideOutline && "md:left-[272px] lg:left-[312px]",
      )}
    >
      <Toolbar.Root
        aria-label="Picked branches"
        className="pointer-events-auto flex items-center gap-0.5 rounded-2xl bg-slate py-1.5 pr-2 pl-4 whitespace-nowrap text-on-slate shadow-lg"
        onKeyDown={(event) => event.key === "Escape" && session.navigation.pick([])}
      >
        <p role="status" className="pr-2">
          <span className="font-semibold">{counted(heads.length, "branch", "branches")} picked</span>{" "}
          <span className="pl-2 opacity-80">{counted(words, "word")}</span>
        </p>
        <Toolbar.Button
          className={BUTTON}
          onClick={() => session.navigation.setScope({ heads: sections, extent: "branch" })}
        >
          Work on these
        </Toolbar.Button>
        <Toolbar.Button className={BUTTON} onClick={() => act("promote")}>
          Promote
        </Toolbar.Button>
        <Toolbar.Button className={BUTTON} onClick={() => act("demote")}>
          Demote
        </Toolbar.Button>
        <Toolbar.Button className={BUTTON} onClick={() => openDialog({ kind: "nest", sections })}>
          Nest under…
        </Toolbar.Button>
        <Menu
          label="Set level"
          entries={LEVELS.map((level) => ({
            label: `Level ${level}`,
            run: () => void session.changes.perform({ name: "set-level", sections, level }),
          }))}
        >
          <Toolbar.Button className={BUTTON}>Set level…</Toolbar.Button>
        </Menu>
        <Menu
          label="Mark them"
          entries={[
            { label: "Stage", entries: stageEntries(session, sections) },
            { label: "Marker…", run: () => openDialog({ kind: "marker", sections }) },
            { label: "Target…", run: () => openDialog({ kind: "target", sections }) },
          ]}
        >
          <Toolbar.Button className={BUTTON}>Mark…</Toolbar.Button>
        </Menu>
        <Toolbar.Button className={BUTTON} onClick={() => act("set-aside")}>
          Set aside
        </Toolbar.Button>
        <Toolbar.Button
          aria-label="Pick nothing"
          title="Pick nothing (Esc)"
          className="grid size-8 place-items-center rounded-full hover:bg-white/15"
          onClick={() => session.navigation.pick([])}
        >
          <X size={15} aria-hidden="true" />
        </Toolbar.Button>
      </Toolbar.Root>
    </section>
  );
}
