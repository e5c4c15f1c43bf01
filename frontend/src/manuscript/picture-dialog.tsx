import { useEffect, useRef, useState, type FormEvent } from "react";
import { api, read } from "../api/client";
import { useSession } from "../document/context";
import { insertFigure } from "../editor/commands";
import { Button } from "../parts/button";
import { Tick } from "../parts/tick";
import { Dialog } from "../parts/dialog";
import { FileInput } from "../parts/file-input";
import type { Spot } from "./spot";
import { cx } from "../parts/cx";
import { FIELD, WIDE_FIELD } from "../parts/field";

const KINDS = "image/png,image/jpeg,image/gif,image/webp,image/svg+xml";

/** Asks for the picture, if it is not at hand, and for the words that stand for it where it is not seen. */
export function PictureDialog({ spot, chosen, onClose }: { spot: Spot; chosen: File | null; onClose: () => void }) {
  const session = useSession("PictureDialog");
  const [file, setFile] = useState(chosen);
  const [alt, setAlt] = useState("");
  const [caption, setCaption] = useState("");
  const [width, setWidth] = useState<number | null>(null);
  const [isDecoration, setIsDecoration] = useState(false);
  const [problem, setProblem] = useState("");
  const [isBusy, setIsBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const [shown, setShown] = useState("");
  useEffect(() => {
    if (!file) return;
    const reader = new FileReader();
    reader.addEventListener("load", () => setShown(String(reader.result)));
    reader.readAsDataURL(file);
    return () => reader.abort();
  }, [file]);

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!file) return setProblem("Choose a picture first.");
    setIsBusy(true);
    try {
      const { src } = await read(
        api.POST("/api/documents/{id}/pictures", {
          params: { path: { id: session.state.id } },
          headers: { "Content-Type": "application/octet-stream" },
          body: file as never,
          bodySerializer: (body: unknown) => body as Blob,
        }),
      );
      onClose();
      const { view } = spot;
      const picture = { src, alt: isDecoration ? "" : alt.trim(), width, decorative: isDecoration || null };
      if (!insertFigure(picture, caption.trim())(view.state, view.dispatch, view))
        session.messages.say("A picture stands in the text, not in a heading.", "warning");
      view.focus();
    } catch (failure) {
      setProblem(failure instanceof Error ? failure.message : "The picture could not be kept.");
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <Dialog open onClose={onClose} title="Picture" description="It is kept with the document, and goes where it goes.">
      <form onSubmit={(event) => void submit(event)} className="space-y-4">
        <FileInput field={field} accept={KINDS} onFile={(next) => (setFile(next), setProblem(""))} />
        <div className="flex items-center gap-4">
          {shown !== "" && (
            <img src={shown} alt="" className="max-h-28 max-w-40 rounded-md border border-line object-contain" />
          )}
          <Button tone={file ? "quiet" : "stem"} onClick={() => field.current?.click()}>
            {file ? "Choose another" : "Choose a picture…"}
          </Button>
        </div>
        <label className="block text-soft">
          Description, for readers who cannot see it; Check tells of pictures that still lack one
          <textarea
            value={alt}
            disabled={isDecoration}
            rows={2}
            maxLength={1000}
            aria-describedby="picture-problem"
            onChange={(event) => (setAlt(event.target.value), setProblem(""))}
            className="mt-1 block w-full rounded-lg border border-line bg-paper px-3 py-1.5 text-ink disabled:opacity-50"
          />
        </label>
        <Tick checked={isDecoration} onTick={(isTicked) => (setIsDecoration(isTicked), setProblem(""))}>
          It only decorates: nothing is read aloud
        </Tick>
        <label className="block text-soft">
          Caption
          <input value={caption} onChange={(event) => setCaption(event.target.value)} className={WIDE_FIELD} />
        </label>
        <label className="flex items-center gap-2 text-soft">
          Width, % of the text (its own when left empty)
          <input
            type="number"
            min={5}
            max={100}
            value={width ?? ""}
            onChange={(event) => setWidth(event.target.value === "" ? null : event.target.valueAsNumber)}
            className={cx(FIELD, "w-20")}
          />
        </label>
        <p id="picture-problem" role="alert" className="text-loss empty:hidden">
          {problem}
        </p>
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit" disabled={isBusy}>
            {isBusy ? "Keeping the picture…" : "Insert the picture"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
