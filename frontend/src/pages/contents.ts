import { useQuery } from "@tanstack/react-query";
import { api, read, type Contents } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { readingKey } from "../document/readings";

/** The contents that stand in the document, and how to change them. */
export function useContents() {
  const session = useSession("useContents");
  const id = useDocument("useContents", (state) => state.id);
  const { data } = useQuery({
    queryKey: readingKey(id, "contents"),
    queryFn: () => read(api.GET("/api/documents/{id}/contents", { params: { path: { id } } })),
  });
  return {
    contents: data,
    setUp: (each: Contents, changed: Partial<Contents>) => {
      const { from, to, numbers, title, pages, twoColumns, shaded, ownPage, always, branch, of } = {
        ...each,
        ...changed,
      };
      const settings = { from, to, numbers, title, pages, twoColumns, shaded, ownPage, always, of };
      return session.changes.perform(
        {
          name: "set-up-contents",
          section: each.section,
          index: each.index,
          ...settings,
          // Without one they are made of the whole.
          ...(branch === null ? {} : { branch }),
        },
        { quiet: true },
      );
    },
    changeLine: (each: Contents, line: string, change: { words?: string; out?: boolean }) =>
      session.changes.perform(
        { name: "change-contents-line", section: each.section, index: each.index, line, ...change },
        { quiet: true },
      ),
    addLine: (each: Contents, line: { bookmark: string; words: string; level: number }) =>
      session.changes.perform(
        { name: "add-contents-line", section: each.section, index: each.index, ...line },
        { quiet: true },
      ),
    refresh: (each: Contents) => session.changes.perform({ name: "refresh-contents", section: each.section }),
  };
}
