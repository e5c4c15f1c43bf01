import { ReadFailed, sentenceOf, UNREACHABLE } from "../api/client";
import type { components } from "../generated/api";

/** Sends a file as it is; what it holds is for the server to find out. */
export async function importFile(file: File): Promise<components["schemas"]["Imported"]> {
  let response: Response;
  try {
    response = await fetch(`/api/documents/import?name=${encodeURIComponent(file.name)}`, { method: "POST", headers: { "Content-Type": "application/octet-stream" }, body: file });
  } catch {
    throw new ReadFailed(UNREACHABLE);
  }
  const answer: unknown = await response.json().catch(() => null);
  if (!response.ok) throw new ReadFailed(sentenceOf(answer));
  return answer as components["schemas"]["Imported"];
}
