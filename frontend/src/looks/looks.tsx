import { Plus } from "lucide-react";
import { useState } from "react";
import type { KindView } from "../api/client";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { Fold } from "../parts/fold";
import { useLocation } from "wouter";
import { KindPanel } from "./kind-panel";
import { LookChoice } from "./look-choice";
import { NewKindDialog } from "./new-kind-dialog";
import { SheetPage } from "./sheet-page";
import { Specimen } from "./specimen";
import { useKindUses, useStyleSheet } from "./use-style-sheet";

/** The style sheet: every kind of text of the document in its look, by the writer’s own words, and what is said of it. */
export function Looks() {
  const session = useSession("Looks");
  const [, navigate] = useLocation();
  const sheet = useStyleSheet();
  const uses = useKindUses();
  const [chosen, choose] = useState("body");
  const [isMaking, setMaking] = useState(false);
  if (!sheet) return <p className="p-6 text-soft">Reading the style sheet…</p>;
  const counts = new Map(uses?.map(({ kind, count }) => [kind, count]));
  const words = new Map(uses?.map((use) => [use.kind, use.words]));
  const isUsed = ({ name }: KindView) => counts.has(name);
  const used = sheet.kinds.filter((kind) => isUsed(kind) && !kind.isOwn);
  const own = sheet.kinds.filter(({ isOwn }) => isOwn);
  const unused = sheet.kinds.filter((kind) => !isUsed(kind) && !kind.isOwn);
  const kind = sheet.kinds.find(({ name }) => name === chosen) ?? sheet.kinds.find(({ name }) => name === "body");
  if (!kind) return null;
  const specimen = (kinds: readonly KindView[]) => (
    <Specimen kinds={kinds} words={words} chosen={kind.name} onChoose={choose} />
  );
  return (
    <main
      aria-label="Style sheet"
      className="grid min-h-0 grid-rows-[minmax(0,1fr)_minmax(0,1fr)] bg-sheet md:grid-cols-[minmax(0,1fr)_340px] md:grid-rows-1"
    >
      <div className="min-h-0 overflow-auto px-2 pt-4 pb-10 md:px-6">
        <div className="mx-auto grid max-w-[52rem] items-start gap-6 xl:max-w-none xl:grid-cols-[minmax(0,1fr)_20rem]">
          <div className="min-w-0 space-y-5">
            <LookChoice sheet={sheet} />
            {uses === undefined && <p className="px-4 text-soft">Looking through the text…</p>}
            {specimen(used)}
            <section aria-label="Kinds of your own">
              <h2 className="px-4 pb-1 text-xs font-semibold text-stem">Kinds of your own</h2>
              {specimen(own)}
              <div className="px-4 pt-1">
                <Button onClick={() => setMaking(true)}>
                  <Plus size={14} aria-hidden="true" /> A kind of your own…
                </Button>
              </div>
            </section>
            <Fold words={`Not in this document (${unused.length})`}>{specimen(unused)}</Fold>
          </div>
          <SheetPage sheet={sheet} use={uses?.find((use) => use.kind === kind.name)} />
        </div>
      </div>
      <div className="min-h-0 overflow-auto border-t border-line bg-paper px-4 pt-4 pb-10 md:border-t-0 md:border-l">
        <KindPanel
          sheet={sheet}
          kind={kind}
          count={uses === undefined ? undefined : (counts.get(kind.name) ?? 0)}
          onGo={() => navigate(`/documents/${session.state.id}`)}
        />
      </div>
      {isMaking && <NewKindDialog kinds={sheet.kinds} onClose={() => setMaking(false)} onMade={choose} />}
    </main>
  );
}
