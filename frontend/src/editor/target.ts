import { targets } from "../generated/body-schema.json";

/** Where a link leads: a place in the document, named by its id, or an address outside it. */
export type Target = { kind: "section" | "bookmark"; id: string } | { kind: "outside"; address: string };

const INSIDE = new RegExp(`^(section|bookmark):(${targets.id})$`);
const SCHEME = /^\s*([^/?#]*?):/;
// Code points that no address holds, and no keyboard types.
// oxlint-disable-next-line no-control-regex
const CONTROLS = /[\u0000-\u001f]/;

/** Null for what is no address: the rule is the core's LinkTarget, which refuses the same. */
export function readTarget(address: string): Target | null {
  const inside = INSIDE.exec(address);
  if (inside) return { kind: inside[1] as "section" | "bookmark", id: inside[2] ?? "" };
  const scheme = SCHEME.exec(address)?.[1]?.toLowerCase();
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

/** What a writer typed as an address of the web or of mail, made whole: most leave out how it begins. */
export function completed(typed: string): string {
  const address = typed.trim();
  if (/^[a-z][a-z0-9+.-]*:/i.test(address)) return address;
  return address.includes("@") && !address.includes("/") ? `mailto:${address}` : `https://${address}`;
}
