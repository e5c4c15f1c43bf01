import { NodeSelection } from "@tiptap/pm/state";
import { useState } from "react";
import { useSession } from "../document/context";
import { insertCrossReference } from "../editor/commands";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { PlaceChooser } from "../places/jump-box";
import { leadTo } from "../places/places";
import { useNameOfTarget } from "../places/use-name-of-target";
import { backToText, type Spot } from "./spot";

const SHOWS = [
  { value: "number", label: "its number", example: "see 3.2, or Figure 4" },
  { value: "heading", label: "its words", example: "see Reading the barometer" },
  { value: "page", label: "its page", example: "see page 12" },
  { value: "both", label: "both", example: "see 3.2 Reading the barometer" },
] as const;

type Shows = (typeof SHOWS)[number]["value"];

/** Words at the cursor that always say what the place they refer to is called or numbered; those there are changed. */
export function CrossReferenceDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const session = useSession("CrossReferenceDialog");
  const nameOf = useNameOfTarget();
  const { selection } = spot.view.state;
  const present =
    selection instanceof NodeSelection && selection.node.type.name === "crossReference" ? selection.node : null;
  const [shows, setShows] = useState<Shows>((present?.attrs["shows"] as Shows | undefined) ?? "number");
  const put = (href: string) => {
    insertCrossReference({ href, shows })(spot.view.state, spot.view.dispatch);
    onClose();
    requestAnimationFrame(() => backToText(spot.view));
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={present ? "Change the reference" : "Refer to…"}
      description="The words follow the outline: rename or move the place, and they say so."
    >
      {present && (
        <p className="mb-3 text-soft">
          It refers to <span className="font-medium text-ink">{nameOf(String(present.attrs["href"]))}</span> now.
        </p>
      )}
      <fieldset className="mb-4">
        <legend className="mb-1 text-soft">Show</legend>
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          {SHOWS.map(({ value, label, example }) => (
            <label key={value} className="flex items-baseline gap-1.5" title={example}>
              <input
                type="radio"
                name="shows"
                value={value}
                checked={shows === value}
                onChange={() => setShows(value)}
                className="accent-stem"
              />
              {label}
            </label>
          ))}
        </div>
      </fieldset>
      <PlaceChooser
        label="A heading, a bookmark, a figure or a table"
        onChoose={(choice) => leadTo(session, choice, put)}
      />
      {present && (
        <div className="mt-4 flex justify-end">
          <Button tone="stem" onClick={() => put(String(present.attrs["href"]))}>
            Keep the reference
          </Button>
        </div>
      )}
    </Dialog>
  );
}
