import { NodeSelection } from "@tiptap/pm/state";
import { useEffect, useRef, useState, type FormEvent } from "react";
import { useSession } from "../document/context";
import { insertFormula } from "../editor/commands";
import { drawnFormula, soundSource } from "../editor/formula";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { backToText, type Spot } from "./spot";

/** The source of a formula with its picture beside it; the formula that is selected is changed. */
export function FormulaDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const session = useSession("FormulaDialog");
  const { selection } = spot.view.state;
  const present =
    selection instanceof NodeSelection && selection.node.type.name.startsWith("formula") ? selection.node : null;
  const [source, setSource] = useState(present ? String(present.attrs["source"]) : "");
  const [isBlock, setIsBlock] = useState(present?.type.name === "formulaBlock");
  const [problem, setProblem] = useState("");
  const picture = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let isCurrent = true;
    void drawnFormula(source, isBlock).then((drawn) => {
      if (!isCurrent) return;
      picture.current?.replaceChildren(...(drawn.element ? [drawn.element] : []));
      setProblem(drawn.problem ?? "");
    });
    return () => void (isCurrent = false);
  }, [source, isBlock]);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const sound = soundSource(source);
    if (sound === null) return setProblem("There is no formula yet.");
    const { view } = spot;
    onClose();
    if (!insertFormula(sound, isBlock)(view.state, view.dispatch, view))
      session.messages.say("A formula on a line of its own stands in the text, not in a heading.", "warning");
    requestAnimationFrame(() => backToText(view));
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={present ? "Change the formula" : "Formula"}
      description="Written in TeX, or pasted as MathML; kept as it is written."
    >
      <form onSubmit={submit} className="space-y-4">
        <textarea
          autoFocus
          value={source}
          rows={4}
          spellCheck={false}
          aria-label="The formula in TeX or MathML"
          aria-describedby="formula-problem"
          placeholder={"\\frac{a}{b} = \\sqrt{x^2}"}
          onChange={(event) => setSource(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) submit(event);
          }}
          className="block w-full rounded-lg border border-line bg-paper px-3 py-2 font-mono text-[13px] text-ink"
        />
        <div
          ref={picture}
          className="formula-preview flex min-h-16 items-center justify-center overflow-auto rounded-lg bg-paper px-3 py-2 text-lg"
        />
        <p id="formula-problem" role="status" className="text-soft empty:hidden">
          {problem}
        </p>
        <fieldset className="flex gap-5">
          <legend className="sr-only">Where it stands</legend>
          {[
            { value: false, label: "in the line" },
            { value: true, label: "on a line of its own" },
          ].map(({ value, label }) => (
            <label key={label} className="flex items-baseline gap-1.5">
              <input
                type="radio"
                name="where"
                checked={isBlock === value}
                onChange={() => setIsBlock(value)}
                className="accent-stem"
              />
              {label}
            </label>
          ))}
        </fieldset>
        <div className="flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit" disabled={source.trim() === ""}>
            {present ? "Keep the formula" : "Insert the formula"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
