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

const made = await (await fetch(`${address}/api/documents/import?name=x.md`, { method: "POST", body: "# A\n\nwords [b](#b)\n\n## B\n\n- one\n- two\n\n# C\n" })).json();
const other = await (await fetch(`${address}/api/documents/import?name=y.md`, { method: "POST", body: "# D\n" })).json();
const skeleton = await (await fetch(`${address}/api/documents/${made.id}`)).json();
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

const failures = [];
const statuses = {};
let revision = skeleton.revision;
for (let sent = 0; sent < count; sent += 1) {
  const [method, to] = request();
  // The documents stay; all else may be tried.
  if (method === "DELETE" && /^\/api\/documents\/[a-z0-9]+$/.test(to)) continue;
  const sending = method === "GET" ? undefined : body(revision);
  const answer = await fetch(address + to, { method, body: sending, headers: { "Content-Type": pick(["application/json", "text/plain", ""]) } });
  const text = await answer.text();
  statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
  if (answer.status >= 500) failures.push(`${method} ${to}: ${answer.status} ${String(sending).slice(0, 400)}`);
  if (answer.ok && text.startsWith('{"previousRevision"')) revision = JSON.parse(text).revision;
}
const still = await fetch(`${address}/api/documents/${made.id}`);
console.log(JSON.stringify({ statuses, failures: failures.slice(0, 5), failed: failures.length, opens: still.ok }));
