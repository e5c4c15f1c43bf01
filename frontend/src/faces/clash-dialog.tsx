import { useEffect, useRef } from "react";
import type { SectionText } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { sectionName } from "../document/section-name";
import { drawn } from "../editor/manuscript-editor";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";

/** Two windows wrote in one section: both texts side by side, and the writer says which stays. */
export function ClashDialog() {
  const session = useSession("ClashDialog");
  const clash = useDocument("ClashDialog", (state) => state.clash);
  const heading = useDocument("ClashDialog", (state) => sectionName(state, state.clash?.section ?? ""));
  if (!clash) return null;
  return (
    <Dialog
      key={clash.section}
      open
      wide
      onClose={() => undefined}
      title="This section was changed in another window"
      description={`“${heading}” now reads as on the right. What you typed here stands on the left and has not been lost.`}
    >
      <div className="grid grid-cols-2 gap-6">
        <Text label="Yours, from this window" text={clash.mine} />
        <Text label="Theirs, already kept" text={clash.theirs} />
      </div>
      <div className="mt-5 flex justify-end gap-2">
        <Button onClick={() => void session.typing.settleClash("theirs")}>Keep theirs</Button>
        <Button onClick={() => void session.typing.settleClash("both")}>Keep both, one after the other</Button>
        <Button tone="stem" onClick={() => void session.typing.settleClash("mine")}>
          Keep mine
        </Button>
      </div>
    </Dialog>
  );
}

function Text({ label, text }: { label: string; text: SectionText }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    place.current?.replaceChildren(drawn(text, false));
  }, [text]);
  return (
    <div>
      <h3 className="mb-2 font-semibold text-stem">{label}</h3>
      <div
        ref={place}
        tabIndex={0}
        role="group"
        aria-label={label}
        className="manuscript max-h-[46vh] overflow-auto rounded-lg border border-line bg-paper p-4"
      />
    </div>
  );
}
