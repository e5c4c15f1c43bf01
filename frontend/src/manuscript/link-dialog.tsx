import { useState } from "react";
import { setLink } from "../editor/commands";
import { completed, readTarget } from "../editor/target";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { PlaceChooser } from "../places/jump-box";
import type { Spot } from "./spot";

/** Leads the selected words to a heading, a bookmark, or an address. */
export function LinkDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const [address, setAddress] = useState("");
  const link = (target: string | null) => {
    setLink(target)(spot.view.state, spot.view.dispatch);
    onClose();
    requestAnimationFrame(() => spot.view.focus());
  };
  const [isWrong, setWrong] = useState(false);
  const toAddress = (typed: string) => {
    const whole = completed(typed);
    if (readTarget(whole) === null || whole.includes(" ")) return setWrong(true);
    link(whole);
  };
  return (
    <Dialog open onClose={onClose} title="Link to…">
      <PlaceChooser
        label="A heading or a bookmark"
        onChoose={(choice) => link(choice.target)}
        onOther={(words) => words.includes(".") && toAddress(words)}
      />
      <form
        className="mt-4 flex items-end gap-2 border-t border-line pt-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (address.trim()) toAddress(address);
        }}
      >
        <label className="flex-1 text-soft">
          Or an address of the web or of mail
          <input
            value={address}
            onChange={(event) => (setAddress(event.target.value), setWrong(false))}
            aria-invalid={isWrong}
            aria-describedby={isWrong ? "no-address" : undefined}
            placeholder="https://"
            className="mt-1 block w-full rounded-lg border border-line bg-paper px-3 py-1.5 text-ink"
          />
        </label>
        <Button tone="stem" type="submit" disabled={address.trim() === ""}>
          Link
        </Button>
      </form>
      {isWrong && (
        <p id="no-address" role="alert" className="mt-2 text-loss">
          That address is not a web address.
        </p>
      )}
      <div className="mt-3 flex">
        <Button tone="quiet" onClick={() => link(null)}>
          Take the link away
        </Button>
      </div>
    </Dialog>
  );
}
