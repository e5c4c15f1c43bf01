import { ReadFailed, sentenceOf, UNREACHABLE } from "../api/client";
import type { components } from "../generated/api";

export type Imported = components["schemas"]["Imported"];

/** How far an import is; nothing is known of how long the reading takes. */
export type Progress = { doing: "reading" | "storing"; done: number; of: number };

const CANCELLED = "The import was cancelled; nothing was put on the desk.";

type Line = Progress | { result: Imported } | { problem: unknown };

/** Sends a file as it is; what it holds is for the server to find out. Tells how far it is. */
export async function importFile(file: File, tell: (progress: Progress) => void, leave?: AbortSignal): Promise<Imported> {
  let response: Response;
  try {
    response = await fetch(`/api/documents/import?name=${encodeURIComponent(file.name)}`, {
      method: "POST",
      headers: { "Content-Type": "application/octet-stream", Accept: "application/x-ndjson" },
      body: file,
      signal: leave ?? null,
    });
  } catch {
    throw new ReadFailed(leave?.aborted ? CANCELLED : UNREACHABLE);
  }
  if (!response.ok || !response.body) throw new ReadFailed(sentenceOf(await response.json().catch(() => null)));
  try {
    for await (const line of linesOf(response.body)) {
      if ("result" in line) return line.result;
      if ("problem" in line) throw new ReadFailed(sentenceOf(line.problem));
      tell(line);
    }
  } catch (failure) {
    throw leave?.aborted ? new ReadFailed(CANCELLED) : failure;
  }
  throw new ReadFailed("The import broke off before its end; nothing was put on the desk.");
}

async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<Line> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? "")).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) if (line.trim() !== "") yield JSON.parse(line) as Line;
    if (done) return;
  }
}
