// Sends so many requests that no screen would send, and counts the answers of 500 and above. The same seed sends the same.
// usage: requests.mjs ADDRESS COUNT SEED
const [address, count, seed] = [process.argv[2], Number(process.argv[3]), Number(process.argv[4])];

let state = seed >>> 0 || 1;
/** A small generator of whole numbers below a limit (xorshift, G. Marsaglia 2003). */
function below(limit) {
  state ^= state << 13;
  state ^= state >>> 17;
  state ^= state << 5;
  return (state >>> 0) % limit;
}
const pick = (list) => list[below(list.length)];

/** The disk may be full at this moment. */
async function insist(path, body) {
  for (;;) {
    const answer = await fetch(address + path, body === undefined ? {} : { method: "POST", body });
    if (answer.ok) return answer.json();
    await new Promise((done) => setTimeout(done, 100));
  }
}

const made = await insist("/api/documents/import?name=x.md", "# A\n\nwords [b](#b)\n\n## B\n\n- one\n- two\n\n# C\n");
const other = await insist("/api/documents/import?name=y.md", "# D\n");
const skeleton = await insist(`/api/documents/${made.id}`);
const ids = [...skeleton.outline.ids, "zzzzzzzzzzzz", "", "A", "aaaaaaaaaaaa'--"];

const NAMES = ["promote", "demote", "set-level", "move", "move-up", "move-down", "split", "join", "make-heading", "make-headings", "take-as-title", "put-title-in-text", "split-by-rule", "use-numbering", "insert", "rename", "replace-body", "duplicate", "delete", "set-aside", "bring-back", "set-text-aside", "discard", "describe-section", "describe-document", "generate-contents", "refresh-contents", "batch", "nonsense", ""];
const FIELDS = ["sections", "section", "extent", "level", "landing", "target", "from", "to", "blocks", "block", "lines", "part", "rule", "words", "numbering", "heading", "body", "offcut", "at", "title", "subtitle", "author", "language", "guidingStatement", "aim", "marker", "numbered", "appendix", "inContents", "numbers", "operations", "name", "baseRevision", "operation", "state", "weeks", "html", "other", "moves", "expression", "keys", "position", "starter"];
const ODD = [null, true, false, 0, 1, -1, 2 ** 31, 2 ** 53, 1e300, 0.5, "", "x", "\u0000", "\uD800", "x".repeat(9000), [], {}, [[]], [{}], [null], { type: "paragraph" }, [{ type: "paragraph", content: [{ type: "text", text: "words" }] }], [{ type: "text", text: "\u0001" }], [{ type: "figure", attrs: { src: "data:image/bmp;base64,AA", alt: "" } }], [{ type: "bulletList", content: [] }], "heading-only", "branch", "inside", "after", "2!", "9^9^9", "before", "title", "words"];

function value(depth) {
  const kind = below(6);
  if (kind === 0) return pick(ids);
  if (kind === 1) return [pick(ids), pick(ids)];
  if (kind === 2 && depth < 3) return object(depth + 1);
  if (kind === 3 && depth < 3) return [object(depth + 1), object(depth + 1)];
  return pick(ODD);
}

function object(depth) {
  const result = { name: pick(NAMES) };
  for (let fields = below(6); fields > 0; fields -= 1) result[pick(FIELDS)] = value(depth);
  return result;
}

function body(revision) {
  switch (below(8)) {
    case 0:
      return "{ no json";
    case 1:
      return Buffer.from(Array.from({ length: below(200) }, () => below(256)));
    case 2:
      return JSON.stringify(value(0));
    case 3:
      return "[".repeat(below(5000));
    default:
      return JSON.stringify({ baseRevision: pick([revision, revision, revision, 0, -1, 1e9, "1", null]), operation: object(0), ...object(1) });
  }
}

const document = () => `/api/documents/${encodeURIComponent(pick([made.id, made.id, made.id, other.id, "zzzzzzzzzzzz", "%00", "../x"]))}`;
const READ = ["", "/history", "/history/comparison?from=0", "/history/milestones", "/counts", "/places", "/findings", "/offcuts", "/export?format=md", "/export?format=xx", "/texts?sections=,,a,%00", "/changes?since=x", "/likely-headings"];
const POSTED = ["/operations", "/operations", "/operations", "/operations", "/operations", "/operations", "/rehearsals", "/previews", "/undo", "/redo", "/paste", "/transfer", "/history/return", "/history/milestones", "/starter", "/import?name=x.md&landing=inside&target=a&baseRevision=1"];
const PUT = ["/history/rule", "/resume-point"];
const ELSEWHERE = ["/api/documents", "/api/calculations", "/api/keys", "/api/starters", "/api/removed-documents", "/api/nothing", "/api/documents/import?name=%00", "/api/documents/import?name=x.docx", "/", "/documents/x", "/%ff"];

/** Mostly what the address is for, now and then another method. */
function request() {
  const kind = below(12);
  if (kind === 0) return [pick(["GET", "POST", "PUT", "DELETE", "PATCH"]), below(2) === 0 ? pick(ELSEWHERE) : document() + pick([...READ, ...POSTED, ...PUT])];
  if (kind === 1) return ["POST", pick(ELSEWHERE)];
  if (kind < 4) return ["GET", document() + pick(READ)];
  if (kind === 4) return ["PUT", document() + pick(PUT)];
  return ["POST", document() + pick(POSTED)];
}

/** A language as somebody might write it: by the grammar of BCP 47, and past its bounds. */
function language() {
  const subtag = () => pick(["u", "x", "t", "nu", "zzzz", "Latn", "Hant", "GB", "419", "a".repeat(1 + below(12)), String(below(10_000)), "1".repeat(below(9)), "ä", "*", ""]);
  const first = pick(["en", "de", "zh", "x", "i", "sgn", "root", "art", "qaa", "e", "", "EN", "en_US", "a".repeat(below(200))]);
  return [first, ...Array.from({ length: pick([0, 1, 2, 3, 40]) }, subtag)].join(pick(["-", "-", "-", "_"]));
}

/** The head of a picture that says of itself whatever it likes (PNG 11.2.2, GIF89a 18, JPEG B.2.2, a drawing). */
function picture() {
  const size = () => pick([0, 1, 2, 100, 7745, 7746, 60_000, 65_535, 2 ** 31 - 1, 2 ** 31, 2 ** 32 - 1]);
  const [wide, high] = [size(), size()];
  const noise = Buffer.from(Array.from({ length: below(300) }, () => below(256)));
  switch (below(4)) {
    case 0: {
      const head = Buffer.alloc(25);
      head.writeUInt32BE(13, 0);
      head.write("IHDR", 4);
      head.writeUInt32BE(wide, 8);
      head.writeUInt32BE(high, 12);
      head.set([pick([1, 8, 16, 255]), below(7), 0, 0, 0], 16);
      return Buffer.concat([Buffer.from("\x89PNG\r\n\x1a\n", "latin1"), head, noise]);
    }
    case 1:
      return Buffer.concat([Buffer.from("GIF89a"), Buffer.from([wide & 255, (wide >> 8) & 255, high & 255, (high >> 8) & 255]), noise]);
    case 2:
      return Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, (high >> 8) & 255, high & 255, (wide >> 8) & 255, wide & 255]), noise]);
    default:
      return Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${pick([high, "100%", "-1", "1e400", "NaN"])}">${pick(["<g>".repeat(below(9000)), "<rect/>", '<filter id="f"/>', "<script>1</script>", '<image href="file:///etc/passwd"/>'])}${pick(["</svg>", ""])}`);
  }
}

/** A pattern by the grammar of patterns: parts, repeated, in one another, next to one another. */
function pattern(depth = 0) {
  const parts = Array.from({ length: 1 + below(3) }, () => {
    const part = depth < 4 && below(2) === 0 ? `(${pick(["", "?:", "?=", "?!", "?<=", "?>", "?<n>", "?R", "*FAIL"])}${pattern(depth + 1)})` : pick(["a", "word", ".", "\\w", "\\b", "^", "$", "[a-z]", "[^", "\\1", "\\p{L}", "\\X", "\\K", "é", "(", ")", "\\", "|", "#", "/", "\u0000"]);
    return part + pick(["", "", "+", "*", "?", "+?", "*+", "{2,}", "{0,65536}", "{1000}"]);
  });
  return parts.join(pick(["", "|"]));
}

/** Kinds of requests that have broken something once: languages, sizes of pictures, patterns. */
function special() {
  const at = document();
  switch (below(4)) {
    case 0:
      return ["POST", `${at}/operations`, JSON.stringify({ baseRevision: revision, operation: { name: "describe-document", language: language() } })];
    case 1:
      return ["POST", `${at}/pictures`, picture()];
    case 2:
      return ["POST", `${at}/find`, JSON.stringify({ query: { words: pattern().slice(0, 500), mode: "pattern", caseMatters: below(2) === 0, wholeWords: below(2) === 0 }, offcuts: true })];
    default:
      return ["GET", at + pick(["/export?format=html", "/export?format=docx", "/export?format=md", "/pages", "/findings", "/counts"])];
  }
}

const failures = [];
const statuses = {};
let slowest = 0;
let revision = skeleton.revision;
for (let sent = 0; sent < count; sent += 1) {
  const [method, to, given] = below(4) === 0 ? special() : request();
  // The documents stay; all else may be tried.
  if (method === "DELETE" && /^\/api\/documents\/[a-z0-9]+$/.test(to)) continue;
  const sending = method === "GET" ? undefined : (given ?? body(revision));
  const began = performance.now();
  const answer = await fetch(address + to, { method, body: sending, headers: { "Content-Type": pick(["application/json", "text/plain", ""]) } });
  const text = await answer.text();
  statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
  slowest = Math.max(slowest, performance.now() - began);
  // What does not fit on a disk is said to be so (RFC 4918, 11.5).
  if (answer.status >= 500 && answer.status !== 507) failures.push(`${method} ${to}: ${answer.status} ${String(sending).slice(0, 400)}`);
  if (answer.ok && text.startsWith('{"previousRevision"') && to.includes(made.id)) revision = JSON.parse(text).revision;
  // One that does not know the revision any more would be refused for that alone.
  if (answer.status === 409 && to.includes(made.id)) revision = JSON.parse(text).changes?.revision ?? revision;
}
const still = await fetch(`${address}/api/documents/${made.id}`);
console.log(JSON.stringify({ statuses, failures: failures.slice(0, 5), failed: failures.length, opens: still.ok, slowest: Math.round(slowest) }));
