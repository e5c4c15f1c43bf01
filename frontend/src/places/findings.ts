import { useEffect, useState } from "react";
import { useQuery, type UseQueryResult } from "@tanstack/react-query";
import { api, read, type Finding } from "../api/client";
import { useDocument } from "../document/context";

/** The check looks through the whole document, so it waits for a pause in the changes (milliseconds). */
const PAUSE = 400;

/** What the structure check reports; until it has looked again, what it reported last. */
export function useFindings(): UseQueryResult<Finding[]> {
  const id = useDocument("useFindings", (state) => state.id);
  const generation = useSettled(useDocument("useFindings", (state) => state.generation));
  return useQuery({
    queryKey: ["findings", id, generation],
    queryFn: () => read(api.GET("/api/documents/{id}/findings", { params: { path: { id } } })),
    placeholderData: (previous) => previous,
  });
}

/** The value once it has stopped changing for a while. */
function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(value), PAUSE);
    return () => window.clearTimeout(timer);
  }, [value]);
  return settled;
}
