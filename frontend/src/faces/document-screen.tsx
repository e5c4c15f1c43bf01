import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { Link } from "wouter";
import { ArrangeTable } from "./arrange/arrange-table";
import { SessionContext, useDocument, useSession } from "../document/context";
import { documentName } from "../document/section-name";
import { outdating } from "../document/readings";
import { Session } from "../document/session";
import { Emblem } from "../parts/emblem";
import { ChoicePanel } from "./choice-panel";
import { Drawer } from "../tools/drawer/drawer";
import { openFound } from "../find/open-find";
import { labelled } from "../keys/keys";
import { cx } from "../parts/cx";
import { openDialog } from "../window/open-dialog";
import { setQuiet, useQuiet } from "../window/quiet";
import { ComfortPanel } from "./comfort-panel";
import { Header, SAVING, type Face } from "./header";
import { JumpBox } from "../places/jump-box";
import type { Offered } from "../places/offering";
import { NarrowBar } from "./write/narrow-bar";
import { Looks } from "../looks/looks";
import { ShapeRules } from "../looks/shape-rules";
import { SheetRules } from "../looks/sheet-rules";
import { Manuscript } from "../manuscript/manuscript";
import { MessageBar } from "./message-bar";
import { PageScale } from "../proof/page-scale";
import { Proof } from "../proof/proof";
import { OutlinePanel } from "./write/outline-panel";
import { PickedBar } from "../tree/picked-bar";
import { Dialogs } from "../tools/dialogs";
import { StrataStrip } from "./strata-strip";
import { offeredCommands } from "./offered";
import { refuseStrayFiles } from "./stray-files";
import { useAnywhereCommands, useScreenKeys, type AnywhereCommands } from "./use-screen-keys";

type Opening = { kind: "opening" } | { kind: "open"; session: Session } | { kind: "failed"; sentence: string };

/** One open document, by the face it shows: the text beside its outline, or the outline as a wide table. */
export function DocumentScreen({ id, face }: { id: string; face: Face }) {
  const [opening, setOpening] = useState<Opening>({ kind: "opening" });
  const client = useQueryClient();
  useEffect(() => {
    let session: Session | null = null;
    let left = false;
    Session.open(id, outdating(client, id)).then(
      (opened) => {
        if (left) return opened.close();
        session = opened;
        setOpening({ kind: "open", session: opened });
      },
      (failure: unknown) =>
        setOpening({
          kind: "failed",
          sentence: failure instanceof Error ? failure.message : "The document cannot be opened.",
        }),
    );
    return () => {
      left = true;
      session?.close();
    };
  }, [id, client]);

  switch (opening.kind) {
    case "opening":
      return <Waiting words="Opening the document…" />;
    case "failed":
      return <Waiting words={opening.sentence} failed />;
    case "open":
      return (
        <SessionContext value={opening.session}>
          <Faces face={face} />
        </SessionContext>
      );
  }
}

function Faces({ face }: { face: Face }) {
  const title = useDocument("Faces", documentName);
  const session = useSession("Faces");
  const isQuiet = useQuiet((state) => state.isQuiet) && face === "write";
  const [offered, setOffered] = useState<readonly Offered[] | null>(null);
  // What fits the place is what fits where the cursor is now.
  const jump = useCallback((commands: AnywhereCommands) => setOffered(offeredCommands(session, commands)), [session]);
  const commands = useAnywhereCommands(jump);
  useScreenKeys(commands);
  useEffect(() => refuseStrayFiles(session), [session]);
  // What an address asks for beside the document: a place in it, what was found there, to write at once, or the likely headings; looked at once.
  useEffect(() => {
    const query = new URLSearchParams(window.location.search);
    const at = query.get("at");
    // What was asked for is shown, whatever was worked on last.
    if (at !== null && !session.navigation.isInScope(at)) session.windowStore.setState({ scope: null });
    const words = query.get("find");
    if (words !== null) openFound(words, at);
    else if (at !== null && session.state.positions.has(at)) {
      const reminder = query.get("reminder");
      session.navigation.goTo(
        { section: at, ...(reminder === null ? {} : { bookmark: reminder }) },
        { remember: false },
      );
    }
    const first = session.state.outline.ids[0];
    if (query.get("ask") === "write" && first !== undefined)
      session.navigation.goTo({ section: first, inText: true }, { remember: false });
    if (query.get("ask") === "likely-headings") openDialog({ kind: "likely-headings" });
    if (query.size > 0) window.history.replaceState(null, "", window.location.pathname);
  }, [session]);
  useEffect(() => {
    document.title = `${title} – Stemmata`;
  }, [title]);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto] overflow-hidden">
      <div>{!isQuiet && <Header face={face} onJump={commands.jump} />}</div>
      <div>{!isQuiet && (face === "proof" ? <PageScale /> : <StrataStrip />)}</div>
      {face === "write" ? (
        <div
          className={cx(
            "grid min-h-0 grid-cols-[minmax(0,1fr)]",
            isQuiet
              ? "md:grid-cols-[minmax(0,1fr)_auto]"
              : "pb-14 md:grid-cols-[272px_minmax(0,1fr)_auto] md:pb-0 lg:grid-cols-[312px_minmax(0,1fr)_auto]",
          )}
        >
          {!isQuiet && <OutlinePanel />}
          <Manuscript />
          <Drawer />
          {isQuiet ? (
            <LeaveQuiet />
          ) : (
            <NarrowBar onJump={commands.jump} look={(button) => <ComfortPanel trigger={button} />} />
          )}
        </div>
      ) : face === "proof" ? (
        <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] pb-14 md:grid-cols-[272px_minmax(0,1fr)_auto] md:pb-0 lg:grid-cols-[312px_minmax(0,1fr)_auto]">
          <OutlinePanel isInProof />
          <Proof />
          <Drawer />
          <NarrowBar onJump={commands.jump} />
        </div>
      ) : face === "looks" ? (
        <Looks />
      ) : (
        <ArrangeTable />
      )}
      <div>
        <ChoicePanel />
      </div>
      <PickedBar besideOutline={face !== "arrange" && face !== "looks"} />
      <MessageBar face={face} />
      <SheetRules />
      <ShapeRules />
      <Dialogs />
      {offered && <JumpBox commands={offered} onClose={() => setOffered(null)} />}
    </div>
  );
}

/** The way back, in sight where the hand comes to the corner, or the focus. */
function LeaveQuiet() {
  const saving = useDocument("LeaveQuiet", (state) => state.saving);
  return (
    <div className="group fixed top-0 right-0 z-30 flex items-center gap-3 p-3">
      {(saving === "unsent" || saving === "asked") && (
        <p role="status" className="text-xs font-medium text-loss">
          {SAVING[saving]}
        </p>
      )}
      <button
        type="button"
        className="rounded-full border border-line bg-sheet px-3 py-1 text-soft opacity-0 shadow-sm group-hover:opacity-100 hover:text-ink focus-visible:opacity-100 [@media(hover:none)]:opacity-100"
        onClick={() => setQuiet(false)}
      >
        Show everything again ({labelled("quiet").keys})
      </button>
    </div>
  );
}

function Waiting({ words, failed = false }: { words: string; failed?: boolean }) {
  return (
    <main className="grid h-full place-content-center justify-items-center gap-4 p-8 text-center">
      <span className={failed ? "" : "animate-pulse"}>
        <Emblem size={44} />
      </span>
      <p role="status">{words}</p>
      {failed && (
        <Link href="/" className="font-medium text-stem underline underline-offset-4">
          Back to the desk
        </Link>
      )}
    </main>
  );
}
