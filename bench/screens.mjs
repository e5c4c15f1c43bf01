// Measures in Chromium what a writer waits for: the first usable screen, a key until the outline is painted, scrolling, and the heap.
// Prints a table for docs/performance.md. Wants the documents that operations.php has put on the desk.
import { chromium } from "@playwright/test";

const address = process.argv[2] ?? process.exit(1);
const isQuick = Boolean(process.env.BENCH_QUICK);
const ROUNDS = isQuick ? 3 : 40;
const SIZES = isQuick ? [40, 400] : [100, 10000];
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});

/** The value that 95 of 100 stay at or under. */
const p95 = (values) => values.toSorted((a, b) => a - b)[Math.ceil(values.length * 0.95) - 1];
const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1];

/** Milliseconds from the opening of an address until rows stand in the outline and the text can be typed in. */
async function firstUsable(id) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const start = performance.now();
  await page.goto(`${address}/documents/${id}`, { waitUntil: "commit" });
  await page.waitForFunction(
    () => document.querySelector("[role=treeitem]") && document.querySelector(".manuscript[contenteditable=true] p"),
    null,
    { polling: "raf" },
  );
  const took = performance.now() - start;
  await context.close();
  return took;
}

/** Milliseconds from a key until the frame in which the row shows another place, level or set has been painted. */
async function keyToPaint(page, row, keys) {
  await page.evaluate((id) => {
    const shown = () => {
      const element = document.getElementById(id);
      return element
        ? ["aria-level", "aria-posinset", "aria-setsize"].map((name) => element.getAttribute(name)).join() +
            element.parentElement.style.top
        : "away";
    };
    window.painted = new Promise((resolve, reject) => {
      setTimeout(
        () =>
          reject(
            new Error(
              `No change was painted; the row shows ${shown()}, the focus is in ${document.activeElement?.outerHTML.slice(0, 200)}, and the screen says “${document.querySelector("[role=status][aria-live], .message-bar")?.textContent}”.`,
            ),
          ),
        5000,
      );
      addEventListener(
        "keydown",
        (event) => event.key.length > 1 && !["Control", "Shift"].includes(event.key) && begin(event.timeStamp),
        { capture: true },
      );
      addEventListener("keydown", (event) => event.key === "z" && begin(event.timeStamp), { capture: true });
      let begun = false;
      const begin = (at) => {
        if (begun) return;
        begun = true;
        const before = shown();
        // A message sent while a frame is made ready is heard when it has been painted.
        const painted = new MessageChannel();
        painted.port1.onmessage = () => resolve(performance.now() - at);
        const look = () => (shown() === before ? requestAnimationFrame(look) : painted.port2.postMessage(null));
        requestAnimationFrame(look);
      };
    });
  }, row);
  await page.keyboard.press(keys);
  const took = await page.evaluate(() => window.painted);
  // The next key comes when this one's work is done, as it does under a hand.
  await page.waitForTimeout(150);
  return took;
}

/** Milliseconds from a letter until the page is laid out anew, for letters typed into a paragraph in sight. */
async function letters(page) {
  await page.locator(".section-text p").first().click();
  await page.evaluate(() => {
    window.letters_ = [];
    addEventListener(
      "keydown",
      () => {
        const at = performance.now();
        const painted = new MessageChannel();
        painted.port1.onmessage = () => (document.body.offsetHeight, window.letters_.push(performance.now() - at));
        painted.port2.postMessage(null);
      },
      { capture: true },
    );
  });
  for (const letter of "the keeper wrote of wind and glass ".repeat(isQuick ? 1 : 6)) {
    await page.keyboard.press(letter === " " ? "Space" : letter);
    await page.waitForTimeout(8);
  }
  return page.evaluate(() => window.letters_);
}

/** Milliseconds between frames while a list or the text is scrolled by the wheel. */
async function scrollFrames(page, list) {
  const box = await (list === "text" ? page.getByRole("main") : page.getByRole(list)).boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.evaluate(() => {
    window.frames_ = [];
    let last = performance.now();
    const frame = (now) => (
      window.frames_.push(now - last),
      (last = now),
      (window.running = requestAnimationFrame(frame))
    );
    window.running = requestAnimationFrame(frame);
  });
  for (let turn = 0; turn < (isQuick ? 20 : 120); turn++) {
    await page.mouse.wheel(0, 240);
    await page.waitForTimeout(16);
  }
  return page.evaluate(() => (cancelAnimationFrame(window.running), window.frames_.slice(2)));
}

/** From the Enter that changes the colour of a kind of text until the text on the screen is painted in it, by way of the server. */
async function lookToPaint(page) {
  await page.locator(".manuscript .heading").first().click();
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "Look", exact: true }).click();
  const field = page.getByRole("textbox", { name: "Colour", exact: true });
  await field.waitFor();
  await page.waitForTimeout(4000);
  const times = [];
  for (let round = 0; round < Math.min(15, ROUNDS); round++) {
    const red = 100 + round;
    await field.fill(`#${red.toString(16)}1166`);
    const painted = page.evaluate(
      (wanted) =>
        new Promise((done) => {
          addEventListener(
            "keydown",
            ({ timeStamp }) => {
              const heading = document.querySelector(".manuscript .heading");
              const look = () =>
                getComputedStyle(heading).color === wanted
                  ? requestAnimationFrame(() => done(performance.now() - timeStamp))
                  : requestAnimationFrame(look);
              look();
            },
            { once: true, capture: true },
          );
        }),
      `rgb(${red}, 17, 102)`,
    );
    await page.waitForTimeout(50);
    await page.keyboard.press("Enter");
    times.push(await painted);
    // The kinds are counted anew after a pause.
    await page.waitForTimeout(400);
  }
  await page.keyboard.press("Escape");
  return times;
}

async function heap(page) {
  const session = await page.context().newCDPSession(page);
  await session.send("HeapProfiler.collectGarbage");
  return (await session.send("Runtime.getHeapUsage")).usedSize / 1024 / 1024;
}

const { documents } = await (
  await fetch(`${address}/api/documents`)
)
  .json()
  .then((answer) => (Array.isArray(answer) ? { documents: answer } : answer));
const results = [];
for (const count of SIZES) {
  const { id } = documents.find((each) => each.title === `${count} sections`);
  const opening = [];
  for (let round = 0; round < Math.min(9, ROUNDS); round++) opening.push(await firstUsable(id));

  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/documents/${id}`);
  const tree = page.getByRole("tree", { name: "Outline of the document" });
  await tree.getByRole("treeitem").first().waitFor();
  const { outline } = await (await fetch(`${address}/api/documents/${id}`)).json();
  // The operations before may have moved a section past it.
  const part = outline.ids[outline.levels.indexOf("1", count / 2 - 1)];
  // Folded to its parts, the way to move five hundred sections: the row is in view before and after.
  await tree.focus();
  await page.keyboard.press("1");
  await page.locator(`#row-${part}`).click();
  await page.locator(`#row-${part}.row-active`).waitFor();
  await tree.focus();
  const times = { "move a part up": [], undo: [], "demote a part": [], "undo of it": [] };
  for (let round = 0; round < ROUNDS; round++) {
    times["move a part up"].push(await keyToPaint(page, `row-${part}`, "Control+Shift+ArrowUp"));
    times["undo"].push(await keyToPaint(page, `row-${part}`, "Control+z"));
  }
  await page.keyboard.press("2");
  await page.waitForTimeout(200);
  for (let round = 0; round < ROUNDS; round++) {
    times["demote a part"].push(await keyToPaint(page, `row-${part}`, "Control+Shift+ArrowRight"));
    times["undo of it"].push(await keyToPaint(page, `row-${part}`, "Control+z"));
  }
  await page.keyboard.press("0");
  await page.keyboard.press("Home");
  await page.waitForTimeout(500);
  const outlineFrames = await scrollFrames(page, "tree");
  await page.waitForTimeout(500);
  const typed = await letters(page);
  await page.waitForTimeout(1500);
  const textFrames = await scrollFrames(page, "text");
  const looked = await lookToPaint(page);
  await page.goto(`${address}/documents/${id}/arrange`);
  await page.getByRole("treegrid").waitFor();
  await page.waitForTimeout(1000);
  const arrangeFrames = await scrollFrames(page, "treegrid");
  const used = await heap(page);
  results.push({ count, opening, times, outlineFrames, textFrames, typed, looked, arrangeFrames, used });
  await page.close();
}
await browser.close();

const [small, large] = results;
const line = (name, of, figure, unit) =>
  console.log(`| ${name} | ${figure(of(small)).toFixed(0)} ${unit} | ${figure(of(large)).toFixed(0)} ${unit} |`);
console.log(
  `\n| in Chromium | ${SIZES.map((size) => size.toLocaleString("en") + " sections").join(" | ")} |\n| --- | ---: | ---: |`,
);
line("first usable screen, median", (result) => result.opening, median, "ms");
for (const name of Object.keys(large.times))
  line(`${name}, key to paint, 95th percentile`, (result) => result.times[name], p95, "ms");
const frames = (name, of) =>
  console.log(`| ${name}, 95th percentile | ${p95(of(small)).toFixed(1)} ms | ${p95(of(large)).toFixed(1)} ms |`);
frames("a frame while scrolling the outline", (result) => result.outlineFrames);
frames("a letter in the text, until the page is laid out anew", (result) => result.typed);
frames("a frame while scrolling the text", (result) => result.textFrames);
frames("a change of a kind’s look, key to painted text", (result) => result.looked);
frames("a frame while scrolling Arrange", (result) => result.arrangeFrames);
line(
  "heap in use",
  (result) => [result.used],
  (values) => values[0],
  "MB",
);
