// Parses pages as the HTML standard says (13.2, by parse5) and writes each as well-formed XML, for PHP to load as a tree.
// Speaks in frames on standard input and output: a length in four bytes, the highest first, then so many bytes of UTF-8.
import { html, Parser } from "parse5";

/** Elements deeper than this become neighbours, as browsers do it: no one nests so deep by hand. */
const DEEPEST = 400;
/** Deeper than this a container is left out around its content, and far deeper any element: reading on goes element by element. */
const DEEPEST_CONTAINER = 200;
const DEEPEST_ELEMENT = 1000;
/** PHP's library for XML compares each attribute of an element with all others. */
const MOST_ATTRIBUTES = 100;
const CONTAINERS = new Set(["div", "span", "section", "article", "font", "b", "i", "em", "strong", "u", "s", "small", "big", "blockquote", "ul", "ol", "li", "dl", "dd", "dt", "q", "sub", "sup"]);
const NAMESPACES = { [html.NS.SVG]: ' xmlns="http://www.w3.org/2000/svg"', [html.NS.MATHML]: ' xmlns="http://www.w3.org/1998/Math/MathML"', [html.NS.HTML]: ' xmlns=""' };
const NAME = /^[A-Za-z_][A-Za-z0-9_.-]*$/;
const PREFIXED = /^(?:xml|xlink|epub):[A-Za-z_][A-Za-z0-9_.-]*$/;
// What XML 1.0 (2.2) does not allow. Lone surrogates among it.
const NO_CHARACTER = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

class ShallowParser extends Parser {
  _insertElement(token, namespace) {
    super._insertElement(token, namespace);
    if (this.openElements.stackTop > DEEPEST && CONTAINERS.has(token.tagName)) this.openElements.pop();
  }
}

function escaped(text) {
  return text.replace(NO_CHARACTER, "").replace(/[&<>"\r]/g, (sign) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "\r": "&#13;" })[sign]);
}

function openingTag(element, parentNamespace) {
  const name = NAME.test(element.tagName) ? element.tagName : "span";
  let tag = `<${name}${element.namespaceURI === parentNamespace ? "" : (NAMESPACES[element.namespaceURI] ?? "")}`;
  const seen = new Set();
  for (const { name: bare, prefix, value } of element.attrs) {
    const name = prefix ? `${prefix}:${bare}` : bare;
    if (seen.size === MOST_ATTRIBUTES) break;
    if (seen.has(name) || name.startsWith("xmlns") || !(NAME.test(name) || PREFIXED.test(name))) continue;
    seen.add(name);
    tag += ` ${name}="${escaped(value)}"`;
  }
  return [tag, name];
}

function toXml(document) {
  const parts = [];
  // Each entry is a node with its depth and the namespace around it, or a closing tag.
  const ahead = [];
  const push = (nodes, depth, namespace) => {
    for (let at = nodes.length - 1; at >= 0; at -= 1) ahead.push([nodes[at], depth, namespace]);
  };
  push(document.childNodes, 0, html.NS.HTML);
  while (ahead.length > 0) {
    const next = ahead.pop();
    if (typeof next === "string") {
      parts.push(next);
      continue;
    }
    const [node, depth, namespace] = next;
    if (node.nodeName === "#text") parts.push(escaped(node.value));
    if (node.tagName === undefined || node.tagName === "template") continue;
    if ((depth > DEEPEST_CONTAINER && CONTAINERS.has(node.tagName)) || depth > DEEPEST_ELEMENT) {
      push(node.childNodes, depth, namespace);
      continue;
    }
    const [tag, name] = openingTag(node, namespace);
    const isRoot = depth === 0;
    parts.push(isRoot ? `${tag} xmlns:epub="http://www.idpf.org/2007/ops" xmlns:xlink="http://www.w3.org/1999/xlink">` : `${tag}>`);
    ahead.push(`</${name}>`);
    push(node.childNodes, depth + 1, node.namespaceURI);
  }
  return parts.join("");
}

function answer(page) {
  const xml = Buffer.from(`<?xml version="1.0" encoding="UTF-8"?>${toXml(ShallowParser.parse(page, { scriptingEnabled: false }))}`, "utf8");
  const length = Buffer.alloc(4);
  length.writeUInt32BE(xml.length);
  process.stdout.write(length);
  process.stdout.write(xml);
}

let waiting = [];
let have = 0;
process.stdin.on("data", (chunk) => {
  waiting.push(chunk);
  have += chunk.length;
  for (;;) {
    if (have < 4) return;
    if (waiting[0].length < 4) waiting = [Buffer.concat(waiting)];
    const length = waiting[0].readUInt32BE(0);
    if (have < 4 + length) return;
    const all = Buffer.concat(waiting);
    waiting = all.length > 4 + length ? [all.subarray(4 + length)] : [];
    have -= 4 + length;
    answer(all.toString("utf8", 4, 4 + length));
  }
});
process.stdin.on("end", () => process.exit(0));
