import { useLocation } from "wouter";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { ImportReport } from "../parts/import-report";
import { counted } from "../parts/words";
import type { Imported } from "./import-file";

/** Says what became of a file just imported, and offers what to do next. */
export function ImportResult({ imported, onClose }: { imported: Imported; onClose: () => void }) {
  const [, go] = useLocation();
  const likely = imported.likelyHeadings;
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title={`“${imported.title || "Untitled"}” is on the desk`}
      description={`${counted(imported.sections, "section")} and ${counted(imported.words, "word")}.`}
    >
      <div className="max-h-[46vh] overflow-auto pr-2">
        {likely > 0 && (
          <section aria-label="Likely headings" className="mb-5 flex items-center gap-4 rounded-xl bg-wash px-4 py-3">
            <p className="flex-1">
              {counted(likely, "line")} {likely === 1 ? "looks like a heading and is" : "look like headings and are"}{" "}
              none yet.
            </p>
            <Button onClick={() => go(`/documents/${imported.id}?ask=likely-headings`)}>
              {likely === 1 ? "Review it" : "Review them"}
            </Button>
          </section>
        )}
        <ImportReport report={imported.report} documentId={imported.id} />
      </div>
      <div className="mt-6 flex justify-end gap-2">
        <Button tone="quiet" onClick={onClose}>
          Stay at the desk
        </Button>
        <Button tone="stem" onClick={() => go(`/documents/${imported.id}`)}>
          Open it
        </Button>
      </div>
    </Dialog>
  );
}
