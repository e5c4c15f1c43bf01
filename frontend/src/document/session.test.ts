// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { keptDrafts, stored, withoutDrafts } from "./drafts.test-helper";
import type { Scope } from "../outline/scope";
import type { Session } from "./session";
import { STAYING } from "./texts";
import { facts, ServerStandIn, skeletonOf, textOf } from "./server.test-helper";

let server: ServerStandIn;
let session: Session;

// The API client takes hold of fetch as it is loaded.
const { openSession } = await vi.hoisted(async () => {
  let current: typeof fetch = () => Promise.reject(new Error("No server stands in yet."));
  globalThis.fetch = (...args) => current(...args);
  return {
    openSession: async (
      answering: typeof fetch,
      outdated?: (readings: readonly string[]) => void,
    ): Promise<Session> => {
      current = answering;
      return (await import("./session")).Session.open("d", outdated);
    },
  };
});

beforeEach(async () => {
  await withoutDrafts();
  window.localStorage.clear();
  vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout", "setInterval", "clearInterval", "Date"] });
  server = new ServerStandIn(skeletonOf(["a", "b", "c"], "121"));
  session = await openSession(server.fetch);
});

afterEach(async () => {
  session.close();
  vi.useRealTimers();
  await stored();
});

/** Lets that much time pass, with all that comes of it. */
const pass = async (milliseconds: number) => {
  await stored();
  await vi.advanceTimersByTimeAsync(milliseconds);
  await stored();
};
const type = (section: string, words: string) =>
  session.typing.typed(section, { text: () => textOf(section, words), headingChanged: false, bodyChanged: true });
const bodyOf = (operation: { body?: unknown }) => JSON.stringify(operation.body);

test("what is typed in one go is sent once, after a pause", async () => {
  type("a", "The");
  await pass(200);
  type("a", "The gale");
  expect(session.state.saving).toBe("keeping");
  expect(server.writes()).toEqual([]);

  await pass(500);

  expect(server.writes()).toEqual([
    { baseRevision: 3, operation: { name: "replace-body", section: "a", body: textOf("a", "The gale").body } },
  ]);
  expect(session.state).toMatchObject({ saving: "kept", revision: 4 });
});

test("typing without a pause is sent all the same, every few seconds", async () => {
  for (let key = 0; key < 30; key++) {
    type("a", "x".repeat(key + 1));
    await pass(100);
  }
  expect(server.writes().length).toBe(1);
  expect(session.typing.isIn("a")).toBe(true);
});

test("a heading and its text typed together are one write", async () => {
  session.typing.typed("a", { text: () => textOf("a", "both"), headingChanged: true, bodyChanged: false });
  type("a", "both");
  await session.flush();
  expect(
    server.writes().map(({ operation }) => [operation.name, operation.operations?.map(({ name }) => name)]),
  ).toEqual([["batch", ["rename", "replace-body"]]]);
});

test("what cannot be sent waits in the browser and goes out when the server answers again", async () => {
  server.isReachable = false;
  type("a", "kept");
  await pass(600);
  expect(session.state.saving).toBe("unsent");
  expect(await keptDrafts()).toContain("kept");

  server.isReachable = true;
  await pass(3000);

  expect(server.writes().map(({ operation }) => bodyOf(operation))).toEqual([bodyOf(textOf("a", "kept"))]);
  expect(session.state.saving).toBe("kept");
  expect(await keptDrafts()).toBeNull();
});

test.each([
  [
    "a full disk, which is said",
    {
      status: 507,
      body: {
        status: 507,
        detail: "The disk is full. Nothing was changed; make room on it and try again.",
        reason: "disk-full",
      },
    },
    /^The disk is full/,
  ],
  ["a proxy that asks for patience", { status: 429, body: "Too Many Requests" }, null],
  ["a proxy that asks who is there", { status: 401, body: "<html>Log in</html>" }, null],
])("words that meet %s are kept and tried again", async (_name, answer, said) => {
  server.answers.push(() => answer);
  type("a", "kept");
  await pass(600);
  expect(session.state.saving).toBe("unsent");
  if (said) expect(session.window.message?.sentence).toMatch(said);
  await pass(3000);
  expect(server.writes().map(({ operation }) => bodyOf(operation))).toEqual([
    bodyOf(textOf("a", "kept")),
    bodyOf(textOf("a", "kept")),
  ]);
  expect(session.state.saving).toBe("kept");
});

test("a document that is left still sends the words of every section, and tells other windows", async () => {
  const heard: unknown[] = [];
  const other = new BroadcastChannel("stemmata:d");
  other.onmessage = ({ data }) => heard.push(data);
  type("a", "one");
  type("b", "two");
  session.close();
  await pass(0);
  expect(server.writes().map(({ operation }) => operation.section)).toEqual(["a", "b"]);
  await vi.waitFor(() => expect(heard).toEqual([4, 5]));
  other.close();
});

test("a document left before its words could be sent goes on trying", async () => {
  server.isReachable = false;
  type("b", "on the desk by now");
  session.close();
  await pass(600);
  server.isReachable = true;
  await pass(3000);
  expect(server.writes().map(({ operation }) => bodyOf(operation))).toEqual([
    bodyOf(textOf("b", "on the desk by now")),
  ]);
});

test("a document left before its words could be sent sends them once when it is opened again", async () => {
  server.isReachable = false;
  type("b", "left behind");
  session.close();
  await pass(600);

  server.isReachable = true;
  session = await openSession(server.fetch);
  await pass(10_000);

  expect(server.writes().map(({ operation }) => bodyOf(operation))).toEqual([bodyOf(textOf("b", "left behind"))]);
});

test("a window about to close hands over what is being typed", () => {
  type("a", "last words");
  const sent: unknown[] = [];
  vi.stubGlobal(
    "fetch",
    async (_address: string, { body, keepalive }: RequestInit) => (
      sent.push([keepalive, JSON.parse(String(body))]),
      new Response("{}")
    ),
  );
  window.dispatchEvent(new Event("pagehide"));
  vi.unstubAllGlobals();
  expect(sent).toEqual([
    [
      true,
      { baseRevision: 3, operation: { name: "replace-body", section: "a", body: textOf("a", "last words").body } },
    ],
  ]);
});

test("an operation goes out after what is being typed, on the revision that made", async () => {
  type("b", "first this");
  await session.changes.perform({ name: "promote", sections: ["b"] });
  expect(server.writes().map(({ baseRevision, operation }) => [baseRevision, operation.name])).toEqual([
    [3, "replace-body"],
    [4, "promote"],
  ]);
});

test("operations asked for at once go out one after the other", async () => {
  await Promise.all([
    session.changes.perform({ name: "move-up", sections: ["c"] }),
    session.changes.perform({ name: "demote", sections: ["c"] }),
    session.changes.undo(),
  ]);
  expect(
    server.requests
      .filter(({ method }) => method === "POST")
      .map(({ path, body }) => [path, (body as { baseRevision: number }).baseRevision]),
  ).toEqual([
    ["/operations", 3],
    ["/operations", 4],
    ["/undo", 5],
  ]);
  expect(session.window.message).toMatchObject({ sentence: "Undone: Moved “b”.", canUndo: false });
});

test("what was typed and is kept no longer makes room on the screen for what is known, though that has not changed", () => {
  session.texts.keep([textOf("a", "known")]);
  const known = session.state.texts.get("a");
  expect(known).toBeDefined();
  type("a", "given up");
  session.typing.forget("a");
  expect(session.typing.isIn("a")).toBe(false);
  expect(session.state.texts.get("a")).toEqual(known);
  expect(session.state.texts.get("a")).not.toBe(known);
});

test("an undo that waits while another window makes a step does not take that back", async () => {
  server.slowness = 500;
  const first = session.changes.perform({ name: "promote", sections: ["b"] });
  const undone = session.changes.undo();
  const { titleBlock } = session.state;
  session.changes.takeOver({ revision: 9, outlineRevision: 2, titleBlock, outline: null, changed: [] });
  await pass(2000);
  await first;
  expect(await undone).toMatchObject({ kind: "refused" });
  expect(session.window.message?.sentence).toBe(
    "Another window changed the document at that moment; nothing was undone.",
  );
  expect(server.requests.filter(({ path }) => path === "/undo")).toEqual([]);
});

test("a change that takes longer than a moment says so until it is done", async () => {
  server.slowness = 250;
  const quick = session.changes.perform({ name: "promote", sections: ["b"] });
  await pass(260);
  await quick;
  expect(session.state.isWorking).toBe(false);

  server.slowness = 2000;
  const slow = session.changes.undo();
  await pass(299);
  expect(session.state.isWorking).toBe(false);
  await pass(2);
  expect(session.state.isWorking).toBe(true);
  await pass(2000);
  await slow;
  expect(session.state.isWorking).toBe(false);
});

test("what became of a command whose answer never came is told once the server answers again", async () => {
  const message = () => session.window.message;
  const unanswered = async () => {
    server.isReachable = false;
    await session.changes.perform({ name: "promote", sections: ["b"] });
    server.isReachable = true;
    expect(message()?.tone).toBe("unsure");
  };
  await unanswered();
  await session.changes.sync();
  expect(message()?.tone).toBe("unsure");
  await session.changes.sync();
  expect(message()).toMatchObject({
    tone: "warning",
    sentence: "Stemmata answers again; the last command did not reach it.",
  });

  // Looks at an earlier command say nothing of this one.
  await unanswered();
  await session.changes.sync();
  expect(message()?.tone).toBe("unsure");
  server.changes = { revision: ++server.revision, changed: [{ ...facts("b", server.revision), heading: "done" }] };
  await session.changes.sync();
  expect(message()).toMatchObject({
    tone: "said",
    sentence: "Stemmata answers again. This is the document as it is now.",
  });
});

test("what is typed while an answer is on its way builds on that answer", async () => {
  type("a", "one");
  const sending = session.flush();
  await Promise.resolve();
  type("a", "one two");
  await sending;
  expect(session.state.saving).toBe("keeping");
  await session.flush();
  expect(session.state.saving).toBe("kept");
  expect(server.writes().map(({ baseRevision, operation }) => [baseRevision, bodyOf(operation)])).toEqual([
    [3, bodyOf(textOf("a", "one"))],
    [4, bodyOf(textOf("a", "one two"))],
  ]);
});

test("what fell under a promoted heading is said with it", async () => {
  server.answers.push(() => ({
    status: 200,
    body: server.outcome("Promoted “b”", { notices: [{ sentence: "“c” now stands under “b”.", sections: ["c"] }] }),
  }));
  await session.changes.perform({ name: "promote", sections: ["b"] });
  expect(session.window.message).toMatchObject({
    tone: "said",
    sentence: "Promoted “b”. “c” now stands under “b”.",
    canUndo: true,
  });
});

test("a refusal is said in its own words, and nothing changes", async () => {
  server.answers.push(() => ({
    status: 422,
    body: { status: 422, detail: "“a” is at level 1 already.", reason: "too-high" },
  }));
  const before = session.state.outline;
  await session.changes.perform({ name: "promote", sections: ["a"] });
  expect(session.window.message).toMatchObject({ tone: "warning", sentence: "“a” is at level 1 already." });
  expect(session.state.outline).toBe(before);
});

test("an operation on an outline that another window has changed shows the newer one", async () => {
  server.nextIsStale({ outline: { ids: ["b", "a", "c"], levels: "111", flags: "000" } });
  await session.changes.perform({ name: "promote", sections: ["b"] });
  expect(session.state.outline).toEqual({ ids: ["b", "a", "c"], levels: "111", flags: "000" });
  expect(session.state.revision).toBe(4);
  expect(session.window.message).toMatchObject({ tone: "warning", sentence: "Another window was first." });
});

test("what two windows wrote in one section is put together without asking", async () => {
  server.texts = new Map([["a", textOf("a", "one", 1)]]);
  session.texts.look(["a"]);
  await pass(0);
  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "one, theirs", 4)]);
  server.nextIsMerged(textOf("a", "one, theirs, mine"));
  type("a", "one, mine");
  await session.flush();
  expect(server.writes().at(-1)?.operation).toMatchObject({
    name: "merge-text",
    began: { body: textOf("a", "one").body },
    mine: { body: textOf("a", "one, mine").body },
  });
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
  expect(session.state.texts.get("a")?.body).toEqual(textOf("a", "one, theirs, mine").body);
});

test("what is typed while two texts are put together meets the one text with the next pause", async () => {
  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "theirs", 4)]);
  server.nextIsMerged(textOf("a", "theirs mine"));
  type("a", "mine");
  const sending = session.flush();
  await Promise.resolve();
  type("a", "mine, and more");
  await sending;
  expect(session.typing.textNow("a")?.body).toEqual(textOf("a", "mine, and more").body);

  server.nextIsStale({ changed: [facts("a", 6)] }, [textOf("a", "theirs mine", 6)]);
  server.nextIsMerged(textOf("a", "theirs mine, and more"));
  await session.flush();
  expect(server.writes().at(-1)?.operation).toMatchObject({
    name: "merge-text",
    began: { body: textOf("a", "mine").body },
    mine: { body: textOf("a", "mine, and more").body },
  });
  expect(session.state.saving).toBe("kept");
});

/** Both windows changed the same words of a section. */
const disputed = async (section: string, mine: string, theirs: string, revision = 4) => {
  server.nextIsStale({ changed: [facts(section, revision)] }, [textOf(section, theirs, revision)]);
  server.nextIsSameWords(textOf(section, theirs, revision));
  type(section, mine);
  await session.flush();
};

test("only the same words are asked about; one writes on meanwhile, and what is chosen goes with what was typed until then", async () => {
  await disputed("a", "mine", "theirs");
  expect(session.state).toMatchObject({ clash: { section: "a", theirs: textOf("a", "theirs", 4) }, saving: "asked" });
  expect(await keptDrafts()).toContain("mine");

  type("a", "mine, and more");
  expect(session.typing.textNow("a")?.body).toEqual(textOf("a", "mine, and more").body);
  server.nextIsMerged(textOf("a", "mine, and more, settled"));
  await session.typing.settleClash("a", "mine");
  expect(server.writes().at(-1)?.operation).toMatchObject({
    name: "merge-text",
    mine: { body: textOf("a", "mine, and more").body },
    seen: { body: textOf("a", "theirs").body },
    preference: "mine",
  });
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
  expect(session.state.texts.get("a")?.body).toEqual(textOf("a", "mine, and more, settled").body);
  expect(await keptDrafts()).toBeNull();
});

test("what the other window writes on while one is asked is seen, and may end the question", async () => {
  await disputed("a", "mine", "theirs");
  server.changes = { revision: 6, changed: [facts("a", 6)] };
  server.nextIsSameWords(textOf("a", "theirs, and more", 6));
  await vi.advanceTimersByTimeAsync(4000);
  await pass(0);
  expect(session.state.clash?.theirs).toEqual(textOf("a", "theirs, and more", 6));

  server.changes = { revision: 8, changed: [facts("a", 8)] };
  server.nextIsMerged(textOf("a", "mine"));
  await vi.advanceTimersByTimeAsync(4000);
  await pass(0);
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
});

test("when the section that one is asked about is cut out, the words are kept at the end and nobody is asked any more", async () => {
  await disputed("a", "mine", "theirs");
  server.answers.push(
    () => ({ status: 422, body: { status: 422, detail: "There is no such section.", reason: "unknown-section" } }),
    () => ({
      status: 200,
      body: server.outcome("Inserted", {
        order: [{ at: 2, removed: 0, inserted: { ids: ["n"], levels: "1", flags: "0" } }],
        changed: [facts("n")],
      }),
    }),
    () => ({ status: 200, body: server.outcome("Wrote") }),
  );
  server.changes = { revision: 9, outline: { ids: ["b", "c"], levels: "21", flags: "00" } };
  await session.typing.settleClash("a", "mine");
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
  expect(bodyOf(server.writes().at(-1)?.operation ?? {})).toBe(bodyOf(textOf("a", "mine")));
});

test("what is done at a place of a text waits until there is one text", async () => {
  await disputed("a", "mine", "theirs");
  const sent = server.writes().length;
  const answer = await session.changes.perform({ name: "split", section: "a", from: 2 });
  expect(answer.kind).toBe("refused");
  expect(session.window.message?.sentence).toContain("Say first which are to stand");
  expect(server.writes().length).toBe(sent);
});

test("words that are refused for what they say are not told as kept, and go out with what is typed next", async () => {
  server.answers.push(() => ({
    status: 422,
    body: { status: 422, detail: "A heading may be 2,000 characters long.", reason: "heading-too-long" },
  }));
  type("a", "too much");
  await session.flush();
  expect(session.state.saving).toBe("unsent");
  expect(session.window.message).toMatchObject({
    tone: "warning",
    sentence: "A heading may be 2,000 characters long.",
  });
  expect(await keptDrafts()).toContain("too much");

  type("a", "less");
  await session.flush();
  expect(session.state.saving).toBe("kept");
  expect(bodyOf(server.writes().at(-1)?.operation ?? {})).toBe(bodyOf(textOf("a", "less")));
});

test("the text of a section is the one typed here, before it is acknowledged and after", async () => {
  expect(session.typing.textNow("a")).toBeUndefined();
  server.texts = new Map([["a", textOf("a", "from the server")]]);
  session.texts.look(["a"]);
  await pass(0);
  expect(session.typing.textNow("a")).toEqual(textOf("a", "from the server"));
  server.isReachable = false;
  type("a", "typed here");
  await pass(600);
  expect(session.typing.textNow("a")?.body).toEqual(textOf("a", "typed here").body);
  server.isReachable = true;
  await pass(3000);
  expect(session.typing.textNow("a")?.body).toEqual(textOf("a", "typed here").body);
});

test("two sections written in two windows are asked about in turn, and neither is lost", async () => {
  for (const section of ["a", "b"]) {
    server.nextIsStale({ changed: [facts(section, 5)] }, [textOf(section, "theirs", 5)]);
    server.nextIsSameWords(textOf(section, "theirs", 5));
  }
  type("a", "mine of a");
  type("b", "mine of b");
  await session.flush();
  expect(session.state.clash?.section).toBe("a");
  expect(await keptDrafts()).toMatch(/mine of a.*mine of b/);

  await session.typing.settleClash("a", "mine");
  expect(session.state.clash?.section).toBe("b");
  await session.typing.settleClash("b", "mine");
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
  expect(await keptDrafts()).toBeNull();
});

test("a question that was not answered is asked again when the document is opened again", async () => {
  await disputed("a", "mine", "theirs");
  server.nextIsSameWords(textOf("a", "theirs", 4));
  session.close();
  await pass(0);

  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "theirs", 4)]);
  server.nextIsSameWords(textOf("a", "theirs", 4));
  session = await openSession(server.fetch);
  await pass(0);
  expect(session.state.clash).toMatchObject({ section: "a" });
  expect(session.typing.textNow("a")?.body).toEqual(textOf("a", "mine").body);
});

test("a choice that could not be kept is asked for again, and one on words that were changed since", async () => {
  await disputed("a", "mine", "theirs");
  server.isReachable = false;
  await session.typing.settleClash("a", "mine");
  expect(session.state).toMatchObject({ clash: { section: "a" }, saving: "unsent" });

  server.isReachable = true;
  server.nextIsSameWords(textOf("a", "theirs, otherwise", 6));
  await session.typing.settleClash("a", "mine");
  expect(session.state.clash?.theirs).toEqual(textOf("a", "theirs, otherwise", 6));
  expect(session.window.message?.sentence).toContain("once more");
  await session.typing.settleClash("a", "mine");
  expect(session.state.clash).toBeNull();
});

test("what two closed windows left behind in one section is sent in turn, and the second offered beside the first", async () => {
  const left = (section: string, words: string) => ({
    section,
    baseRevision: 3,
    headingChanged: false,
    bodyChanged: true,
    heading: textOf(section, "").heading,
    body: textOf(section, words).body,
  });
  session.close();
  localStorage.setItem(
    "stemmata:drafts:d",
    JSON.stringify([left("a", "first window"), left("a", "second window"), left("b", "elsewhere")]),
  );
  server.answers.push(
    () => ({ status: 200, body: server.outcome("Wrote") }),
    () => ({ status: 200, body: server.outcome("Wrote") }),
  );
  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "first window", 4)]);
  server.nextIsSameWords(textOf("a", "first window", 4));
  session = await openSession(server.fetch);
  await pass(0);
  expect(server.writes().map(({ operation }) => [operation.section, bodyOf(operation)])).toEqual([
    ["a", bodyOf(textOf("a", "first window"))],
    ["b", bodyOf(textOf("b", "elsewhere"))],
    ["a", bodyOf(textOf("a", "second window"))],
    ["a", undefined],
  ]);
  expect(session.state.clash).toMatchObject({ section: "a", theirs: textOf("a", "first window", 4) });
  expect(await keptDrafts()).toContain("second window");
});

test("words of a closed window whose section is gone since become a section at the end", async () => {
  server.isReachable = false;
  type("c", "left behind");
  session.close();
  await pass(600);

  server = new ServerStandIn(skeletonOf(["a", "b"], "12"));
  server.answers.push(
    () => ({ status: 422, body: { status: 422, detail: "There is no such section.", reason: "missing" } }),
    () => ({
      status: 200,
      body: server.outcome("Inserted", {
        order: [{ at: 2, removed: 0, inserted: { ids: ["n"], levels: "1", flags: "0" } }],
        changed: [facts("n")],
      }),
    }),
  );
  session = await openSession(server.fetch);
  await pass(0);
  expect(server.writes().map(({ operation }) => [operation.name, operation.section ?? operation.heading])).toEqual([
    ["replace-body", "c"],
    ["insert", "Kept from “c”"],
    ["replace-body", "n"],
  ]);
  expect(await keptDrafts()).toBeNull();
});

test("a write that did arrive before the server was lost is no clash with itself", async () => {
  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "the same words", 4)]);
  type("a", "the same words");
  await session.flush();
  expect(session.state).toMatchObject({ clash: null, saving: "kept", revision: 4 });
  // A window that was closed may have handed it over: then this one shows it for the first time.
  expect(session.state.texts.get("a")).toMatchObject(textOf("a", "the same words", 4));
});

test("words that came through though their answer was lost are no other window’s when more is sent", async () => {
  server.answers.push(
    () => ({ status: 503, body: { status: 503, detail: "Not now.", reason: "busy" } }),
    () => ({ status: 503, body: { status: 503, detail: "Not now.", reason: "busy" } }),
  );
  type("a", "one");
  await session.flush();
  type("a", "one two");
  await session.flush();
  // Only the first had come through.
  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "one", 4)]);
  server.answers.push(() => ({ status: 200, body: server.outcome("Wrote") }));
  type("a", "one two three");
  await session.flush();
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
  expect(server.writes().at(-1)?.operation).toMatchObject({ body: textOf("a", "one two three").body });
});

test.each([
  [
    "refused",
    () =>
      server.answers.push(() => ({
        status: 422,
        body: { status: 422, detail: "There is no such section.", reason: "missing" },
      })),
  ],
  ["stale", () => server.nextIsStale({ outline: { ids: ["b", "c"], levels: "21", flags: "00" } })],
])("words typed in a section that is gone meanwhile become a section at the end (%s)", async (_how, meetNothing) => {
  meetNothing();
  server.changes = { revision: 9, outline: { ids: ["b", "c"], levels: "21", flags: "00" } };
  server.answers.push(
    () => ({
      status: 200,
      body: server.outcome("Inserted", {
        order: [{ at: 2, removed: 0, inserted: { ids: ["n"], levels: "1", flags: "0" } }],
        changed: [facts("n")],
      }),
    }),
    () => ({ status: 200, body: server.outcome("Wrote") }),
  );
  type("a", "not to be lost");
  await session.flush();
  expect(
    server
      .writes()
      .slice(1)
      .map(({ operation }) => operation),
  ).toEqual([
    { name: "insert", heading: "Kept from “a”" },
    { name: "replace-body", section: "n", body: textOf("a", "not to be lost").body },
  ]);
  expect(session.window.message?.sentence).toContain("kept at the end");
  // What is shown there is what is kept there.
  expect(session.state.texts.get("n")).toMatchObject({ id: "n", body: textOf("a", "not to be lost").body });
});

test("another window’s change shows here when it is announced", async () => {
  server.changes = { revision: 7, changed: [{ ...facts("b", 7), heading: "renamed there" }] };
  const other = new BroadcastChannel("stemmata:d");
  other.postMessage(7);
  await vi.waitFor(() => expect(session.state.facts.get("b")?.heading).toBe("renamed there"));
  other.close();
});

test("texts asked for in the same moment come in one answer", async () => {
  server.texts = new Map(["a", "b"].map((id) => [id, textOf(id, `words of ${id}`)]));
  session.texts.look(["a"]);
  session.texts.look(["b"]);
  await pass(0);
  expect(
    server.requests.filter(({ path }) => path.startsWith("/texts")).map(({ path }) => decodeURIComponent(path)),
  ).toEqual(["/texts?sections=a,b"]);
  expect([...session.state.texts.keys()]).toEqual(["a", "b"]);
});

test("a text that was overtaken by a change on its way is read again", async () => {
  server.texts = new Map([["a", textOf("a", "old", 1)]]);
  session.texts.look(["a"]);
  await vi.advanceTimersToNextTimerAsync();
  expect(session.state.texts.get("a")?.revision).toBe(1);

  server.nextIsStale({ changed: [facts("a", 4)] });
  await session.changes.perform({ name: "promote", sections: ["a"] });
  session.texts.look(["a"]);
  await pass(0);
  expect(session.state.outdated.has("a")).toBe(true);
  server.texts = new Map([["a", textOf("a", "new", 4)]]);
  await pass(5);
  expect(session.state.texts.get("a")).toEqual(textOf("a", "new", 4));
  expect(session.state.outdated.size).toBe(0);
});

test("what is typed in an outdated text is put together with the newer one", async () => {
  server.texts = new Map([["a", textOf("a", "old", 1)]]);
  session.texts.look(["a"]);
  await pass(0);
  server.nextIsStale({ changed: [facts("a", 4)] });
  await session.changes.perform({ name: "promote", sections: ["a"] });
  server.nextIsStale({ changed: [facts("a", 4)] }, [textOf("a", "theirs", 4)]);
  type("a", "old, and more");
  await session.flush();
  const [first, second] = server.writes().slice(-2);
  expect(first?.baseRevision).toBe(1);
  expect(second?.operation).toMatchObject({ name: "merge-text", began: { body: textOf("a", "old", 1).body } });
});

test("words typed while another window changed only the aim of their section go through", async () => {
  server.texts = new Map([["a", textOf("a", "the lamp", 1)]]);
  session.texts.look(["a"]);
  await pass(0);
  server.nextIsStale({ changed: [{ ...facts("a", 4), aim: "changed there" }] }, [textOf("a", "the lamp", 4)]);
  type("a", "the lamp was lit");
  await session.flush();
  expect(session.state).toMatchObject({ clash: null, saving: "kept" });
  expect(session.state.facts.get("a")?.aim).toBe("changed there");
  expect(server.writes().map(({ baseRevision, operation }) => [baseRevision, bodyOf(operation)])).toEqual([
    [3, bodyOf(textOf("a", "the lamp was lit"))],
    [4, bodyOf(textOf("a", "the lamp was lit"))],
  ]);
});

test("what is typed in a text newer than all else builds on that text", async () => {
  server.texts = new Map([["a", textOf("a", "newer", 8)]]);
  session.texts.look(["a"]);
  await pass(0);
  type("a", "newer, and more");
  await session.flush();
  expect(server.writes().map(({ baseRevision }) => baseRevision)).toEqual([8]);
});

test("the trail leads back over the jumps made, and forward again", () => {
  session.navigation.goTo({ section: "b" });
  session.navigation.goTo({ section: "c" });
  session.navigation.goBack();
  expect(session.window.current).toBe("b");
  session.navigation.goBack();
  expect(session.window.current).toBe("a");
  session.navigation.goForward();
  session.navigation.goForward();
  expect(session.window.current).toBe("c");
  session.navigation.goForward();
  expect(session.window.current).toBe("c");
});

test("a place gone to is never hidden: its headings unfold", () => {
  session.navigation.foldTexts(["a", "c"], true);
  session.navigation.goTo({ section: "b" });
  expect([...session.window.foldedTexts]).toEqual(["c"]);
});

test("words rest on the state that the writer began them in, whatever other windows do meanwhile", async () => {
  type("a", "The");
  server.revision = 7;
  server.changes = { revision: 7, changed: [facts("c", 7)] };
  const other = new BroadcastChannel("stemmata:d");
  other.postMessage(7);
  await vi.waitFor(async () => {
    await pass(10);
    expect(session.state.revision).toBe(7);
  });
  other.close();
  type("a", "The gale");
  await pass(1000);
  expect(server.writes()).toMatchObject([{ baseRevision: 3, operation: { name: "replace-body", section: "a" } }]);
});

test("counts of an outline that has changed since are not shown", async () => {
  server.numbers = ["1"];
  await session.changes.perform({ name: "rename", section: "a", heading: "x" });
  await pass(1000);
  expect(session.state.numbers).not.toEqual(["1"]);

  server.numbers = ["1", "1.1", "2"];
  await session.changes.perform({ name: "rename", section: "a", heading: "y" });
  await pass(1000);
  expect(session.state.numbers).toEqual(["1", "1.1", "2"]);
});

test("an answer that skips a revision has the changes of the other window read", async () => {
  server.answers.push(() => ({
    status: 200,
    body: server.outcome("Renamed “a”", { previousRevision: 7, revision: 8 }),
  }));
  server.changes = { revision: 8, changed: [{ ...facts("c", 7), heading: "theirs" }] };
  await session.changes.perform({ name: "rename", section: "a", heading: "x" });
  expect(session.state.facts.get("c")?.heading).toBe("theirs");
  expect(session.state.revision).toBe(8);
});

test("a place within what is shown is gone to; one outside is offered, and the whole shown with it", () => {
  const only: Scope = { heads: ["a"], extent: "branch" };
  session.navigation.setScope(only);
  session.navigation.goTo({ section: "b" });
  expect(session.window).toMatchObject({ scope: only, current: "b" });
  session.navigation.goTo({ section: "c" });
  expect(session.window).toMatchObject({ scope: only, current: "b" });
  expect(session.window.message?.sentence).toContain("lies outside of what is shown");
  session.window.message?.offer?.run();
  expect(session.window).toMatchObject({ scope: null, current: "c" });
});

test("what was worked on last is shown again, as far as it is there; what is made beside it belongs to it", async () => {
  session.navigation.setScope({ heads: ["b", "gone"], extent: "heading-only" });
  session.close();
  session = await openSession(server.fetch);
  expect(session.window).toMatchObject({ scope: { heads: ["b", "gone"], extent: "heading-only" }, current: "b" });
  const order = [{ at: 2, removed: 0, inserted: { ids: ["x"], levels: "2", flags: "0" } }];
  server.answers.push(() => ({ status: 200, body: server.outcome("Inserted a section", { order }) }));
  await session.changes.perform({ name: "insert", target: "b" });
  expect(session.window.scope?.heads).toEqual(["b", "x"]);
  session.navigation.changeScope("heading-only");
  expect(session.window.scope).toBeNull();
  session.navigation.changeScope("branch");
  expect(session.window.scope).toEqual({ heads: ["b"], extent: "branch" });
  session.navigation.moveScope(1);
  expect(session.window.scope).toEqual({ heads: ["x"], extent: "branch" });
  session.navigation.setScope(null);
});

test("a jump after going back begins the trail anew from there", () => {
  session.navigation.goTo({ section: "a" });
  session.navigation.goTo({ section: "b" });
  session.navigation.goTo({ section: "c" });
  session.navigation.goBack();
  session.navigation.goBack();
  expect(session.window.current).toBe("a");
  session.navigation.goTo({ section: "c" });
  session.navigation.goForward();
  expect(session.window.current).toBe("c");
  session.navigation.goBack();
  expect(session.window.current).toBe("a");
  session.navigation.goBack();
  expect(session.window.current).toBe("a");
});

test("only the request that was met is over", () => {
  session.navigation.goTo({ section: "b" });
  const key = session.window.request?.key ?? 0;
  session.navigation.goTo({ section: "c" });
  session.navigation.requestMet(key);
  expect(session.window.request).toMatchObject({ section: "c" });
  session.navigation.requestMet(session.window.request?.key ?? 0);
  expect(session.window.request).toBeNull();
});

test("a place that was asked for is not gone to once the writer has pointed elsewhere", () => {
  session.navigation.goTo({ section: "b" });
  session.navigation.dropRequest();
  expect(session.window.request).toBeNull();
});

test("what is typed after a change of the text comes to the server after it, though both wait for an answer", async () => {
  type("a", "The");
  const kept = session.changes.keep(
    { name: "split", section: "a", from: 1 },
    {
      holds: () => true,
      applied: ({ revision }) => session.typing.buildOn(["a", "b"], revision),
      failed: () => undefined,
    },
  );
  type("a", "The gale");
  type("b", "New words");
  await pass(3000);
  await kept;
  expect(server.writes().map(({ operation }) => operation)).toMatchObject([
    { name: "replace-body", section: "a", body: textOf("a", "The").body },
    { name: "split", section: "a" },
    { name: "replace-body", section: "a", body: textOf("a", "The gale").body },
    { name: "replace-body", section: "b", body: textOf("a", "New words").body },
  ]);
  expect(session.state.saving).toBe("kept");
});

test("after another window has written, all that was read of the whole document is read again", async () => {
  const outdated = vi.fn();
  session.close();
  session = await openSession(server.fetch, outdated);
  server.nextIsStale({ changed: [facts("b")] });
  await session.changes.perform({ name: "rename", section: "a", heading: "New" });
  await pass(100);
  expect(outdated).toHaveBeenCalledWith(expect.arrayContaining(["findings"]));
});

test("a text is read again when it is known to be another", async () => {
  server.texts.set("a", { ...textOf("a", "As it is on the server."), revision: 9 });
  await session.texts.readAgain("a");
  expect(JSON.stringify(session.state.texts.get("a")?.body)).toContain("As it is on the server.");
});

test("what is typed in a section whose change could not be kept is forgotten with it", async () => {
  server.isReachable = false;
  type("a", "The gale");
  session.typing.forget("a");
  server.isReachable = true;
  await pass(5000);
  expect(session.typing.isIn("a")).toBe(false);
  expect(server.writes()).toEqual([]);
});

test("texts that were in sight long ago are let go, but for those with words that are not acknowledged", async () => {
  const ids = Array.from({ length: 3000 }, (_none, index) => `s${index}`);
  session.close();
  server = new ServerStandIn(skeletonOf(ids, "1".repeat(ids.length)));
  for (const id of ids) server.texts.set(id, textOf(id, "The log"));
  session = await openSession(server.fetch);
  const lookAt = async (from: number) => {
    session.texts.look(ids.slice(from, from + 30));
    await pass(1);
  };

  await lookAt(0);
  server.isReachable = false;
  type("s3", "The gale");
  await pass(1000);
  server.isReachable = true;
  for (let from = 30; from < ids.length; from += 30) await lookAt(from);

  expect(session.state.texts.size).toBeLessThan(2 * STAYING + 60);
  expect(session.state.texts.has("s2999")).toBe(true);
  expect(session.state.texts.has("s4")).toBe(false);
  expect(bodyOf(session.typing.textNow("s3") ?? {})).toContain("The gale");
  await lookAt(0);
  expect(session.state.texts.has("s4")).toBe(true);
});

test("a text that is older than what is known of its section is read again, whatever came between", async () => {
  session.texts.keep([textOf("a", "old", 1)]);
  session.store.setState((state) => ({ facts: new Map(state.facts).set("a", facts("a", 2)) }));
  expect(session.state.outdated.has("a")).toBe(false);
  await session.changes.sync();
  expect(session.state.outdated.has("a")).toBe(true);
});
