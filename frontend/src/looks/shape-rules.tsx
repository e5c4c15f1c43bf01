import { useQueries } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { api, read } from "../api/client";
import { useDocument } from "../document/context";
import { readingKey } from "../document/readings";
import { seenShapes, watchShapes } from "../editor/seen-shapes";

/** The rules by which what is said by hand is seen in the text: each is asked for once, and anew when the sheet changes. */
export function ShapeRules() {
  const id = useDocument("ShapeRules", (state) => state.id);
  const shapes = useSyncExternalStore(watchShapes, seenShapes);
  const rules = useQueries({
    queries: shapes.map(({ of, said }) => ({
      queryKey: readingKey(id, "style-sheet", "shape", of, said),
      queryFn: () =>
        read(api.GET("/api/documents/{id}/style-sheet/shape", { params: { path: { id }, query: { said, of } } })),
    })),
  });
  return <style>{rules.map(({ data }) => data?.css ?? "").join("")}</style>;
}
