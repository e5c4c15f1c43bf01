import { useState } from "react";
import { insertCrossReference } from "../editor/commands";
import { Dialog } from "../parts/dialog";
import { PlaceChooser } from "../places/jump-box";
import type { Spot } from "./spot";

const SHOWS = [
  { value: "number", label: "its number", example: "see 3.2" },
  { value: "heading", label: "its heading", example: "see Reading the barometer" },
  { value: "both", label: "both", example: "see 3.2 Reading the barometer" },
] as const;

/** Puts words at the cursor that always say what the place they refer to is called or numbered. */
export function CrossReferenceDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const [shows, setShows] = useState<(typeof SHOWS)[number]["value"]>("number");
  const refer = (target: string) => {
    insertCrossReference({ href: target, shows })(spot.view.state, spot.view.dispatch);
    onClose();
    requestAnimationFrame(() => spot.view.focus());
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Refer to…"
      description="The words follow the outline: rename or move the place, and they say so."
    >
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
      <PlaceChooser label="A heading or a bookmark" onChoose={(choice) => refer(choice.target)} />
    </Dialog>
  );
}
