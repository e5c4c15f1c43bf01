// One client of a race: does one thing over and over for so many seconds, and reports in JSON what was acknowledged.
// usage: racing-client.mjs ADDRESS DOCUMENT OTHER WHAT SECONDS [SEED]; WHAT is “any-write” or “any-tidying” for all of a kind
const [address, here, other, what, seconds, seed = "1"] = process.argv.slice(2);
const report = { inserted: [], revisions: {}, failures: [], done: 0, did: {}, milestones: [], copies: [] };
let state = Number(seed) >>> 0 || 1;
/** A small generator of whole numbers below a limit (xorshift, G. Marsaglia 2003). */
function below(limit) {
  state ^= state << 13;
  state ^= state >>> 17;
  state ^= state << 5;
  return (state >>> 0) % limit;
}

async function call(method, path, body) {
  const answer = await fetch(address + path, { method, headers: { "Content-Type": "application/json" }, body: typeof body === "string" ? body : JSON.stringify(body) });
  const text = await answer.text();
  if (answer.status >= 500) report.failures.push(`${method} ${path}: ${answer.status} ${text.slice(0, 200)}`);
  return { ok: answer.ok, ...(text.startsWith("{") ? JSON.parse(text) : text.startsWith("[") ? { list: JSON.parse(text) } : {}) };
}

/** Notes what was acknowledged: each revision of a document may be given once. */
function took(id, answer) {
  if (!answer?.ok) return;
  report.done += 1;
  if (answer.revision !== undefined && answer.revision !== answer.previousRevision) (report.revisions[id] ??= []).push(answer.revision);
}

/** What rests on everything is stale whenever the other client was quicker; a 409 tells the newer revision. */
async function onNewest(base, ask) {
  let answer = await ask(base);
  for (let tries = 0; tries < 20 && answer.reason === "stale"; tries += 1) answer = await ask(answer.changes.revision);
  return answer;
}

const path = `/api/documents/${here}`;
const doings = {
  async inserts({ base, ids, round }) {
    const heading = `Insert ${round}`;
    const operations = [
      { name: "rename", section: ids[0], heading },
      { name: "duplicate", sections: [ids[0]] },
    ];
    const answer = await call("POST", `${path}/operations`, { baseRevision: base, operation: { name: "batch", operations } });
    took(here, answer);
    if (answer.ok) report.inserted.push(heading);
    // A writer is not that quick, and the other client must come to its turn.
    await new Promise((done) => setTimeout(done, 10));
  },
  moves: (state) => transfer(state, state.ids.length > 3),
  copies: (state) => transfer(state, false),
  returns: (state) => goBack(state, {}),
  "brings-back": (state) => goBack(state, { section: state.ids.at(-1) }),
  undoes: async ({ base, round }) => took(here, await onNewest(base, (baseRevision) => call("POST", `${path}/${round % 2 ? "redo" : "undo"}`, { baseRevision }))),
  async "imports-into"({ base, ids, round }) {
    const answer = await onNewest(base, (revision) => call("POST", `${path}/import?name=x.md&landing=after&target=${ids.at(-1)}&baseRevision=${revision}`, `# From a file ${round}\n\ntext\n`));
    took(here, { ok: answer.ok, ...answer.outcome });
  },
  imports: async ({ round }) => took("", await call("POST", "/api/documents/import?name=x.md", `# From a file ${round}\n\ntext\n\n`.repeat(900))),
  "names-milestones": async ({ round }) => took("", await call("POST", `${path}/history/milestones`, { name: `Milestone ${round}` })),
  "keeps-resume-point": async ({ ids, round }) => took("", await call("PUT", `${path}/resume-point`, { section: ids[0], position: round })),
  async "removes-and-restores"() {
    await call("DELETE", `/api/documents/${other}`);
    took("", await call("POST", `/api/documents/${other}/restore`));
  },
  "keeps-starters": async ({ round }) => took("", await call("POST", `${path}/starter`, { name: `Starter ${round}` })),
};

/** All that changes the document itself. */
const writes = ["inserts", "moves", "copies", "returns", "brings-back", "undoes", "imports-into", "keeps-resume-point"];
/** All that puts in order what is kept, and leaves the text alone. */
const tidyings = {
  thins: async () => took("", await call("PUT", `${path}/history/rule`, { weeks: 4 + below(4) })),
  "keeps-all": async () => took("", await call("PUT", `${path}/history/rule`, { weeks: null })),
  "names-a-milestone": async ({ round }) => {
    const answer = await call("POST", `${path}/history/milestones`, { name: `Milestone ${round}` });
    took("", { ok: answer.ok });
    if (answer.ok) report.milestones.push(`Milestone ${round}`);
  },
  "takes-a-milestone-away": async () => {
    const list = (await call("GET", `${path}/history/milestones`)).list ?? [];
    const one = list[below(Math.max(1, list.length))];
    if (!one) return;
    took("", await call("DELETE", `${path}/history/milestones/${one.id}`));
    report.milestones = report.milestones.filter((name) => name !== one.name);
  },
  "copies-the-document": async () => {
    const answer = await call("POST", `${path}/copy`, {});
    took("", { ok: answer.ok });
    if (answer.ok) report.copies.push(answer.id);
  },
  "purges-a-copy": async () => {
    const id = report.copies.shift();
    if (!id) return;
    await call("DELETE", `/api/documents/${id}`);
    took("", await call("DELETE", `/api/removed-documents/${id}`));
  },
  "keeps-a-starter": doings["keeps-starters"],
};
doings["any-write"] = (now) => doings[pick(writes)](now);
doings["any-tidying"] = (now) => tidyings[pick(Object.keys(tidyings))](now);

function pick(ways) {
  const way = ways[below(ways.length)];
  report.did[way] = (report.did[way] ?? 0) + 1;
  return way;
}

async function transfer({ base, ids }, moves) {
  const answer = await onNewest(base, (baseRevision) => call("POST", `${path}/transfer`, { baseRevision, sections: [ids.at(-1)], other, landing: "after", moves }));
  took(here, { ok: answer.ok, ...answer.here });
}

async function goBack({ base }, only) {
  const history = await call("GET", `${path}/history`);
  const steps = (history.sittings ?? []).flat();
  const state = steps[Math.min(2, steps.length - 1)]?.id ?? 0;
  took(here, await onNewest(base, (baseRevision) => call("POST", `${path}/history/return`, { baseRevision, state, ...only })));
}

// On a busy machine it goes on until there was a race at all.
const until = Date.now() + Number(seconds) * 1000;
for (let round = 0; Date.now() < until || (report.done < 5 && Date.now() < until + 20_000); round += 1) {
  const now = await call("GET", path);
  if (now.ok) await doings[what]({ base: now.revision, ids: now.outline.ids, round });
}
console.log(JSON.stringify(report));
