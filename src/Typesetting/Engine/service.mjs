// The typesetting service: answers on a socket in a folder that is the user's alone. Each document in use has a process
// that is kept warm; when all are taken, documents wait in line, the first that came first. Processes that take too long
// or too much are ended. Whoever does not want to wait so long is told so, and finds what came of it by asking again.
// Ends itself when nobody asks for long, or when its socket is taken away.
// usage: node service.mjs SOCKET [SECONDS that one document may take]
import { fork } from "node:child_process";
import { createHash } from "node:crypto";
import { chmodSync, readFileSync, rmSync, statSync } from "node:fs";
import { createServer } from "node:net";
import { totalmem } from "node:os";
import { frame, onMessages } from "./frames.mjs";

const MOST = 512 * 1024 * 1024;
/** For one document, once it is at work. */
const SECONDS = Number(process.argv[3] ?? 90);
const MEGABYTES = 3072;
/** A process that holds more is not kept for the next request. */
const MEGABYTES_KEPT = 1536;
/** All processes together; one alone may have what it may have. */
const MEGABYTES_ALL = Math.max(2048, Math.min(4608, (totalmem() / 1e6) * 0.6));
/** Less than this left over, and no other process is started. */
const MEGABYTES_FREE = 512;
const MOST_WARM = 3;
const IDLE_SECONDS = 300;
/** Whoever was told what lacks brings it within this time; so long the process is not given to another. */
const ROUND_SECONDS = 10;
/** What came of a request is kept for whoever was told to ask again. */
const RESULT_SECONDS = 60;
/** So long a document that took too much is not tried again as it was (decision 20). */
const LIMIT_SECONDS = 300;
const [socketPath] = process.argv.slice(2);

const documents = new Map();
/** Documents without a process, in the order in which they came. */
let line = [];
let lastAsked = Date.now();

const megabytesOf = (pid) => {
  try {
    return (Number(readFileSync(`/proc/${pid}/statm`, "utf8").split(" ")[1]) * 4096) / 1e6;
  } catch {
    return 0;
  }
};

/** Two requests of the same pages are one. */
const identityOf = ({ look, main, sections, pdf }) =>
  createHash("sha1")
    .update(JSON.stringify([look, main, sections, pdf]))
    .digest("hex");

class Job {
  asking = 0;
  /** When it was done (milliseconds). */
  doneAt = 0;

  constructor(request, identity) {
    this.request = request;
    this.identity = identity;
    this.done = new Promise((resolve) => {
      this.settle = (message) => {
        this.doneAt = Date.now();
        resolve(message);
      };
    });
  }
}

/** A document: what its process has been sent, or will have before it comes to the last job, and what is asked of it. */
class Document {
  #child = null;
  #isReady = false;
  #isOverLimit = false;
  #keys = new Map();
  #pictures = new Set();
  #shown = new Map();
  /** What was brought while something still lacked: sources by their section and key, pictures by their hash. */
  #brought = { sources: {}, keys: {}, pictures: {} };
  #waiting = [];
  #current = null;
  #startedAt = 0;
  #expectedUntil = 0;
  #done = new Map();
  /** How much simpler it must be than it was when it took too much, and until when that is remembered (milliseconds). */
  #simplified = 0;
  #simplifiedUntil = 0;
  used = Date.now();

  constructor(name) {
    this.name = name;
  }

  get hasProcess() {
    return this.#child !== null;
  }

  get isWanted() {
    return this.#waiting.length > 0;
  }

  get isBusy() {
    return this.#current !== null || this.isWanted || Date.now() < this.#expectedUntil;
  }

  get megabytes() {
    return this.#child === null ? 0 : megabytesOf(this.#child.pid);
  }

  /** Since when it works on what it works on (milliseconds); 0 when it does not. */
  get workingSince() {
    return this.#current === null ? 0 : this.#startedAt;
  }

  get isForgotten() {
    const until = Math.max(this.#expectedUntil, this.#simplifiedUntil);
    return !this.hasProcess && !this.isWanted && this.#done.size === 0 && Date.now() > until;
  }

  tookTooMuch({ simplified = 0, isAfresh }) {
    if (isAfresh || Date.now() > this.#simplifiedUntil) this.#simplified = 0;
    return simplified < this.#simplified;
  }

  /** The same request, at work or done for one who was told to ask again. */
  find(identity) {
    const found = [this.#current, ...this.#waiting, this.#done.get(identity)].find((job) => job?.identity === identity);
    this.#done.delete(identity);
    return found;
  }

  /** Ids of sections and hashes of pictures that nobody has sent; null when all is there. */
  lacks(request) {
    const brought = this.#brought;
    for (const [id, source] of Object.entries(request.sources ?? {})) {
      brought.sources[id] = source;
      brought.keys[id] = request.sections[id];
    }
    Object.assign(brought.pictures, request.pictures);
    const sections = [];
    const pictures = new Set();
    for (const [id, key] of Object.entries(request.sections)) {
      const source = brought.keys[id] === key ? brought.sources[id] : undefined;
      if (source === undefined && this.#keys.get(id) !== key) {
        sections.push(id);
        continue;
      }
      for (const hash of source?.[1] ?? this.#shown.get(id) ?? []) {
        if (!this.#pictures.has(hash) && brought.pictures[hash] === undefined) pictures.add(hash);
      }
    }
    if (sections.length === 0 && pictures.size === 0) return null;
    this.#expectedUntil = Date.now() + ROUND_SECONDS * 1000;
    return { sections, pictures: [...pictures] };
  }

  add(request, identity) {
    this.used = Date.now();
    this.#expectedUntil = 0;
    const brought = this.#brought;
    this.#brought = { sources: {}, keys: {}, pictures: {} };
    for (const [id, [, shown]] of Object.entries(brought.sources)) this.#shown.set(id, shown);
    for (const hash of Object.keys(brought.pictures)) this.#pictures.add(hash);
    this.#keys = new Map(Object.entries(request.sections));
    // What nobody waits for any more need not be set; what it brought is needed still.
    const given = this.#waiting.filter(({ asking }) => asking === 0);
    this.#waiting = this.#waiting.filter(({ asking }) => asking > 0);
    const before = given.map((job) => job.request);
    const job = new Job(
      {
        ...request,
        sources: Object.assign({}, ...before.map(({ sources }) => sources), brought.sources),
        pictures: Object.assign({}, ...before.map(({ pictures }) => pictures), brought.pictures),
      },
      identity,
    );
    for (const each of given) each.settle({ again: true });
    this.#waiting.push(job);
    return job;
  }

  start() {
    this.#isReady = false;
    this.#isOverLimit = false;
    const child = fork(new URL("./worker.mjs", import.meta.url), {
      stdio: ["ignore", "ignore", "ignore", "ipc"],
      serialization: "advanced",
    });
    this.#child = child;
    child.on("message", (message) => {
      if (message.ready) this.#isReady = true;
      else this.#settle(message);
      schedule();
    });
    child.on("exit", () => {
      if (this.#child === child) this.#lost(this.#isOverLimit ? { failed: "limit" } : { again: true });
      schedule();
    });
  }

  next() {
    if (!this.#isReady || this.#current !== null || this.#waiting.length === 0) return;
    this.#current = this.#waiting.shift();
    this.#startedAt = Date.now();
    this.#child.send(this.#current.request);
  }

  /** Whoever waits for it asks again. */
  end() {
    const child = this.#child;
    this.#lost({ again: true });
    child?.kill("SIGKILL");
  }

  watch() {
    for (const [identity, { doneAt }] of this.#done) {
      if (Date.now() - doneAt > RESULT_SECONDS * 1000) this.#done.delete(identity);
    }
    if (this.#current === null) return;
    if (Date.now() - this.#startedAt < SECONDS * 1000 && this.megabytes < MEGABYTES) return;
    this.#isOverLimit = true;
    this.#simplified = (this.#current.request.simplified ?? 0) + 1;
    this.#simplifiedUntil = Date.now() + LIMIT_SECONDS * 1000;
    this.#child.kill("SIGKILL");
  }

  #lost(message) {
    const jobs = this.#waiting;
    this.#child = null;
    this.#isReady = false;
    this.#waiting = [];
    this.#keys = new Map();
    this.#shown = new Map();
    this.#pictures = new Set();
    this.#brought = { sources: {}, keys: {}, pictures: {} };
    this.#settle(message);
    for (const job of jobs) job.settle({ again: true });
  }

  #settle(message) {
    const job = this.#current;
    if (job === null) return;
    this.#current = null;
    if (job.asking === 0) this.#done.set(job.identity, job);
    job.settle(message);
    const isWantedByOthers = line.some((each) => each !== this && each.isWanted);
    // Everybody has a turn; and nothing is kept that is asked for once, or holds too much.
    if (
      this.hasProcess &&
      ((isWantedByOthers && this.isWanted) ||
        (!this.isWanted && (job.request.isFleeting || this.megabytes > MEGABYTES_KEPT)))
    )
      this.end();
  }
}

/** Whether one more process may be started; one that nobody needs just now makes room for it. */
function makesRoom() {
  const warm = [...documents.values()].filter((each) => each.hasProcess);
  const idle = warm.filter((each) => !each.isBusy).sort((a, b) => a.used - b.used);
  const held = () => warm.reduce((sum, each) => sum + each.megabytes, 0);
  let count = warm.length;
  while (count > 0 && (count >= MOST_WARM || held() > MEGABYTES_ALL - MEGABYTES_FREE)) {
    const oldest = idle.shift();
    if (oldest === undefined) return false;
    oldest.end();
    count--;
  }
  return true;
}

function schedule() {
  for (const each of documents.values()) each.next();
  line = line.filter((each) => each.isWanted && !each.hasProcess);
  while (line.length > 0 && makesRoom()) line.shift().start();
}

/** All together must not hold too much: the last that began waits once more. */
function watch() {
  for (const each of documents.values()) {
    each.watch();
    if (each.isForgotten) documents.delete(each.name);
  }
  const working = [...documents.values()].filter((each) => each.workingSince > 0);
  const held = [...documents.values()].reduce((sum, each) => sum + each.megabytes, 0);
  if (working.length > 1 && held > MEGABYTES_ALL) {
    working.sort((a, b) => b.workingSince - a.workingSince)[0].end();
  }
  schedule();
}

async function answerTo(request) {
  if (!documents.has(request.document)) documents.set(request.document, new Document(request.document));
  const document = documents.get(request.document);
  if (document.tookTooMuch(request)) return { failed: "limit", isRemembered: true };
  const identity = identityOf(request);
  let job = document.find(identity);
  if (job === undefined) {
    const missing = document.lacks(request);
    if (missing !== null) return { missing };
    job = document.add(request, identity);
    if (!document.hasProcess && !line.includes(document)) line.push(document);
    schedule();
  }
  job.asking++;
  let timer;
  const late = new Promise((resolve) => {
    timer = setTimeout(resolve, Math.min(request.patience ?? SECONDS, 3600) * 1000, null);
  });
  const message = await Promise.race([job.done, late]);
  clearTimeout(timer);
  job.asking--;
  return message ?? { waiting: Math.max(0, line.indexOf(document) + 1) };
}

const server = createServer((connection) => {
  connection.on("error", () => connection.destroy());
  onMessages(connection, MOST, async (request) => {
    lastAsked = Date.now();
    const { pdf, ...json } = await answerTo(request);
    connection.write(frame(json, pdf === undefined ? undefined : Buffer.from(pdf, "base64")));
  });
});

/** Another service may have taken the place of this one. */
const socketNow = () => statSync(socketPath, { throwIfNoEntry: false })?.ino;
let ownSocket;
rmSync(socketPath, { force: true });
server.listen(socketPath, () => {
  chmodSync(socketPath, 0o600);
  ownSocket = socketNow();
});
setInterval(watch, 500);
setInterval(() => {
  const isUnused = Date.now() - lastAsked > IDLE_SECONDS * 1000;
  const isOwn = socketNow() === ownSocket;
  if (!isUnused && isOwn) return;
  for (const each of documents.values()) each.end();
  if (isOwn) rmSync(socketPath, { force: true });
  process.exit();
}, 2000);
