import { useQuery } from "@tanstack/react-query";
import { api, read, type PageSetup, type PageSetupView } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { readingKey } from "../document/readings";

/** How the document looks and stands on pages, and the way to change it. */
export function usePageSetup(): {
  view: PageSetupView | undefined;
  /** Answers whether it was taken; what was refused is told. */
  change: (changed: Partial<PageSetup>) => Promise<boolean>;
} {
  const session = useSession("usePageSetup");
  const id = useDocument("usePageSetup", (state) => state.id);
  const { data: view } = useQuery({
    queryKey: readingKey(id, "page-setup"),
    queryFn: () => read(api.GET("/api/documents/{id}/page-setup", { params: { path: { id } } })),
  });
  const change = async (changed: Partial<PageSetup>) => {
    if (!view) return false;
    const answer = await session.changes.perform(
      { name: "set-up-pages", pages: { ...view.pages, ...changed } },
      { quiet: true },
    );
    return answer.kind === "applied";
  };
  return { view, change };
}
