import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, read, type StyleSheetView } from "../api/client";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { FileInput } from "../parts/file-input";
import { Menu } from "../parts/menu";
import { NameDialog } from "../parts/name-dialog";
import { HouseStyleDialog } from "./house-style-dialog";
import { HOUSE_STYLES_KEY } from "./use-style-sheet";

/** Which look the document has as a whole: another one is chosen, this one is kept, written to a file, read from one. */
export function LookChoice({ sheet }: { sheet: StyleSheetView }) {
  const session = useSession("LookChoice");
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState<"choose" | "keep" | null>(null);
  const address = `/api/documents/${session.state.id}/style-sheet.json`;
  const keep = async (name: string) => {
    try {
      const current = await read(
        api.GET("/api/documents/{id}/style-sheet.json", { params: { path: { id: session.state.id } } }),
      );
      await read(api.POST("/api/house-styles", { body: { sheet: { ...current, name } } }));
    } catch (failure) {
      return session.messages.say(failure instanceof Error ? failure.message : "It was not kept.", "warning");
    }
    await client.invalidateQueries({ queryKey: HOUSE_STYLES_KEY });
    session.messages.say(`Kept as the house style “${name}”, for all your documents.`);
  };
  const take = async (chosen: File) => {
    let content: unknown;
    try {
      content = JSON.parse(await chosen.text());
    } catch {
      return session.messages.say(`“${chosen.name}” is no style sheet: it is not JSON.`, "warning");
    }
    if (typeof content !== "object" || content === null)
      return session.messages.say(`“${chosen.name}” is no style sheet.`, "warning");
    await session.changes.perform({ name: "use-style-sheet", sheet: content as Record<string, unknown> });
  };
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-line px-4 pb-4">
      <div className="min-w-56 flex-1">
        <h1 className="font-text text-[17px] font-semibold">
          {sheet.name}
          {sheet.isChanged && sheet.name === sheet.basedOnLabel && ", changed"}
        </h1>
        <p className="text-soft">
          {sheet.isChanged
            ? `What is said here goes beyond the house style “${sheet.basedOnLabel}”.`
            : "As it ships. What you change of a kind of text changes all of that kind."}
        </p>
      </div>
      <Button onClick={() => setOpen("choose")}>Another look…</Button>
      <Menu
        label="This look"
        align="end"
        entries={[
          { label: "Keep as a house style…", run: () => setOpen("keep") },
          { label: "Write it to a file", run: () => void window.location.assign(address) },
          { label: "Read it from a file…", run: () => file.current?.click() },
        ]}
      >
        <Button>Keep or share</Button>
      </Menu>
      <FileInput field={file} accept=".json,application/json" onFile={(chosen) => void take(chosen)} />
      {open === "choose" && <HouseStyleDialog sheet={sheet} onClose={() => setOpen(null)} />}
      <NameDialog
        open={open === "keep"}
        title="Keep as a house style"
        label="Name"
        action="Keep it"
        initial={sheet.isChanged ? sheet.name : ""}
        onClose={() => setOpen(null)}
        onName={(name) => void keep(name.slice(0, 80))}
      />
    </div>
  );
}
