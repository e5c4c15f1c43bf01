// Takes in so many files and asks for the pages of four of them at once; reports in JSON what came. A dose takes hours: each
// failure is told as it comes, and one that is ended early tells what came until then.
// usage: four-at-once.mjs ADDRESS FOLDER COUNT
import { readFileSync } from "node:fs";

const [address, folder, count] = process.argv.slice(2);
const report = { files: 0, pages: 0, plain: 0, untagged: 0, slowest: 0, failures: [] };
let next = 0;
process.once("SIGTERM", () => (console.log(JSON.stringify(report)), process.exit(1)));

async function asked(path) {
  for (;;) {
    const answer = await fetch(address + path);
    if (answer.status !== 202) return answer;
    await answer.text();
    await new Promise((done) => setTimeout(done, 50));
  }
}

async function lane() {
  while (next < Number(count)) {
    const number = next++;
    const made = await fetch(`${address}/api/documents/import?name=x.html`, { method: "POST", body: readFileSync(`${folder}/${number}.html`) });
    const { id } = await made.json();
    const began = performance.now();
    const [map, pdf] = await Promise.all([asked(`/api/documents/${id}/pages`), asked(`/api/documents/${id}/pages.pdf`)]);
    const [text, bytes] = [await map.text(), Buffer.from(await pdf.arrayBuffer())];
    report.slowest = Math.max(report.slowest, Math.round(performance.now() - began));
    if (!map.ok || !pdf.ok || bytes.subarray(0, 4).toString() !== "%PDF") {
      const failure = `${number}: ${map.status} ${pdf.status} ${text.slice(0, 200)} ${bytes.subarray(0, 200)}`;
      report.failures.push(failure);
      console.error(failure);
      continue;
    }
    const { labels, findings } = JSON.parse(text);
    report.files += 1;
    report.pages += labels.length;
    report.plain += findings.filter(({ rule }) => rule === "plain-words-only").length;
    report.untagged += findings.filter(({ rule }) => rule === "untagged-pages").length;
  }
}

await Promise.all([lane(), lane(), lane(), lane()]);
console.log(JSON.stringify(report));
