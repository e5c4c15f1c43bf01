import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "wouter";
import { api, read } from "../api/client";
import { counted, since } from "../parts/words";

/** What is kept to be put into documents. */
export function StandingTexts({ onRemoved }: { onRemoved: (removed: { id: string; title: string }) => void }) {
  const client = useQueryClient();
  const standing = useQuery({ queryKey: ["standing"], queryFn: () => read(api.GET("/api/standing")) });
  const remove = useMutation({
    mutationFn: async ({ id }: { id: string; title: string }) => {
      const { error } = await api.DELETE("/api/documents/{id}", { params: { path: { id } } });
      if (error) throw new Error(error.detail);
    },
    onSuccess: (_done, removed) => (onRemoved(removed), client.invalidateQueries({ queryKey: ["standing"] })),
  });
  if (!standing.data || standing.data.length === 0) return null;
  return (
    <section aria-label="Standing text" className="mt-10">
      <h2 className="mb-1 font-text text-lg font-semibold">Standing text</h2>
      <p className="mb-3 text-soft">Kept to be put into any document, from the menus of its outline and its text.</p>
      {remove.error && (
        <p role="alert" className="mb-2 text-loss">
          {remove.error.message}
        </p>
      )}
      <ul>
        {standing.data.map(({ id, title, words, isPassage, changedAt }) => (
          <li key={id} className="flex items-baseline gap-4 border-t border-line py-2 last:border-b">
            <Link href={`/documents/${id}`} className="min-w-0 flex-1 truncate rounded font-text hover:text-stem">
              {title || "Untitled"}
            </Link>
            <span className="text-faint">{isPassage ? "words" : "branch"}</span>
            <span className="text-faint tabular-nums">{counted(words, "word")}</span>
            <span className="w-32 text-right text-faint">{since(changedAt)}</span>
            <button
              type="button"
              className="rounded text-soft hover:text-loss"
              aria-label={`Take “${title || "Untitled"}” off the desk`}
              onClick={() => remove.mutate({ id, title: title || "Untitled" })}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
