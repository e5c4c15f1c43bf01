import { vi } from "vitest";
import type { ChangesSince, Operation, SectionFacts, SectionText, Skeleton, WriteOutcome } from "../api/client";

type Received = { method: string; path: string; body: unknown };
/** An operation as it was sent, of whatever name. */
export type AnyOperation = {
  name: Operation["name"];
  section?: string;
  heading?: unknown;
  body?: unknown;
  operations?: AnyOperation[];
  began?: { body: unknown };
  mine?: { body: unknown };
  seen?: { body: unknown };
  preference?: string;
};
type Given = { status: number; body: unknown };

export const titleBlock = {
  title: "T",
  subtitle: "",
  author: "",
  guidingStatement: "",
  target: null,
  language: "en",
  date: "",
  question: "",
  signs: { open: "“", close: "”", innerOpen: "‘", innerClose: "’", dash: "—" },
};
export const facts = (id: string, revision = 1): SectionFacts => ({
  id,
  heading: id,
  words: 10,
  aim: "",
  target: null,
  marker: "",
  stage: "",
  shape: "",
  revision,
});
export const textOf = (id: string, words: string, revision = 1): SectionText => ({
  id,
  heading: [{ type: "text", text: id }] as never[],
  body: [{ type: "paragraph", content: [{ type: "text", text: words }] }] as never[],
  revision,
});
export const skeletonOf = (ids: string[], levels: string): Skeleton => ({
  id: "d",
  revision: 3,
  outlineRevision: 2,
  titleBlock,
  resumeSection: null,
  resumePosition: 0,
  outline: { ids, levels, flags: "0".repeat(ids.length) },
  sections: ids.map((id) => facts(id)),
  texts: [],
});

/** Stands in for the server behind fetch: keeps a revision and what it was asked, and can be told what to answer next. */
export class ServerStandIn {
  readonly requests: Received[] = [];
  revision: number;
  isReachable = true;
  /** How long an answer takes (milliseconds). */
  slowness = 0;
  /** Answers for the next writes, in turn; when there is none the write is done. */
  readonly answers: (() => Given)[] = [];
  changes: Partial<ChangesSince> = {};
  numbers: string[] = [];
  texts = new Map<string, SectionText>();

  constructor(readonly skeleton: Skeleton) {
    this.revision = skeleton.revision;
  }

  readonly fetch = vi.fn(async (input: RequestInfo | URL, init?: RequestInit): Promise<Response> => {
    const request = input instanceof Request ? input : new Request(new URL(String(input), "http://localhost"), init);
    const url = new URL(request.url);
    const body: unknown = request.method === "GET" ? null : JSON.parse(await request.text());
    // Even this near, an answer comes later than the question.
    await (this.slowness === 0 ? Promise.resolve() : new Promise((resolve) => setTimeout(resolve, this.slowness)));
    if (!this.isReachable) throw new TypeError("Failed to fetch");
    const received = { method: request.method, path: url.pathname.replace("/api/documents/d", "") + url.search, body };
    this.requests.push(received);
    const { status, body: answer } = this.answer(received);
    return new Response(JSON.stringify(answer), {
      status,
      headers: { "Content-Type": status < 400 ? "application/json" : "application/problem+json" },
    });
  });

  writes(): { baseRevision: number; operation: AnyOperation }[] {
    return this.requests
      .filter(({ path }) => path === "/operations")
      .map(({ body }) => body as { baseRevision: number; operation: AnyOperation });
  }

  outcome(label: string, also: Partial<WriteOutcome> = {}): WriteOutcome {
    const previousRevision = this.revision++;
    return {
      previousRevision,
      revision: this.revision,
      outlineRevision: 2,
      order: [],
      changed: [],
      texts: [],
      removed: [],
      titleBlock: null,
      label,
      notices: [],
      outdated: [],
      ...also,
    };
  }

  /** The next write meets a document that another window has changed. */
  nextIsStale(changes: Partial<ChangesSince>, texts: SectionText[] = []): void {
    this.answers.push(() => ({
      status: 409,
      body: {
        status: 409,
        detail: "Another window was first.",
        reason: "stale",
        changes: this.changesSince({ revision: ++this.revision, ...changes }),
        texts,
      },
    }));
  }

  /** The next write meets a text in which the same words were changed, each in its own way. */
  nextIsSameWords(theirs: SectionText): void {
    this.answers.push(() => {
      this.texts.set(theirs.id, theirs);
      return { status: 422, body: { status: 422, detail: "The same words were changed.", reason: "same-words" } };
    });
  }

  /** The next write is put together with another window’s, and reads so. */
  nextIsMerged(text: SectionText): void {
    this.answers.push(() => {
      const outcome = this.outcome("Wrote");
      return { status: 200, body: { ...outcome, texts: [{ ...text, revision: outcome.revision }] } };
    });
  }

  private answer({ method, path }: Received): Given {
    if (path === "") return { status: 200, body: this.skeleton };
    if (path === "/counts")
      return {
        status: 200,
        body: {
          numbers: this.numbers,
          names: {},
          branchWords: [],
          words: 0,
          staleContents: [],
          overTarget: [],
          readingSpeed: 238,
          captionNumbering: "plain",
          markerWords: {},
          firstNotes: {},
          captions: {},
          namedCaptions: {},
        },
      };
    if (path.startsWith("/changes")) return { status: 200, body: this.changesSince(this.changes) };
    if (path.startsWith("/texts"))
      return { status: 200, body: [...this.texts.values()].filter(({ id }) => decodeURIComponent(path).includes(id)) };
    if (method === "PUT") return { status: 204, body: null };
    return this.answers.shift()?.() ?? { status: 200, body: this.outcome(path === "/undo" ? "Moved “b”" : "Done") };
  }

  private changesSince(changes: Partial<ChangesSince>): ChangesSince {
    return { revision: this.revision, outlineRevision: 2, titleBlock, outline: null, changed: [], ...changes };
  }
}
