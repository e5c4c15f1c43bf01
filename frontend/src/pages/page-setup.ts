import { useQuery } from "@tanstack/react-query";
import { api, read, type PageSetup, type PageSetupView } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { readingKey } from "../document/readings";

/** What changes of a value, after RFC 7396: what is not named stays, null takes away, lists are taken whole. */
export type MergePatch<T> = T extends readonly unknown[]
  ? T
  : T extends object
    ? { [K in keyof T]?: MergePatch<T[K]> | null }
    : T;

/** How the document looks and stands on pages, and the way to change it. */
export function usePageSetup(): {
  view: PageSetupView | undefined;
  /** Takes what changes and nothing else; answers whether it was taken. What was refused is told. */
  change: (changes: MergePatch<PageSetup>) => Promise<boolean>;
} {
  const session = useSession("usePageSetup");
  const id = useDocument("usePageSetup", (state) => state.id);
  const { data: view } = useQuery({
    queryKey: readingKey(id, "page-setup"),
    queryFn: () => read(api.GET("/api/documents/{id}/page-setup", { params: { path: { id } } })),
  });
  const change = async (changes: MergePatch<PageSetup>) => {
    const answer = await session.changes.perform({ name: "set-up-pages", pages: changes }, { quiet: true });
    return answer.kind === "applied";
  };
  return { view, change };
}
