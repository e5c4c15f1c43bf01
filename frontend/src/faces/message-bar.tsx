import { X } from "lucide-react";
import { useEffect } from "react";
import { useSession, useWindow } from "../document/context";
import type { Face } from "./header";

/** Over the foot of Proof, whose buttons are wanted right after a message. */
const OVER_PAGES = "bottom-55 md:bottom-38";
/** How long a plain message stays (milliseconds); another stays until it is put away or is no longer so. */
const STAYS = 7000;

/** What just happened, with the way back beside it. */
export function MessageBar({ face }: { face: Face }) {
  const session = useSession("MessageBar");
  const message = useWindow("MessageBar", (state) => state.message);
  const hasPicks = useWindow("MessageBar", (state) => state.picked.size > 0);
  useEffect(() => {
    if (!message || message.tone !== "said" || message.offer) return;
    const timer = window.setTimeout(() => session.messages.dismiss(), STAYS);
    return () => window.clearTimeout(timer);
  }, [message, session]);
  return (
    <div
      role="status"
      aria-live="polite"
      className={`pointer-events-none fixed inset-x-0 ${face === "proof" ? OVER_PAGES : hasPicks ? "bottom-33 md:bottom-19" : "bottom-19 md:bottom-5"} z-30 flex justify-center px-4`}
    >
      {message && (
        <p className="pointer-events-auto flex max-w-2xl items-center gap-4 rounded-xl bg-slate py-2.5 pr-2.5 pl-5 text-on-slate shadow-lg">
          {message.tone === "warning" && <span className="font-semibold">Not done:</span>}
          <span>{message.sentence}</span>
          {message.offer && (
            <button
              type="button"
              className="rounded px-2 font-semibold underline underline-offset-4"
              onClick={() => (session.messages.dismiss(), message.offer?.run())}
            >
              {message.offer.label}
            </button>
          )}
          {message.canUndo && (
            <button
              type="button"
              className="rounded px-2 font-semibold underline underline-offset-4"
              onClick={() => (session.messages.dismiss(), void session.changes.undo())}
            >
              Undo
            </button>
          )}
          <button
            type="button"
            aria-label="Put this message away"
            className="grid size-7 place-items-center rounded-full"
            onClick={() => session.messages.dismiss()}
          >
            <X size={15} aria-hidden="true" />
          </button>
        </p>
      )}
    </div>
  );
}
