// Measures what pages cost: at first, after an edit, as a file, and what typing feels of them. The engine's own time is told by the
// server (Server-Timing), so that both come from the same run. Prints a table for docs/performance.md.
import { readdirSync, readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

const address = process.argv[2] ?? process.exit(1);
const ROUNDS = 15;
const WORDS =
  "there are seven lights on the coast of ardrell and none of them can be seen from another the men who kept them wrote to one office in one form four times a day for seventy three years".split(
    " ",
  );
let seed = 1;
const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
const sentence = (count) =>
  Array.from({ length: count }, () => WORDS[Math.floor(random() * WORDS.length)]).join(" ") + ".";
const book = (sections) =>
  Array.from(
    { length: sections },
    (_, index) =>
      `${index % 8 === 0 ? "#" : "##"} Section ${index + 1}\n\n${[0, 1, 2].map(() => sentence(100)).join("\n\n")}\n`,
  ).join("\n");
const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1];
const p95 = (values) => values.toSorted((a, b) => a - b)[Math.ceil(values.length * 0.95) - 1];
const megabytes = () =>
  Math.max(
    0,
    ...readdirSync("/proc")
      .filter((each) => /^\d+$/.test(each))
      .map((pid) => {
        try {
          const command = readFileSync(`/proc/${pid}/cmdline`, "utf8");
          if (!command.includes("Engine/worker.mjs")) return 0;
          return Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;
        } catch {
          return 0;
        }
      }),
  );

async function timed(path) {
  const began = performance.now();
  let answer;
  // What takes long is asked for until it is there.
  do answer = await fetch(address + path);
  while (answer.status === 202);
  const body = await answer.arrayBuffer();
  const engine = Number(/dur=([\d.]+)/.exec(answer.headers.get("server-timing") ?? "")?.[1] ?? 0);
  return { took: performance.now() - began, engine, body };
}
const json = async (path) => (await fetch(address + path)).json();

async function operate(id, operation) {
  const { revision } = await json(`/api/documents/${id}`);
  await fetch(`${address}/api/documents/${id}/operations`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ baseRevision: revision, operation }),
  });
}

/** How long an edit of another document and the reading of it take (milliseconds), over and over until this is done. */
async function othersUntil(work) {
  const { id } = await (
    await fetch(`${address}/api/documents/import?name=Other.md`, {
      method: "POST",
      body: "# Other\n\nwords\n",
      headers: { "Content-Type": "application/octet-stream" },
    })
  ).json();
  const section = (await json(`/api/documents/${id}`)).outline.ids[0];
  const times = [];
  let isDone = false;
  void work.finally(() => (isDone = true));
  do {
    const began = performance.now();
    await operate(id, { name: "rename", section, heading: `Other ${times.length}` });
    times.push((performance.now() - began) / 2);
    await new Promise((done) => setTimeout(done, 40));
  } while (!isDone);
  return times;
}

console.log(
  "| pages | at first | after an edit | of that the engine | 1.3 × engine + 150 ms | after a change of the look | PDF | most memory of the engine |",
);
console.log("| ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |");
let large = null;
let others = "";
const isQuick = Boolean(process.env.BENCH_QUICK);
const SIZES = isQuick ? [4, 12] : [12, 125, 375, 1250];
/** The one that is typed in. */
const TYPED = SIZES.at(-2);
for (const sections of SIZES) {
  const imported = await fetch(`${address}/api/documents/import?name=Book.md`, {
    method: "POST",
    body: book(sections),
    headers: { "Content-Type": "application/octet-stream" },
  });
  const { id } = await imported.json();
  const alone = await othersUntil(new Promise((done) => setTimeout(done, isQuick ? 300 : 4000)));
  const making = timed(`/api/documents/${id}/pages?blocks=yes`);
  const meanwhile = await othersUntil(making);
  const first = await making;
  const { labels } = JSON.parse(Buffer.from(first.body).toString());
  const skeleton = await json(`/api/documents/${id}`);
  const section = skeleton.outline.ids[Math.floor(sections / 2)];
  const edits = [];
  for (let round = 0; round < ROUNDS; round++) {
    const [text] = await json(`/api/documents/${id}/texts?sections=${section}`);
    text.body[0].content[0].text += ` ${WORDS[round]}`;
    await operate(id, { name: "replace-body", section, body: text.body });
    edits.push(await timed(`/api/documents/${id}/pages?blocks=yes`));
  }
  const looks = [];
  for (let round = 0; round < 5; round++) {
    await operate(id, { name: "shape-kind", kind: "body", changes: { size: `${10 + (round % 2)}pt` } });
    looks.push(await timed(`/api/documents/${id}/pages?blocks=yes`));
  }
  const look = median(looks.map((each) => each.took));
  const pdf = await timed(`/api/documents/${id}/pages.pdf`);
  const took = median(edits.map((each) => each.took));
  const engine = median(edits.map((each) => each.engine));
  console.log(
    `| ${labels.length} | ${Math.round(first.took)} ms | ${Math.round(took)} ms | ${Math.round(engine)} ms | ${Math.round(1.3 * engine + 150)} ms | ${Math.round(look)} ms | ${Math.round(pdf.took)} ms | ${Math.round(megabytes())} MB |`,
  );
  others = `\nA request for another document while ${labels.length} pages are made: p95 ${p95(meanwhile).toFixed(0)} ms, median ${median(meanwhile).toFixed(0)} ms; alone p95 ${p95(alone).toFixed(0)} ms, median ${median(alone).toFixed(0)} ms.`;
  if (sections === TYPED) large = id;
}
console.log(others);

// Typing while pages are made without a pause, in 300 pages. From the key until its letter stands in the laid-out text, and until
// the frame with it is painted: a screen shows 60 frames a second, so that a letter waits up to 16.7 ms for the next one,
// whatever is done for it.
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
await page.goto(`${address}/documents/${large}`);
await page.locator(".manuscript p").first().click();
await page.waitForTimeout(4000);
await page.evaluate(() => {
  window.typed = { laid: [], painted: [] };
  let pressed = null;
  addEventListener(
    "keydown",
    (event) => {
      const at = (pressed = event.timeStamp);
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => window.typed.painted.push(performance.now() - at);
        channel.port2.postMessage(null);
      });
    },
    true,
  );
  const text = document.querySelector(".manuscript");
  new MutationObserver(() => {
    if (pressed === null) return;
    // Asking for a height lays the text out.
    if (text.offsetHeight > 0) window.typed.laid.push(performance.now() - pressed);
    pressed = null;
  }).observe(text, { subtree: true, characterData: true, childList: true });
});
/** Milliseconds for each of 100 keys. */
async function typed(hasPages) {
  const toggle = page.getByTitle("Page numbers in place of words");
  if (((await toggle.getAttribute("aria-pressed")) === "true") !== hasPages) await toggle.click();
  await page.locator(".manuscript p").first().click();
  await page.waitForTimeout(1000);
  await page.evaluate(() => (window.typed = { laid: [], painted: [] }));
  for (let key = 0; key < (isQuick ? 15 : 100); key++) {
    await page.keyboard.press("abcdefgh "[key % 9]);
    await page.waitForTimeout(40);
  }
  return page.evaluate(() => window.typed);
}
// In turn, for the machine’s speed changes from minute to minute.
const without = [];
const beside = [];
for (let round = 0; round < (isQuick ? 1 : 5); round++) {
  without.push(await typed(false));
  beside.push(await typed(true));
}
const stated = (rounds, what) =>
  `p95 ${median(rounds.map((round) => p95(round[what]))).toFixed(1)} ms, median ${median(rounds.map((round) => median(round[what]))).toFixed(1)} ms`;
for (const [what, words] of [
  ["laid", "until its letter is laid out"],
  ["painted", "until it is painted"],
])
  console.log(
    `\nTyping, from key ${words}: ${stated(without, what)} without pages; ${stated(beside, what)} while they catch up.`,
  );

// Opening Proof, warm: until the page at the cursor can be read.
const openings = [];
for (let round = 0; round < (isQuick ? 2 : 9); round++) {
  await page.locator(".manuscript p").first().waitFor();
  await page.waitForTimeout(500);
  const began = performance.now();
  await page.getByRole("link", { name: "Proof" }).click();
  await page.waitForFunction(
    () => [...document.querySelectorAll(".proof-words")].some((each) => each.childElementCount > 0),
    null,
    { polling: "raf" },
  );
  openings.push(performance.now() - began);
  await page.getByRole("link", { name: "Write" }).click();
}
console.log(
  `Opening Proof, the first time ${Math.round(openings[0])} ms, then ${Math.round(median(openings.slice(1)))} ms until the page can be read.`,
);
await browser.close();
