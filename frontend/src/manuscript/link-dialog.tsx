import { useRef, useState } from "react";
import { api, read } from "../api/client";
import { useSession } from "../document/context";
import { insertLinked, linkAt, setLink } from "../editor/commands";
import { completed, innerId, readTarget } from "../editor/target";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { FileInput } from "../parts/file-input";
import { targets } from "../generated/body-schema.json";
import { PlaceChooser } from "../places/jump-box";
import { leadTo } from "../places/places";
import { useNameOfTarget } from "../places/use-name-of-target";
import { backToText, type Spot } from "./spot";
import { WIDE_FIELD } from "../parts/field";

const KINDS = targets.keptEndings.map((ending) => `.${ending}`).join(",");

/** Leads the selected words, or those of the link with the cursor, to a heading, a bookmark, or an address. */
export function LinkDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const session = useSession("LinkDialog");
  const nameOf = useNameOfTarget();
  const { state } = spot.view;
  const present = linkAt(state.doc, state.selection.from);
  const [address, setAddress] = useState(present && innerId(present.href) === null ? present.href : "");
  const [hint, setHint] = useState(present?.hint ?? "");
  const [isWrong, setWrong] = useState(false);
  const hasWords = !state.selection.empty || present !== null;
  const [words, setWords] = useState("");
  /** @param called what the target is called, for a link that has no words yet */
  const link = (target: string | null, called = "") => {
    const { view } = spot;
    if (target !== null && !hasWords)
      insertLinked(words.trim() || called || target, target, hint.trim())(view.state, view.dispatch);
    else setLink(target, hint.trim())(view.state, view.dispatch);
    onClose();
    requestAnimationFrame(() => backToText(spot.view));
  };
  const field = useRef<HTMLInputElement>(null);
  const wordsField = useRef<HTMLInputElement>(null);
  const hintField = useRef<HTMLInputElement>(null);
  /** What it is to lead to, and how it is led there once words and hint are given. */
  const [chosen, setChosen] = useState<{ shown: string; lead: () => void } | null>(null);
  const choose = (next: { shown: string; lead: () => void }) => {
    setChosen(next);
    // A hint can still be given; Enter there makes the link.
    requestAnimationFrame(() => (hasWords ? hintField : wordsField).current?.focus());
  };
  const [problem, setProblem] = useState("");
  const [isKeeping, setKeeping] = useState(false);
  const keepFile = async (file: File) => {
    setProblem("");
    setKeeping(true);
    try {
      const { src } = await read(
        api.POST("/api/documents/{id}/files", {
          params: { path: { id: session.state.id }, query: { name: file.name } },
          headers: { "Content-Type": "application/octet-stream" },
          body: file as never,
          bodySerializer: (body: unknown) => body as Blob,
        }),
      );
      choose({ shown: file.name, lead: () => link(src, file.name) });
    } catch (failure) {
      setProblem(failure instanceof Error ? failure.message : "The file could not be kept.");
    } finally {
      setKeeping(false);
    }
  };
  const toAddress = (typed: string) => {
    const whole = completed(typed);
    if (readTarget(whole) === null || whole.includes(" ")) return setWrong(true);
    link(whole, typed.trim());
  };
  return (
    <Dialog open onClose={onClose} title={present ? "Change the link" : "Link to…"}>
      {present && (
        <p className="mb-3 text-soft">
          It leads to <span className="font-medium text-ink">{nameOf(present.href)}</span> now.
        </p>
      )}
      {chosen ? (
        <p className="flex items-baseline gap-3">
          <span className="min-w-0 flex-1" role="status">
            It leads to <span className="font-medium">{chosen.shown}</span>.
          </span>
          <Button tone="quiet" onClick={() => setChosen(null)}>
            Choose another
          </Button>
        </p>
      ) : (
        <PlaceChooser
          label="A heading, a bookmark, a figure or a table"
          onChoose={(choice) =>
            choose({
              shown: [choice.number, choice.words].filter((part) => part !== "").join(" "),
              lead: () => leadTo(session, choice, (target) => link(target, choice.words)),
            })
          }
          onOther={(words) => words.includes(".") && toAddress(words)}
        />
      )}
      <form
        className="mt-4 space-y-3 border-t border-line pt-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (chosen) chosen.lead();
          else if (address.trim()) toAddress(address);
          else if (present) link(present.href);
        }}
      >
        <label className="block text-soft" hidden={chosen !== null}>
          Or an address of the web or of mail
          <input
            value={address}
            onChange={(event) => (setAddress(event.target.value), setWrong(false))}
            aria-invalid={isWrong}
            aria-describedby={isWrong ? "no-address" : undefined}
            placeholder="https://"
            className={WIDE_FIELD}
          />
        </label>
        <div className="flex items-center gap-3 text-soft" hidden={chosen !== null}>
          <FileInput field={field} accept={KINDS} onFile={(file) => void keepFile(file)} />
          <Button tone="quiet" onClick={() => field.current?.click()}>
            {isKeeping ? "Keeping the file…" : "Or a file, kept with the document…"}
          </Button>
        </div>
        {problem && (
          <p role="alert" className="text-loss">
            {problem}
          </p>
        )}
        {isWrong && (
          <p id="no-address" role="alert" className="text-loss">
            That address is not a web address.
          </p>
        )}
        {!hasWords && (
          <label className="block text-soft">
            The words of the link (those of its target when left empty)
            <input
              ref={wordsField}
              value={words}
              maxLength={300}
              onChange={(event) => setWords(event.target.value)}
              className={WIDE_FIELD}
            />
          </label>
        )}
        <label className="block text-soft">
          A hint, shown where the link is pointed at (may be left empty)
          <input
            ref={hintField}
            value={hint}
            maxLength={300}
            onChange={(event) => setHint(event.target.value)}
            className={WIDE_FIELD}
          />
        </label>
        <div className="flex justify-between">
          {present ? (
            <Button tone="quiet" onClick={() => link(null)}>
              Take the link away
            </Button>
          ) : (
            <span />
          )}
          <Button tone="stem" type="submit" disabled={chosen === null && address.trim() === "" && present === null}>
            {present ? "Keep the link" : "Link"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
