import { useQuery, type UseQueryResult } from "@tanstack/react-query";
import { api, read, type Finding } from "../api/client";
import { useDocument } from "../document/context";
import { readingKey } from "../document/readings";

/** What the structure check reports; until it has looked again, what it reported last. */
export function useFindings(): UseQueryResult<Finding[]> {
  const id = useDocument("useFindings", (state) => state.id);
  return useQuery({
    queryKey: readingKey(id, "findings"),
    queryFn: () => read(api.GET("/api/documents/{id}/findings", { params: { path: { id } } })),
  });
}
