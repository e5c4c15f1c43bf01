import { NodeSelection, TextSelection } from "@tiptap/pm/state";
import { useState, type FormEvent } from "react";
import { useSession } from "../document/context";
import { api } from "../api/client";
import { insertBookmark, namedEnd, renameBookmark } from "../editor/commands";
import { findSection, placeIn, positionIn } from "../editor/places";
import { textOf } from "../editor/section-text";
import { newId } from "../document/new-id";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import type { Spot } from "./spot";

/** Names the place at the cursor, or gives the bookmark that is selected another name. Whether the name is free and well formed is the server’s word. */
export function BookmarkDialog({ spot, onClose }: { spot: Spot; onClose: () => void }) {
  const session = useSession("BookmarkDialog");
  const { selection } = spot.view.state;
  const { from, to } = selection;
  const present = selection instanceof NodeSelection && selection.node.type.name === "bookmark" ? selection.node : null;
  const [name, setName] = useState(() =>
    present
      ? String(present.attrs["name"])
      : spot.view.state.doc
          .textBetween(from, to, " ")
          .trim()
          .replace(/[^\p{L}\p{M}\p{Nd}]+/gu, "_")
          .slice(0, 40),
  );
  const [problem, setProblem] = useState("");
  const isStretch = !present && namedEnd(spot.view.state) !== null;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    let { doc } = spot.view.state;
    let after = to;
    const change = present
      ? renameBookmark(name)
      : insertBookmark({ id: (await formerId(session.state.id, name)) ?? newId(), name });
    change(spot.view.state, (transaction) => {
      doc = transaction.doc;
      after = transaction.mapping.map(to);
    });
    const place = findSection(doc, spot.section);
    if (!place) return onClose();
    after = placeIn(place, after);
    const text = textOf(place.node);
    const answer = await session.changes.perform(
      {
        name: "batch",
        operations: [
          ...(text.heading.length > 0
            ? [{ name: "rename" as const, section: spot.section, heading: text.heading }]
            : []),
          { name: "replace-body", section: spot.section, body: text.body },
        ],
      },
      { quiet: true },
    );
    if (answer.kind === "applied") {
      await session.texts.readAgain(spot.section);
      const { state, dispatch } = spot.view;
      // Writing goes on after the bookmark, not in place of it.
      const now = findSection(state.doc, spot.section);
      if (now) dispatch(state.tr.setSelection(TextSelection.near(state.doc.resolve(positionIn(now, after)))));
      session.messages.say(
        present ? `The bookmark is called “${name}” now.` : `“${name}” is bookmarked.`,
        "said",
        true,
      );
      return onClose();
    }
    if (answer.kind === "refused") {
      session.messages.dismiss();
      setProblem(answer.sentence);
    } else setProblem("It could not be kept just now; try again.");
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={present ? "Rename the bookmark" : isStretch ? "Name these words" : "Name this place"}
      description={
        present ? "Links that lead here go on doing so." : "Links can lead here by this name, wherever the text moves."
      }
    >
      <form onSubmit={(event) => void submit(event)}>
        <label className="block text-soft">
          Letters and digits; a space becomes an underscore
          <input
            autoFocus
            value={name}
            maxLength={60}
            // What is offered is written over; a blank is what an underscore stands for.
            onFocus={(event) => event.target.select()}
            onChange={(event) => (setName(event.target.value.replace(/\s/g, "_")), setProblem(""))}
            aria-invalid={problem !== ""}
            aria-describedby="bookmark-problem"
            className="mt-2 block w-full rounded-lg border border-line bg-paper px-3 py-2 text-base text-ink"
          />
        </label>
        <p id="bookmark-problem" role="alert" className="mt-2 text-loss">
          {problem}
        </p>
        <div className="mt-4 flex justify-end gap-2">
          <Button tone="quiet" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stem" type="submit" disabled={name === ""}>
            {present ? "Rename" : "Set the bookmark"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** The bookmark that was called so and is gone: links that led to it lead to its name again. */
async function formerId(document: string, name: string): Promise<string | null> {
  const params = { path: { id: document }, query: { name } };
  const answer = await api.GET("/api/documents/{id}/former-bookmark", { params }).catch(() => null);
  return answer?.data?.id ?? null;
}
