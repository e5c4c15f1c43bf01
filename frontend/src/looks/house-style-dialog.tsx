import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, type HouseStyleView, type Operation, type StyleSheetView } from "../api/client";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { Choices } from "../parts/choices";
import { Dialog } from "../parts/dialog";
import { NameDialog } from "../parts/name-dialog";
import { Tick } from "../parts/tick";
import { useFindings } from "../places/findings";
import type { Pdf } from "../proof/pdf";
import { drawnPage, partPages } from "./part-pages";
import { HOUSE_STYLES_KEY, useHouseStyles } from "./use-style-sheet";

/** Pages that are shown of the writer’s own text. */
const SHOWN = 2;
/** Pixels of a page’s width. */
const WIDTH = 620;

/** One of the house styles of the desk, seen on the writer’s own pages before it is chosen. */
export function HouseStyleDialog({ sheet, onClose }: { sheet: StyleSheetView; onClose: () => void }) {
  const session = useSession("HouseStyleDialog");
  const client = useQueryClient();
  const styles = useHouseStyles();
  const [chosen, choose] = useState(sheet.basedOn);
  const [isNaming, setNaming] = useState(false);
  const isShaped = useFindings().data?.some(({ rule }) => rule === "shaped-by-hand") ?? false;
  const [wantsClearing, setWantsClearing] = useState(false);
  const isClearing = isShaped && wantsClearing;
  const style = styles?.find(({ id }) => id === chosen);
  const use = async () => {
    if (!style) return;
    const chosenLook: Operation = style.isOwn
      ? { name: "use-style-sheet", sheet: style.sheet }
      : { name: "use-house-style", style: style.id };
    const answer = await session.changes.perform(
      isClearing ? { name: "batch", operations: [chosenLook, { name: "clear-shapes" }] } : chosenLook,
    );
    if (answer.kind === "applied") onClose();
  };
  const again = () => client.invalidateQueries({ queryKey: HOUSE_STYLES_KEY });
  const done = async (asked: Promise<{ error?: unknown }>) => {
    const isDone = await asked.then(({ error }) => error === undefined).catch(() => false);
    if (!isDone) session.messages.say("That could not be done just now; the house style is as it was.", "warning");
    await again();
  };
  const remove = (id: string) => {
    choose(sheet.basedOn);
    return done(api.DELETE("/api/house-styles/{style}", { params: { path: { style: id } } }));
  };
  const giveToNew = (id: string) =>
    done(api.PUT("/api/house-styles/{style}/for-new", { params: { path: { style: id } } }));
  const rename = (id: string, name: string) =>
    done(api.PATCH("/api/house-styles/{style}", { params: { path: { style: id } }, body: { name } }));
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="The look of the whole document"
      description="Your own pages, as they would be."
    >
      <div className="grid gap-4 sm:grid-cols-[15rem_minmax(0,1fr)]">
        <div className="space-y-2">
          {styles && (
            <Choices
              label="House style"
              look="card"
              className="space-y-1.5"
              itemClassName="block w-full px-3 py-1.5"
              value={chosen}
              options={styles.map(({ id, label, about, isForNew }) => ({
                value: id,
                shows: (
                  <>
                    <span className="block font-semibold text-ink">{label}</span>
                    <span className="text-xs text-soft">{about || "Of your own."}</span>
                    {isForNew && <span className="block text-xs text-stem">New documents have it.</span>}
                  </>
                ),
              }))}
              onChoose={choose}
            />
          )}
          {style?.isOwn && (
            <div className="flex gap-2">
              <Button onClick={() => setNaming(true)}>Rename…</Button>
              <Button tone="loss" onClick={() => void remove(style.id)}>
                Remove
              </Button>
            </div>
          )}
        </div>
        <PagesIn key={chosen} look={chosen} />
      </div>
      <div className="mt-5 flex flex-wrap justify-end gap-2">
        {style && !style.isForNew && (
          <Button className="mr-auto" onClick={() => void giveToNew(style.id)}>
            Use “{style.label}” for new documents
          </Button>
        )}
        <Button tone="quiet" onClick={onClose}>
          Cancel
        </Button>
        {isShaped && (
          <Tick checked={wantsClearing} onTick={setWantsClearing}>
            Also bring what is shaped by hand back to its kind
          </Tick>
        )}
        <Button tone="stem" disabled={!style} onClick={() => void use()}>
          Give the document this look
        </Button>
      </div>
      {style?.isOwn && (
        <NameDialog
          open={isNaming}
          title="Rename the house style"
          label="Name"
          action="Rename"
          initial={style.label}
          onClose={() => setNaming(false)}
          onName={(name) => void rename(style.id, name.slice(0, 80))}
        />
      )}
    </Dialog>
  );
}

/** The first pages of the part that is being written, as they would be in a look. */
function PagesIn({ look }: { look: HouseStyleView["id"] }) {
  const session = useSession("PagesIn");
  const box = useRef<HTMLDivElement>(null);
  const [state, setState] = useState<"setting" | "there" | "failed">("setting");
  useEffect(() => {
    let left = false;
    let pdf: Pdf | null = null;
    void (async () => {
      pdf = await partPages(session, session.window.current, look);
      if (left || !box.current) return void pdf?.loadingTask.destroy();
      if (!pdf) return setState("failed");
      for (let number = 1; number <= Math.min(SHOWN, pdf.numPages); number += 1) {
        const canvas = await drawnPage(pdf, number, WIDTH);
        canvas.setAttribute("aria-label", `Page ${number} in this look`);
        if (left || !box.current) break;
        box.current.append(canvas);
      }
      setState("there");
    })();
    return () => {
      left = true;
      void pdf?.loadingTask.destroy();
    };
  }, [session, look]);
  return (
    <div className="min-h-72">
      {state !== "there" && (
        <p role="status" className="py-8 text-center text-soft">
          {state === "setting" ? "Setting your pages…" : "These pages cannot be set just now."}
        </p>
      )}
      <div ref={box} className="grid grid-cols-2 items-start gap-3" />
    </div>
  );
}
