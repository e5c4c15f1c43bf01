// The typesetting service: answers on a socket in a folder that is the user's alone, keeps a warm process for each of the
// documents in use, and ends those that take too long or too much. Ends itself when nobody asks for long, or when its
// socket is taken away.
// usage: node service.mjs SOCKET
import { fork } from "node:child_process";
import { chmodSync, readFileSync, rmSync, statSync } from "node:fs";
import { createServer } from "node:net";
import { frame, onMessages } from "./frames.mjs";

const MOST = 512 * 1024 * 1024;
const SECONDS = 90;
const MEGABYTES = 3072;
/** A process that holds more is not kept for the next request. */
const MEGABYTES_KEPT = 1536;
const MOST_WARM = 3;
const IDLE_SECONDS = 300;
const [socketPath] = process.argv.slice(2);

/** By document: the process, what it works on, and who waits for that. */
const presses = new Map();
let lastAsked = Date.now();

const megabytesOf = (pid) => {
  try {
    return (Number(readFileSync(`/proc/${pid}/statm`, "utf8").split(" ")[1]) * 4096) / 1e6;
  } catch {
    return 0;
  }
};

class WarmPress {
  #child;
  #queue = [];
  #current = null;
  #isOverLimit = false;
  used = Date.now();

  constructor(name) {
    this.name = name;
    this.#start();
  }

  get isBusy() {
    return this.#current !== null;
  }

  ask(request) {
    this.used = Date.now();
    return new Promise((resolve) => {
      this.#queue.push({ request, resolve });
      this.#next();
    });
  }

  end() {
    this.#child.kill("SIGKILL");
  }

  #start() {
    this.ready = false;
    const child = fork(new URL("./worker.mjs", import.meta.url), {
      stdio: ["ignore", "ignore", "ignore", "ipc"],
      serialization: "advanced",
    });
    this.#child = child;
    child.on("message", (message) => {
      if (message.ready) {
        this.ready = true;
        this.#next();
        return;
      }
      this.#settle(message);
    });
    child.on("exit", () => {
      if (presses.get(this.name) === this) presses.delete(this.name);
      const waiting = this.#queue;
      this.#queue = [];
      this.#settle(this.#isOverLimit ? { failed: "limit" } : { again: true });
      for (const { resolve } of waiting) resolve({ again: true });
    });
  }

  #settle(message) {
    const current = this.#current;
    if (current === null) return;
    clearInterval(current.watch);
    this.#current = null;
    current.resolve(message);
    if (megabytesOf(this.#child.pid) > MEGABYTES_KEPT) {
      presses.delete(this.name);
      this.end();
    } else this.#next();
  }

  #next() {
    if (!this.ready || this.#current !== null || this.#queue.length === 0) return;
    const { request, resolve } = this.#queue.shift();
    const until = Date.now() + SECONDS * 1000;
    const watch = setInterval(() => {
      if (Date.now() < until && megabytesOf(this.#child.pid) < MEGABYTES) return;
      this.#isOverLimit = true;
      this.end();
    }, 500);
    this.#current = { resolve, watch };
    this.#child.send(request);
  }
}

function pressFor(name) {
  const kept = presses.get(name);
  if (kept !== undefined) return kept;
  const idle = [...presses.values()].filter((press) => !press.isBusy).sort((a, b) => a.used - b.used);
  while (presses.size >= MOST_WARM && idle.length > 0) {
    const oldest = idle.shift();
    presses.delete(oldest.name);
    oldest.end();
  }
  const press = new WarmPress(name);
  presses.set(name, press);
  return press;
}

const server = createServer((connection) => {
  connection.on("error", () => connection.destroy());
  onMessages(connection, MOST, async (request) => {
    lastAsked = Date.now();
    const message = await pressFor(request.document).ask(request);
    if (request.isFleeting && message.missing === undefined) {
      presses.get(request.document)?.end();
    }
    const { pdf, ...json } = message;
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
setInterval(() => {
  const isUnused = Date.now() - lastAsked > IDLE_SECONDS * 1000;
  const isOwn = socketNow() === ownSocket;
  if (!isUnused && isOwn) return;
  for (const press of presses.values()) press.end();
  if (isOwn) rmSync(socketPath, { force: true });
  process.exit();
}, 2000);
