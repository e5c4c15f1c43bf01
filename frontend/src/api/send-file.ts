import { ReadFailed, sentenceOf, UNREACHABLE, type Conflict } from "./client";

/** How far the reading of a file is; nothing is known of how long the reading itself takes. */
export type FileProgress = { doing: "reading" | "storing"; done: number; of: number };

type Line<T> = FileProgress | { result: T } | { problem: unknown };

/** Another window was there first. */
export class FileConflict extends ReadFailed {
  constructor(readonly conflict: Conflict) {
    super(conflict.detail);
  }
}

type Ways = { tell?: (progress: FileProgress) => void; leave?: AbortSignal | undefined; cancelled: string };

/** Sends a file as it is; what it holds is for the server to find out. Tells how far it is, and can be left. */
export async function sendFile<T>(path: string, file: File, { tell, leave, cancelled }: Ways): Promise<T> {
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: { "Content-Type": "application/octet-stream", Accept: "application/x-ndjson" },
      body: file,
      signal: leave ?? null,
    }).catch((failure: unknown) => {
      throw leave?.aborted ? failure : new ReadFailed(UNREACHABLE);
    });
    // A web server before Stemmata may have a limit of its own, and says so in its own words.
    if (!response.ok || !response.body) {
      const problem: unknown = await response
        .json()
        .catch(() => (response.status === 413 ? { detail: "The file is larger than can be taken here." } : null));
      throw new ReadFailed(sentenceOf(problem));
    }
    for await (const line of linesOf<T>(response.body)) {
      if ("result" in line) return line.result;
      if ("problem" in line)
        throw isConflict(line.problem) ? new FileConflict(line.problem) : new ReadFailed(sentenceOf(line.problem));
      tell?.(line);
    }
  } catch (failure) {
    throw leave?.aborted ? new ReadFailed(cancelled) : failure;
  }
  throw new ReadFailed("The import broke off before its end; nothing of it was kept.");
}

function isConflict(problem: unknown): problem is Conflict {
  return typeof problem === "object" && problem !== null && "changes" in problem;
}

async function* linesOf<T>(body: ReadableStream<Uint8Array>): AsyncGenerator<Line<T>> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? "")).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) if (line.trim() !== "") yield JSON.parse(line) as Line<T>;
    if (done) return;
  }
}
