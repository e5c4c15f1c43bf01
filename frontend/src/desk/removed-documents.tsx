import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, read } from "../api/client";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { counted, since } from "../parts/words";

type Removed = { id: string; title: string };

/** What was taken off the desk: to be put back, or thrown away for good. */
export function RemovedDocuments({
  onRestore,
  onPurged,
}: {
  onRestore: (id: string) => void;
  onPurged: (gone: Removed) => void;
}) {
  const client = useQueryClient();
  const summary = useRef<HTMLElement>(null);
  const removed = useQuery({ queryKey: ["removed-documents"], queryFn: () => read(api.GET("/api/removed-documents")) });
  const [doomed, setDoomed] = useState<Removed | null>(null);
  const purge = useMutation({
    mutationFn: async ({ id }: Removed) => {
      const { error } = await api.DELETE("/api/removed-documents/{id}", { params: { path: { id } } });
      if (error) throw new Error(error.detail);
    },
    onSuccess: (_, gone) => onPurged(gone),
    onSettled: () => (setDoomed(null), client.invalidateQueries({ queryKey: ["removed-documents"] })),
  });
  const list = removed.data ?? [];
  const count = list.length;
  // The line that the cursor was on is gone; it stays near.
  useEffect(() => {
    if (purge.isSuccess && document.activeElement === document.body) summary.current?.focus();
  }, [count, purge.isSuccess]);
  if (count === 0) return null;
  return (
    <details className="mt-10">
      <summary ref={summary} className="w-fit cursor-pointer rounded text-soft hover:text-ink">
        Off the desk: {counted(count, "document")}
      </summary>
      <ul className="mt-3">
        {list.map(({ id, title, removedAt, words }) => {
          const name = title.trim() === "" ? "Untitled" : title;
          return (
            <li key={id} className="flex items-center gap-4 border-t border-line py-2 last:border-b">
              <span className="min-w-0 flex-1 truncate font-text">{name}</span>
              <span className="text-faint tabular-nums">
                {counted(words, "word")} · {since(removedAt)}
              </span>
              <Button tone="quiet" aria-label={`Put “${name}” back`} onClick={() => onRestore(id)}>
                Put it back
              </Button>
              <Button tone="quiet" aria-label={`Throw “${name}” away…`} onClick={() => setDoomed({ id, title: name })}>
                Throw away…
              </Button>
            </li>
          );
        })}
      </ul>
      {purge.error && (
        <p role="alert" className="mt-2 text-loss">
          {purge.error.message}
        </p>
      )}
      {doomed && (
        <Dialog
          open
          onClose={() => setDoomed(null)}
          title={`Throw “${doomed.title}” away?`}
          description="The document goes for good, with its offcuts and its history. This cannot be undone."
        >
          <div className="flex justify-end gap-2">
            <Button tone="quiet" onClick={() => setDoomed(null)}>
              Keep it
            </Button>
            <Button tone="loss" disabled={purge.isPending} onClick={() => purge.mutate(doomed)}>
              Throw it away for good
            </Button>
          </div>
        </Dialog>
      )}
    </details>
  );
}
