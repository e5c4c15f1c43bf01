import { useQuery } from "@tanstack/react-query";
import { api, read, type Contents, type ContentsLine, type Operation } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { readingKey } from "../document/readings";

type ContentsSettings = Omit<Extract<Operation, { name: "set-up-contents" }>, "name" | "section" | "index">;

/** The line that bears this key on the pages. */
export function lineAt(contents: readonly Contents[], key: string): ContentsLine | undefined {
  for (const { section, index, lines } of contents) {
    const found = lines.find((line) => key === `${section}:${index}:${line.key}`);
    if (found) return found;
  }
  return undefined;
}

/** The contents that stand in the document, and how to change them. */
export function useContents() {
  const session = useSession("useContents");
  const id = useDocument("useContents", (state) => state.id);
  const { data, isFetching } = useQuery({
    queryKey: readingKey(id, "contents"),
    queryFn: () => read(api.GET("/api/documents/{id}/contents", { params: { path: { id } } })),
  });
  return {
    contents: data,
    /** Whether newer ones are on their way. */
    isBehind: isFetching,
    /** Takes what changes and nothing else. */
    setUp: (each: Contents, changes: Partial<ContentsSettings>) =>
      session.changes.perform(
        { name: "set-up-contents", section: each.section, index: each.index, ...changes },
        { quiet: true },
      ),
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
