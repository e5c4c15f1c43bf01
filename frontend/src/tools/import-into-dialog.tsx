import { useMutation } from "@tanstack/react-query";
import { FolderInput } from "lucide-react";
import { useRef, useState } from "react";
import { READABLE } from "../files/import-file";
import { useDocument, useSession } from "../document/context";
import { Button } from "../parts/button";
import { FileInput } from "../parts/file-input";
import { cx } from "../parts/cx";
import { Dialog } from "../parts/dialog";
import { ImportReport } from "../parts/import-report";
import { Progress } from "../parts/progress";

type Landing = "before" | "after" | "inside";

/** Puts a file into the document as a branch, its levels fitted to the place. */
export function ImportIntoDialog({
  target,
  landing: first,
  onClose,
}: {
  target: string;
  landing: Landing;
  onClose: () => void;
}) {
  const session = useSession("ImportIntoDialog");
  const documentId = useDocument("ImportIntoDialog", (state) => state.id);
  const heading = useDocument("ImportIntoDialog", (state) => state.facts.get(target)?.heading) || "the opening";
  const [landing, setLanding] = useState<Landing>(first);
  const [over, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const leave = useRef<AbortController>(null);
  const bring = useMutation({
    mutationFn: (file: File) => {
      leave.current = new AbortController();
      return session.changes.putIn(file, landing, target, leave.current.signal);
    },
  });
  const report = bring.data;
  if (report) {
    return (
      <Dialog
        open
        onClose={onClose}
        wide
        title="The file is in the document"
        description="It can be undone like any other step."
      >
        <div className="max-h-[50vh] overflow-auto">
          <ImportReport report={report} documentId={documentId} />
        </div>
        <div className="mt-6 flex justify-end">
          <Button tone="stem" onClick={onClose}>
            Go on writing
          </Button>
        </div>
      </Dialog>
    );
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Import a file here"
      description={`Its headings come as a branch and take their levels from the place.`}
    >
      <fieldset className="mb-4">
        <legend className="sr-only">Where it goes</legend>
        {(["inside", "after", "before"] as const).map((each) => (
          <label key={each} className="flex items-center gap-2 py-0.5">
            <input
              type="radio"
              name="landing"
              checked={landing === each}
              onChange={() => setLanding(each)}
              className="accent-stem"
            />
            {each === "inside" ? "under" : each} “{heading}”
          </label>
        ))}
      </fieldset>
      <FileInput field={chooser} accept={READABLE} onFile={(file) => bring.mutate(file)} />
      <div
        className={cx(
          "rounded-xl border border-dashed px-4 py-6 text-center",
          over ? "border-stem bg-wash" : "border-twig",
        )}
        onDragOver={(event) => (event.preventDefault(), setOver(true))}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          const file = event.dataTransfer.files[0];
          if (file) bring.mutate(file);
        }}
      >
        <Button onClick={() => chooser.current?.click()} disabled={bring.isPending}>
          <FolderInput size={15} strokeWidth={1.6} aria-hidden="true" />
          Choose a file
        </Button>
        <p className="mt-2 text-faint">or drop one here</p>
      </div>
      <div role="status" className="mt-4">
        {bring.isPending && (
          <Progress words={`Reading “${bring.variables.name}”…`} onCancel={() => leave.current?.abort()} />
        )}
        {bring.error && <p className="border-l-2 border-loss pl-3">{bring.error.message}</p>}
      </div>
    </Dialog>
  );
}
