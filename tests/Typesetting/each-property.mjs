// Sets one document in many looks, and tells which of them print just what the first one prints.
// usage: each-property.mjs < {"main", "sources": {id: [source, pictures]}, "looks": {name: look}}
import { readFileSync } from "node:fs";
import { Press } from "../../src/Typesetting/Engine/press.mjs";

const { main, sources, looks } = JSON.parse(readFileSync(0, "utf8"));
const press = new Press();
const sections = Object.fromEntries(Object.keys(sources).map((id) => [id, id]));
press.take({ sections, sources });
const printed = (look) =>
  press.make({ sections, main, look, pdf: { standard: "tagged", created: 0 } }).pdf.toString("latin1");
const [[, usual], ...others] = Object.entries(looks);
const first = printed(usual);
console.log(JSON.stringify(others.filter(([, look]) => printed(look) === first).map(([name]) => name)));
