import { Download, Ellipsis, Search } from "lucide-react";
import { useState } from "react";
import { Link } from "wouter";
import { documentName } from "../document/section-name";
import { useDocument, useSession } from "../document/context";
import type { Saving } from "../document/state";
import { RoundButton } from "../parts/button";
import { NameDialog } from "../parts/name-dialog";
import { preparePdf } from "../proof/pdf";
import { cx } from "../parts/cx";
import { Emblem } from "../parts/emblem";
import { Menu } from "../parts/menu";
import { ThemeButton } from "../parts/theme";
import { counted } from "../parts/words";
import { keysShown, useKeys } from "../keys/keys";
import { ComfortPanel } from "./comfort-panel";
import { documentCommands } from "./document-commands";
import { FORMATS } from "../files/formats";
import { writeToFile } from "../files/write-to-file";

export const SAVING: Record<Saving, string> = {
  kept: "all changes kept",
  keeping: "keeping…",
  unsent: "not sent yet; trying again",
  asked: "two texts wait for your choice",
};

/** Whether the writer should know of it at once. */
function isOpen(saving: Saving): boolean {
  return saving === "unsent" || saving === "asked";
}

/** The ways to look at a document. */
export type Face = "write" | "arrange" | "proof" | "looks";

export function Header({ face, onJump }: { face: Face; onJump: () => void }) {
  const session = useSession("Header");
  useKeys((state) => state.own);
  const id = useDocument("Header", (state) => state.id);
  const title = useDocument("Header", documentName);
  const saving = useDocument("Header", (state) => state.saving);
  const isWorking = useDocument("Header", (state) => state.isWorking);
  const words = useDocument("Header", (state) => state.words);
  const [naming, setNaming] = useState(false);
  const titleBlock = useDocument("Header", (state) => state.titleBlock);
  return (
    <header
      data-passing
      // The faces keep their place, whatever is said on their left.
      className="grid h-13 min-w-0 grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-1 px-2 md:grid-cols-[minmax(0,1fr)_auto_minmax(0,1fr)] md:gap-3 md:px-4"
    >
      <div className="flex min-w-0 items-center gap-1 md:gap-3">
        <Link href="/" aria-label="Back to the desk" title="Back to the desk" className="p-1">
          <Emblem />
        </Link>
        {/* In a narrow window one stands under the other. */}
        <div className="min-w-0 items-center gap-3 sm:flex">
          <h1 className="min-w-0 font-text text-[17px] leading-normal font-medium tracking-tight">
            <button
              type="button"
              className="block max-w-full truncate rounded py-0.5 hover:text-stem"
              title="Rename the document"
              onClick={() => setNaming(true)}
            >
              {title}
            </button>
          </h1>
          <p
            className={cx(
              "text-[11px] leading-none whitespace-nowrap text-faint sm:text-xs",
              isOpen(saving) && "font-medium text-loss",
            )}
            role="status"
          >
            {isWorking ? (
              <span className="font-medium text-stem">
                <span aria-hidden="true" className="mr-1.5 inline-block size-2 animate-pulse rounded-full bg-stem" />
                working…
              </span>
            ) : (
              SAVING[saving]
            )}
            <span className="hidden tabular-nums sm:max-md:inline lg:inline"> · {counted(words, "word")}</span>
          </p>
        </div>
      </div>
      <nav aria-label="Faces of the document" className="flex self-stretch">
        <FaceLink to={`/documents/${id}`} words="Write" shown={face === "write"} />
        <FaceLink to={`/documents/${id}/arrange`} words="Arrange" shown={face === "arrange"} />
        <FaceLink to={`/documents/${id}/looks`} words="Looks" shown={face === "looks"} />
        <FaceLink to={`/documents/${id}/proof`} words="Proof" shown={face === "proof"} onNear={preparePdf} />
      </nav>
      <div className="flex min-w-0 items-center justify-end gap-1 md:gap-3">
        <button
          type="button"
          onClick={onJump}
          className="hidden h-8 w-60 min-w-0 items-center gap-2 rounded-full border border-line bg-sheet px-3 text-faint hover:border-twig md:flex"
        >
          <Search size={14} strokeWidth={1.6} aria-hidden="true" />
          <span className="flex-1 text-left">Jump to…</span>
          <kbd className="font-sans text-[11px]">{keysShown("jump")}</kbd>
        </button>
        <Menu
          label="Export"
          align="end"
          entries={FORMATS.map(({ format, label }) => ({
            label,
            keys: `.${format}`,
            run: () => void writeToFile(session, format),
          }))}
        >
          <RoundButton name="Export">
            <Download size={16} strokeWidth={1.6} aria-hidden="true" />
          </RoundButton>
        </Menu>
        <Menu label="This document" align="end" entries={documentCommands(session, titleBlock)}>
          <RoundButton name="This document">
            <Ellipsis size={16} strokeWidth={1.6} aria-hidden="true" />
          </RoundButton>
        </Menu>
        {face === "write" && <ComfortPanel />}
        <ThemeButton />
      </div>
      <NameDialog
        open={naming}
        title="Rename the document"
        label="Title"
        action="Rename"
        initial={title}
        onClose={() => setNaming(false)}
        onName={(name) => void session.changes.perform({ name: "describe-document", title: name })}
      />
    </header>
  );
}

function FaceLink({
  to,
  words,
  shown,
  onNear,
}: {
  to: string;
  words: string;
  shown: boolean;
  /** The hand or the focus comes to it. */
  onNear?: () => void;
}) {
  return (
    <Link
      href={to}
      onPointerEnter={onNear}
      onFocus={onNear}
      aria-current={shown ? "page" : undefined}
      className={cx(
        "grid place-items-center border-b-2 px-1.5 pt-0.5 md:px-3.5",
        shown ? "border-stem font-semibold text-ink" : "border-transparent text-soft hover:text-ink",
      )}
    >
      {words}
    </Link>
  );
}
