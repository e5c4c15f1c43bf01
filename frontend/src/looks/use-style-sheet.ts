import { useQuery } from "@tanstack/react-query";
import { api, read, type StyleSheetView } from "../api/client";
import { useDocument, useSession } from "../document/context";
import { readingKey } from "../document/readings";
import type { Session } from "../document/session";

/** What changes of a kind, by property; null takes away what was said. */
export type KindChanges = Record<string, string | null>;

export function useStyleSheet(): StyleSheetView | undefined {
  const id = useDocument("useStyleSheet", (state) => state.id);
  const { data } = useQuery({
    queryKey: readingKey(id, "style-sheet"),
    queryFn: () => read(api.GET("/api/documents/{id}/style-sheet", { params: { path: { id } } })),
  });
  return data;
}

/** Which kinds of text are there, how often and where; counted after a pause in the changes, and only where it is shown. */
export function useKindUses() {
  const id = useDocument("useKindUses", (state) => state.id);
  const { data } = useQuery({
    queryKey: readingKey(id, "kind-uses"),
    queryFn: () => read(api.GET("/api/documents/{id}/style-sheet/uses", { params: { path: { id } } })),
  });
  return data;
}

/** The first places of a kind, read when they are shown. */
export function useKindPlaces(kind: string) {
  const id = useDocument("useKindPlaces", (state) => state.id);
  const { data } = useQuery({
    queryKey: readingKey(id, "kind-places", kind),
    queryFn: () => read(api.GET("/api/documents/{id}/style-sheet/uses/{kind}", { params: { path: { id, kind } } })),
  });
  return data;
}

/** The house styles of the desk, which are the same in every document. */
export const HOUSE_STYLES_KEY = ["house-styles"] as const;

export function useHouseStyles() {
  const { data } = useQuery({ queryKey: HOUSE_STYLES_KEY, queryFn: () => read(api.GET("/api/house-styles")) });
  return data;
}

/** @return whether it was taken; what was refused is told */
export async function shapeKind(session: Session, kind: string, changes: KindChanges): Promise<boolean> {
  const answer = await session.changes.perform({ name: "shape-kind", kind, changes }, { quiet: true });
  return answer.kind === "applied";
}

export function useShapeKind(): (kind: string, changes: KindChanges) => Promise<boolean> {
  const session = useSession("useShapeKind");
  return (kind, changes) => shapeKind(session, kind, changes);
}
