import type { Session } from "../document/session";
import { sectionAround } from "../editor/places";
import type { AnywhereCommand } from "../keys/commands";
import { labelled } from "../keys/keys";
import { useSpot } from "../manuscript/spot";
import { textMenu } from "../manuscript/text-menu";
import { levelAt } from "../outline/outline";
import type { MenuEntry } from "../parts/menu";
import type { Offered } from "../places/offering";
import { rowCommands } from "../tree/row-commands";
import { documentCommands } from "./document-commands";
import type { AnywhereCommands } from "./use-screen-keys";

/** All that the menus of this place hold, and all that works anywhere; each once. */
export function offeredCommands(session: Session, anywhere: AnywhereCommands): Offered[] {
  const { spot, view } = useSpot.getState();
  const { current } = session.window;
  const position = session.state.positions.get(current ?? "");
  const section = view && sectionAround(view.state.selection.$head)?.id;
  const found: Offered[] = [
    ...(Object.keys(anywhere) as AnywhereCommand[])
      .filter((id) => id !== "jump")
      .map((id) => ({ key: id, group: "", ...labelled(id), run: anywhere[id] })),
    ...(session.state.clash
      ? [
          {
            key: "choose-text",
            group: "",
            label: "Choose between two texts",
            keys: "",
            also: "other window conflict",
            run: () => document.querySelector<HTMLElement>("#choice button")?.focus(),
          },
        ]
      : []),
    ...(spot && view && section !== undefined && section !== null
      ? leaves(textMenu(session, { section, view }), "text", "")
      : []),
    ...(current !== null && position !== undefined
      ? leaves(
          rowCommands(session, { id: current, position, level: levelAt(session.state.outline, position) }, () =>
            session.navigation.goTo({ section: current, position: 1 }),
          ),
          "branch",
          "",
        )
      : []),
    ...leaves(documentCommands(session, session.state.titleBlock), "document", ""),
  ];
  const seen = new Set<string>();
  return found.filter(({ group, label }) => {
    const name = group === "" ? label : `${group} ${label}`;
    return !seen.has(name) && !seen.has(label) && seen.add(group === "" ? label : name);
  });
}

function leaves(entries: readonly MenuEntry[], menu: string, group: string): Offered[] {
  return entries.flatMap((entry) => {
    if (entry === "line") return [];
    if ("entries" in entry) return leaves(entry.entries, menu, entry.label);
    const { label, keys = "", also = "", run } = entry;
    return [{ key: `${menu} ${group} ${label}`, label, group, keys, also, run }];
  });
}
