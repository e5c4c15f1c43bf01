import { useQuery } from "@tanstack/react-query";
import { Dialog as Primitive } from "radix-ui";
import { X } from "lucide-react";
import { useMemo, useState } from "react";
import { api, read, type LookGroup } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { readingKey } from "../../document/readings";
import { Button } from "../../parts/button";
import { giveFocusBack } from "../../parts/focus";
import { Progress } from "../../parts/progress";
import { counted } from "../../parts/words";
import { firstChoices, operationFor, withGroup, withLine, type Choices } from "./choices";
import { GroupCard } from "./group-card";
import { PreviewOutline, usePreview } from "./preview-outline";

/** Lines that look like headings, in groups of one look; beside them the outline as it would become. */
export function HeadingReview({ onClose }: { onClose: () => void }) {
  const id = useDocument("HeadingReview", (state) => state.id);
  const revision = useDocument("HeadingReview", (state) => state.revision);
  const likely = useQuery({
    queryKey: readingKey(id, "likely-headings"),
    queryFn: () => read(api.GET("/api/documents/{id}/likely-headings", { params: { path: { id } } })),
  });
  return (
    <Primitive.Root open onOpenChange={(open) => !open && onClose()}>
      <Primitive.Portal>
        <Primitive.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Primitive.Content
          aria-describedby={undefined}
          tabIndex={-1}
          onOpenAutoFocus={(event) => (
            event.preventDefault(),
            event.currentTarget instanceof HTMLElement && event.currentTarget.focus()
          )}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveFocusBack();
          }}
          className="fixed inset-3 z-50 flex flex-col overflow-hidden rounded-2xl border border-line bg-paper shadow-xl outline-none sm:inset-6"
        >
          <header className="flex items-baseline gap-4 px-6 pt-5 pb-3">
            <Primitive.Title className="font-text text-xl font-semibold">Likely headings</Primitive.Title>
            <p className="flex-1 text-soft">
              Lines that look like headings and are none. Say it for a whole group, or for one line.
            </p>
            <Primitive.Close
              aria-label="Close"
              className="grid size-8 place-items-center self-start rounded-full text-soft hover:bg-wash"
            >
              <X size={16} aria-hidden="true" />
            </Primitive.Close>
          </header>
          {likely.isPending && (
            <div className="px-6">
              <Progress words="Looking at every paragraph…" />
            </div>
          )}
          {likely.error && <p className="px-6 text-loss">{likely.error.message}</p>}
          {likely.data?.length === 0 && <Nothing onClose={onClose} />}
          {likely.data && likely.data.length > 0 && <Review key={revision} groups={likely.data} onClose={onClose} />}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}

function Nothing({ onClose }: { onClose: () => void }) {
  return (
    <div className="m-auto max-w-sm pb-24 text-center">
      <p className="mb-2 font-text text-xl">No line looks like a heading.</p>
      <p className="mb-6 text-soft">
        Nothing stands out by size, weight, capitals or numbers. In the text, Ctrl Alt 1 to 9 makes the line with the
        cursor a heading.
      </p>
      <Button onClick={onClose}>Back to the text</Button>
    </div>
  );
}

function Review({ groups, onClose }: { groups: readonly LookGroup[]; onClose: () => void }) {
  const session = useSession("Review");
  const [choices, setChoices] = useState<Choices>(() => firstChoices(groups));
  const operation = useMemo(() => operationFor(groups, choices), [groups, choices]);
  const preview = usePreview(operation);
  const chosen = [...choices.values()].filter((level) => level !== null && level > 0).length;
  const hasTitle = [...choices.values()].includes(0);
  const [working, setWorking] = useState(false);
  const accept = async () => {
    if (!operation) return;
    setWorking(true);
    const answer = await session.changes.perform(operation);
    setWorking(false);
    if (answer.kind === "applied") onClose();
  };
  return (
    <>
      <div className="grid min-h-0 flex-1 grid-cols-1 gap-x-6 px-6 md:grid-cols-[minmax(0,1fr)_minmax(260px,36%)]">
        <div
          className="min-h-0 space-y-3 overflow-auto pr-2 pb-4"
          tabIndex={0}
          role="group"
          aria-label="Groups of lines that look alike"
        >
          {groups.map((group) => (
            <GroupCard
              key={`${group.look} ${group.lines[0]?.section} ${group.lines[0]?.block}`}
              group={group}
              choices={choices}
              onGroup={(level) => setChoices((now) => withGroup(now, group, level))}
              onLine={(line, level) => setChoices((now) => withLine(now, line, level))}
            />
          ))}
        </div>
        <section
          aria-label="The outline as it would become"
          className="hidden min-h-0 flex-col border-l border-line pl-4 md:flex"
        >
          <h2 className="mb-2 text-xs font-semibold text-stem">The outline as it would become</h2>
          {preview.data && !preview.data.possible && (
            <p className="mb-2 border-l-2 border-loss pl-3 text-loss">{preview.data.sentence}</p>
          )}
          <div className="min-h-0 flex-1">
            {preview.data ? (
              <PreviewOutline sections={preview.data.sections} />
            ) : operation ? (
              <Progress words="Drawing the outline…" />
            ) : (
              <p className="text-faint">Nothing is chosen; the outline stays as it is.</p>
            )}
          </div>
        </section>
      </div>
      <footer className="flex items-center gap-3 border-t border-line px-6 py-3">
        <p className="flex-1 text-soft" role="status">
          {counted(chosen, "heading")}
          {hasTitle ? " and the title" : ""} of {counted(choices.size, "line")}
        </p>
        <Button tone="quiet" onClick={onClose}>
          Leave them as text
        </Button>
        <Button
          tone="stem"
          disabled={operation === null || working || preview.data?.possible === false}
          onClick={() => void accept()}
        >
          {working
            ? "Making them…"
            : chosen === 0 && hasTitle
              ? "Make it the title"
              : `Make ${counted(chosen, "heading")}${hasTitle ? " and the title" : ""}`}
        </Button>
      </footer>
    </>
  );
}
