import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, read, type StandingText } from "../api/client";
import { useSession } from "../document/context";
import { sectionLabel } from "../document/section-name";
import { putPassage } from "../manuscript/text-commands";
import { backToText, useSpot } from "../manuscript/spot";
import { Dialog } from "../parts/dialog";
import { counted } from "../parts/words";

/** Puts standing text into the document: branches at a section, words at the cursor. */
export function StandingDialog({ target, onClose }: { target: string; onClose: () => void }) {
  const session = useSession("StandingDialog");
  const [landing, setLanding] = useState<"after" | "inside">("after");
  const standing = useQuery({ queryKey: ["standing"], queryFn: () => read(api.GET("/api/standing")), gcTime: 0 });
  const put = async (text: StandingText) => {
    onClose();
    if (!text.isPassage) {
      const made = await session.changes.takeStanding(text, { landing, target });
      if (made !== null) session.navigation.goTo({ section: made });
      return;
    }
    const { view } = useSpot.getState();
    const params = { path: { id: text.id }, query: { sections: text.sections.join(",") } };
    // What is typed meanwhile stands behind it.
    await session.changes.answering(async () => {
      const texts = await read(api.GET("/api/documents/{id}/texts", { params })).catch(() => null);
      const [words] = texts ?? [];
      if (!words || !view)
        return session.messages.say("That text cannot be read just now; nothing was put in.", "warning");
      putPassage(view, words);
      backToText(view);
    });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Put in standing text"
      description="What you keep as standing text can be put into any document, again and again; each is a copy of its own."
    >
      {standing.data?.some(({ isPassage }) => !isPassage) && (
        <fieldset className="mb-3 flex flex-wrap gap-x-5 gap-y-1">
          <legend className="sr-only">Where a branch goes</legend>
          {(["after", "inside"] as const).map((each) => (
            <label key={each} className="flex items-center gap-2">
              <input
                type="radio"
                name="landing"
                checked={landing === each}
                onChange={() => setLanding(each)}
                className="accent-stem"
              />
              {each === "after" ? "After" : "Under"} {sectionLabel(session.state, target) || "the opening"}
            </label>
          ))}
        </fieldset>
      )}
      {!standing.data && <p className="text-soft">{standing.error?.message ?? "Looking…"}</p>}
      {standing.data?.length === 0 && (
        <p className="text-soft">
          There is none yet. Keep a branch from its menu in the outline, or selected words from theirs in the text.
        </p>
      )}
      <ul aria-label="Standing text" className="max-h-[44vh] overflow-auto">
        {standing.data?.map((text) => (
          <li key={text.id}>
            <button
              type="button"
              className="flex w-full items-baseline gap-3 rounded-lg px-3 py-1.5 text-left hover:bg-wash"
              onClick={() => void put(text)}
            >
              <span className="min-w-0 flex-1 truncate font-text">{text.title || "Untitled"}</span>
              <span className="text-xs text-faint">{text.isPassage ? "words, at the cursor" : "branch"}</span>
              <span className="text-xs text-faint tabular-nums">{counted(text.words, "word")}</span>
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
