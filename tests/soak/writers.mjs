// Two clients write for as long as they are let, over kills of the server: nothing acknowledged may be gone.
// usage: writers.mjs PORT DATA EDITS KILLS; the server is started and killed from here.
import { spawn } from "node:child_process";
import { setTimeout as wait } from "node:timers/promises";

const [port, data, edits, kills] = [process.argv[2], process.argv[3], Number(process.argv[4]), Number(process.argv[5])];
const address = `http://127.0.0.1:${port}`;
const report = { acknowledged: 0, kills: 0, restarts: [], lost: [], half: [], failures: [], imports: 0, transfers: 0, returns: 0, undone: 0 };
let server;

/** The port may be held for a moment longer by what was killed; then it is tried once more. */
async function start() {
  for (;;) {
    launch();
    for (let tries = 0; tries < 3000 && server.exitCode === null; tries += 1) {
      if (await fetch(`${address}/api/keys`).then((answer) => answer.ok, () => false)) return;
      await wait(10);
    }
    if (server.exitCode === null) throw new Error("The server does not come up.");
    await wait(50);
  }
}

function launch() {
  server = spawn("php", ["-d", "opcache.enable_cli=1", "-d", "memory_limit=2G", "-d", "post_max_size=66M", "-S", `127.0.0.1:${port}`, "-t", "public", "public/router.php"], { detached: true, stdio: "ignore", env: { ...process.env, STEMMATA_DATA: data, APP_ENV: "prod", PHP_CLI_SERVER_WORKERS: "4" } });
}

/** Null when no answer came: what was asked may or may not have been done. */
async function call(method, path, body) {
  try {
    const answer = await fetch(address + path, { method, headers: { "Content-Type": "application/json" }, body: typeof body === "string" ? body : JSON.stringify(body) });
    const text = await answer.text();
    if (text === "" && answer.status !== 204) return null; // killed between the head of the answer and the rest
    if (answer.status >= 500) report.failures.push(`${method} ${path}: ${answer.status} ${text.slice(0, 200)}`);
    return { status: answer.status, ...(text.startsWith("{") ? JSON.parse(text) : { list: text.startsWith("[") ? JSON.parse(text) : text }) };
  } catch {
    return null;
  }
}

/** Over a kill, until an answer comes. */
async function insist(method, path, body) {
  for (;;) {
    const answer = await call(method, path, body);
    if (answer !== null && answer.status < 500) return answer;
    await wait(20);
  }
}

const words = (answer) => JSON.stringify(answer.list?.[0]?.body ?? null).match(/"text":"([^"]*)"/)?.[1] ?? "";

/** One writer with a document of their own, in which what stands is known exactly, and a share in one of both. */
async function writer(name, shared, until) {
  const own = (await insist("POST", `/api/documents/import?name=${name}.md`, `# Alpha ${name}\n\nbegin\n\n## Beta\n\nmore\n`)).id;
  const path = `/api/documents/${own}`;
  let { revision, outline } = await insist("GET", path);
  const section = outline.ids[0];
  let stands = "begin";
  let number = 0;
  const read = async () => words(await insist("GET", `${path}/texts?sections=${section}`));
  /** After no answer: it stands as before, or as it would have become, and nothing else. */
  const settle = async (next) => {
    ({ revision } = await insist("GET", path));
    const found = await read();
    if (found !== stands && found !== next) report.lost.push(`${name}: “${stands}” or “${next}” should stand, and “${found}” does`);
    stands = found;
  };
  const change = async (tail, body, next) => {
    const answer = await call("POST", path + tail, { baseRevision: revision, ...body });
    if (answer === null || answer.status >= 500) return settle(next);
    if (answer.revision === undefined && answer.outcome === undefined) return void ({ revision } = await insist("GET", path));
    ({ revision } = answer.outcome ?? answer);
    stands = next;
    report.acknowledged += 1;
  };
  const type = (next) => change("/operations", { operation: { name: "replace-body", section, body: [{ type: "paragraph", content: [{ type: "text", text: next }] }] } }, next);
  while (until()) {
    number += 1;
    const kind = number % 40;
    if (kind === 7) {
      const before = stands;
      await change("/operations", { operation: { name: "rename", section, heading: `Alpha ${name} ${number}` } }, stands);
      await change("/undo", {}, before);
      report.undone += 1;
    } else if (kind === 13) {
      // A named state stays what it is; typing that goes on would else go on in its step.
      const { id: milestone, state } = await insist("POST", `${path}/history/milestones`, { name: `At ${number}` });
      const before = stands;
      await type(`${name} gone by ${number}`);
      await change("/history/return", { state, section }, before);
      await call("DELETE", `${path}/history/milestones/${milestone}`);
      report.returns += 1;
    } else if (kind === 21) {
      const answer = await call("POST", `${path}/transfer`, { baseRevision: revision, sections: [outline.ids[1]], other: shared, landing: "after", moves: false });
      if (answer?.status < 300) [report.transfers, report.acknowledged] = [report.transfers + 1, report.acknowledged + 1];
    } else if (kind === 29) {
      const answer = await call("POST", `/api/documents/import?name=i.md`, `# Imported ${number}\n\nwords\n\n## Under\n\nwords\n`);
      if (answer?.id) [report.imports, report.acknowledged] = [report.imports + 1, report.acknowledged + 1];
      if (answer?.id) await call("DELETE", `/api/documents/${answer.id}`);
      if (answer?.id) await call("DELETE", `/api/removed-documents/${answer.id}`);
    } else if (kind === 35) {
      const now = await insist("GET", `/api/documents/${shared}`);
      const heading = `Shared ${name} ${number}`;
      const answer = await call("POST", `/api/documents/${shared}/operations`, { baseRevision: now.revision, operation: { name: "rename", section: now.outline.ids[name === "one" ? 0 : 1], heading } });
      if (answer?.revision !== undefined) {
        report.acknowledged += 1;
        const steps = JSON.stringify((await insist("GET", `/api/documents/${shared}/history`)).sittings);
        if (!steps.includes(heading)) report.lost.push(`${heading} is not in the history`);
      }
    } else {
      await type(`${name} ${number}`);
    }
    if (number % 500 === 0 && (await read()) !== stands) report.lost.push(`${name}: “${stands}” does not stand`);
  }
  return own;
}

/** Undone to the beginning and done again, a document reads as it did. */
async function checkHistory(id) {
  const texts = async () => {
    const { outline, titleBlock } = await insist("GET", `/api/documents/${id}`);
    const { list } = await insist("GET", `/api/documents/${id}/texts?sections=${outline.ids.slice(0, 150).join(",")}`);
    return JSON.stringify([outline, titleBlock, list.map(({ id: section, heading, body }) => [section, heading, body]).sort()]);
  };
  const now = await texts();
  let { revision } = await insist("GET", `/api/documents/${id}`);
  let steps = 0;
  for (; steps < 3000; steps += 1) {
    const answer = await insist("POST", `/api/documents/${id}/undo`, { baseRevision: revision });
    if (answer.revision === undefined) break;
    ({ revision } = answer);
  }
  for (let step = 0; step < steps; step += 1) ({ revision } = await insist("POST", `/api/documents/${id}/redo`, { baseRevision: revision }));
  if ((await texts()) !== now) report.half.push(`${id} does not read as it did after ${steps} steps back and forth`);
}

await start();
const shared = (await insist("POST", "/api/documents/import?name=s.md", "# Left\n\na\n\n# Right\n\nb\n")).id;
let isOver = false;
const killing = (async () => {
  while (!isOver && report.kills < kills) {
    const before = report.acknowledged;
    const pause = (edits / Math.max(1, kills)) * (0.2 + Math.random() * 1.4);
    while (!isOver && report.acknowledged - before < pause) await wait(5);
    if (isOver) break;
    process.kill(-server.pid, "SIGKILL");
    report.kills += 1;
    const began = Date.now();
    await start();
    report.restarts.push(Date.now() - began);
  }
})();
const goesOn = () => report.acknowledged < edits || report.kills < kills;
const documents = await Promise.all([writer("one", shared, goesOn), writer("two", shared, goesOn)]);
isOver = true;
await killing;
for (const id of [...documents, shared]) await checkHistory(id);
for (const { id } of (await insist("GET", "/api/documents")).list) {
  for (const tail of ["", "/export?format=md", "/findings", "/history"]) {
    const answer = await insist("GET", `/api/documents/${id}${tail}`);
    if (answer.status !== 200) report.half.push(`${id}${tail} answers ${answer.status}`);
  }
}
process.kill(-server.pid, "SIGKILL");
report.restarts.sort((a, b) => a - b);
report.restarts = `${report.restarts[report.restarts.length >> 1] ?? 0} ms in the middle, ${report.restarts.at(-1) ?? 0} ms at most`;
console.log(JSON.stringify({ ...report, lost: report.lost.slice(0, 10), half: report.half.slice(0, 10), failures: report.failures.slice(0, 10), counts: [report.lost.length, report.half.length, report.failures.length] }, null, 1));
process.exit(report.lost.length + report.half.length + report.failures.length === 0 ? 0 : 1);
