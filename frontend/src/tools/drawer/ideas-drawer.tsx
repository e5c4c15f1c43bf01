import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, read, type Idea } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { readingKey } from "../../document/readings";
import { plainKey } from "../../keys/plain-key";
import { placeOfCursor } from "../../manuscript/cursor-place";
import { FIELD } from "../../parts/field";
import { WordsField } from "../../manuscript/words-field";

/** What the document asks and claims, and thoughts that have no place in it yet. Nothing of it is counted or printed. */
export function IdeasDrawer() {
  const session = useSession("IdeasDrawer");
  const id = useDocument("IdeasDrawer", (state) => state.id);
  const { question, guidingStatement } = useDocument("IdeasDrawer", (state) => state.titleBlock);
  const [words, setWords] = useState("");
  const ideas = useQuery({
    queryKey: readingKey(id, "offcuts", "ideas"),
    queryFn: () => read(api.GET("/api/documents/{id}/ideas", { params: { path: { id } } })),
    placeholderData: (previous) => previous,
  });
  const note = () => {
    if (words.trim() === "") return;
    void session.changes
      .perform({ name: "note-idea", words: words.trim() }, { quiet: true })
      .then((answer) => answer.kind === "applied" && setWords(""));
  };
  return (
    <>
      <section aria-label="What it is about" className="mb-5 space-y-3">
        <div>
          <h3 className="mb-1 text-xs font-semibold text-stem">It asks</h3>
          <WordsField
            key={`asks ${question}`}
            label="Question of the document"
            value={question}
            placeholder="Which question does it answer?"
            onChange={(asked) =>
              void session.changes.perform({ name: "describe-document", question: asked }, { quiet: true })
            }
          />
        </div>
        <div>
          <h3 className="mb-1 text-xs font-semibold text-stem">It claims</h3>
          <WordsField
            key={`claims ${guidingStatement}`}
            label="Guiding statement of the document"
            value={guidingStatement}
            placeholder="What does the whole say?"
            onChange={(claimed) =>
              void session.changes.perform({ name: "describe-document", guidingStatement: claimed }, { quiet: true })
            }
          />
        </div>
      </section>
      <label className="mb-1 block text-xs font-semibold text-stem" htmlFor="new-idea">
        An idea
      </label>
      <textarea
        id="new-idea"
        rows={2}
        value={words}
        maxLength={8000}
        placeholder="Enter notes it down; Shift with Enter begins a line."
        onChange={(event) => setWords(event.target.value)}
        onKeyDown={(event) => {
          if (plainKey(event) !== "Enter" || event.shiftKey) return;
          event.preventDefault();
          note();
        }}
        className={`${FIELD} block field-sizing-content w-full resize-none px-2.5 font-text`}
      />
      {ideas.error && <p className="mt-3 text-loss">{ideas.error.message}</p>}
      <ul aria-label="Ideas" className="mt-4 space-y-4">
        {ideas.data?.map((idea) => (
          <IdeaItem key={idea.id} idea={idea} />
        ))}
      </ul>
      {ideas.data?.length === 0 && (
        <p className="text-soft">
          None yet. What is noted here, or sent here from the text, waits beside it until it finds its place.
        </p>
      )}
    </>
  );
}

const ACTION = "rounded font-semibold text-stem underline underline-offset-4";

function IdeaItem({ idea: { id, words, isPlain } }: { idea: Idea }) {
  const session = useSession("IdeaItem");
  const current = useWindow("IdeaItem", (state) => state.current);
  const reword = (now: string) =>
    void session.changes.perform({ name: "reword-idea", idea: id, words: now }, { quiet: now !== "" });
  return (
    <li className="border-t border-line pt-3">
      {isPlain ? (
        <WordsField key={words} label="Idea" value={words} placeholder="" hasLines onChange={reword} />
      ) : (
        <p className="font-text text-[13.5px] whitespace-pre-wrap">{words}</p>
      )}
      <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        {current !== null && (
          <button
            type="button"
            className={ACTION}
            onClick={() =>
              void session.changes.perform({
                name: "bring-back",
                offcut: id,
                landing: "after",
                target: current,
                ...placeOfCursor(current),
              })
            }
          >
            Put at the cursor
          </button>
        )}
        <button type="button" className={ACTION} onClick={() => reword("")}>
          Give it up
        </button>
      </p>
    </li>
  );
}
