// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { createStore } from "zustand/vanilla";
import { skeletonOf } from "./server.test-helper";

const { answering } = await vi.hoisted(async () => {
  let current: typeof fetch = () => Promise.reject(new Error("No server stands in yet."));
  globalThis.fetch = (...args) => current(...args);
  return { answering: (next: typeof fetch) => (current = next) };
});
const { Pages } = await import("./pages");
const { opened } = await import("./state");

const view = (revision: number, label: string) => ({
  revision,
  labels: [label],
  sections: { a: { sheet: 1, label, down: 10 } },
  bookmarks: {},
  blocks: {},
  captions: {},
  lines: {},
  contents: {},
  findings: [],
  pageWord: "page",
});
const json = (body: unknown, status = 200) =>
  Promise.resolve(new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } }));

let requests = 0;
const document = createStore(() => opened(skeletonOf(["a"], "1")));

beforeEach(() => {
  vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
  requests = 0;
});
afterEach(() => vi.useRealTimers());

test("pages are asked for while they are shown, after a pause in the changes, and say when they are behind", async () => {
  const pages = new Pages(document);
  answering(() => (requests++, json(view(document.getState().revision, `${requests}`))));
  document.setState({ revision: 4 });
  await vi.advanceTimersByTimeAsync(1000);
  expect(requests).toBe(0);

  const stop = pages.want();
  await vi.advanceTimersByTimeAsync(1);
  expect(pages.store.getState()).toMatchObject({ revision: 4, labels: ["1"], isBehind: false, failure: null });
  expect(pages.store.getState().sections.get("a")?.label).toBe("1");

  document.setState({ revision: 5 });
  expect(pages.store.getState().isBehind).toBe(true);
  await vi.advanceTimersByTimeAsync(200);
  document.setState({ revision: 6 });
  await vi.advanceTimersByTimeAsync(200);
  expect(requests).toBe(1);
  await vi.advanceTimersByTimeAsync(200);
  expect(pages.store.getState()).toMatchObject({ revision: 6, isBehind: false });

  stop();
  document.setState({ revision: 7 });
  await vi.advanceTimersByTimeAsync(1000);
  expect(requests).toBe(2);
});

test("why there are no pages is said, and they are asked for again", async () => {
  const pages = new Pages(document);
  answering(
    () => (requests++, json({ title: "No", status: 500, detail: "The engine rests.", reason: "internal" }, 500)),
  );
  pages.want();
  await vi.advanceTimersByTimeAsync(1);
  expect(pages.store.getState().failure).toBe("The engine rests.");
  answering(() => (requests++, json(view(document.getState().revision, "9"))));
  await vi.advanceTimersByTimeAsync(4000);
  expect(requests).toBe(1);
  await vi.advanceTimersByTimeAsync(1500);
  expect(pages.store.getState()).toMatchObject({ labels: ["9"], failure: null });
});
