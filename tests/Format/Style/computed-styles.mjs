// What a browser makes of a web page: the computed style of the first element of each selector, as JSON.
// usage: computed-styles.mjs FILE SELECTOR...
import { chromium } from "@playwright/test";

const [file, ...selectors] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox"] });
const page = await browser.newPage();
await page.goto(`file://${file}`);
const found = await page.evaluate(
  (all) =>
    Object.fromEntries(
      all.map((selector) => {
        const element = document.querySelector(selector);
        if (!element) return [selector, null];
        const style = getComputedStyle(element);
        return [selector, Object.fromEntries([...style].map((name) => [name, style.getPropertyValue(name)]))];
      }),
    ),
  selectors,
);
console.log(JSON.stringify(found));
await browser.close();
