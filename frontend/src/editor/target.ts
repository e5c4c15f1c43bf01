import { targets } from "../generated/body-schema.json";

/** Where a link leads: a place in the document, named by its id, or an address outside it. */
export type Target = { kind: "section" | "bookmark"; id: string } | { kind: "outside"; address: string };

const INSIDE = new RegExp(`^(section|bookmark):(${targets.id})$`);
const KEPT = new RegExp(`^${targets.kept}$`);
const SCHEME = /^\s*([^/?#]*?):/;
// Code points that no address holds, and no keyboard types.
// oxlint-disable-next-line no-control-regex
const CONTROLS = /[\u0000-\u001f]/;

/** Null for what is no address: the rule is the core's LinkTarget, which refuses the same. */
export function readTarget(address: string): Target | null {
  const inside = INSIDE.exec(address);
  if (inside) return { kind: inside[1] as "section" | "bookmark", id: inside[2] ?? "" };
  const scheme = SCHEME.exec(address)?.[1]?.toLowerCase();
  if (scheme === "kept") return KEPT.test(address) ? { kind: "outside", address } : null;
  const isSound =
    address !== "" &&
    new TextEncoder().encode(address).length <= targets.mostBytes &&
    !CONTROLS.test(address) &&
    (scheme === undefined || targets.schemes.includes(scheme));
  return isSound ? { kind: "outside", address } : null;
}

/** The id of the section or bookmark meant; null for an address outside. */
export function innerId(address: string): string | null {
  const target = readTarget(address);
  return target !== null && target.kind !== "outside" ? target.id : null;
}

/** The file kept with the document that an address names, and where it is downloaded from; null for any other. */
export function keptFile(address: string): { name: string; url: string } | null {
  const [, hash, name] = KEPT.exec(address) ?? [];
  return hash === undefined || name === undefined
    ? null
    : { name: decodeURIComponent(name), url: `/api/files/${hash}/${name}` };
}

/** What a writer typed as an address of the web or of mail, made whole: most leave out how it begins. */
export function completed(typed: string): string {
  const address = typed.trim();
  if (/^[a-z][a-z0-9+.-]*:/i.test(address)) return address;
  return address.includes("@") && !address.includes("/") ? `mailto:${address}` : `https://${address}`;
}
