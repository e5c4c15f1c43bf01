import { branchEnd, levelAt, type Outline } from "./outline";

/** The part of a document that is worked on: some branches, or the texts of some sections alone. */
export type Scope = { readonly heads: readonly string[]; readonly extent: "branch" | "heading-only" };

type Run = readonly [from: number, to: number];
type Positions = ReadonlyMap<string, number>;

/** The stretches of the outline that belong to it, in order, none in another. */
export function runsOf(outline: Outline, positions: Positions, { heads, extent }: Scope): Run[] {
  const runs: [number, number][] = [];
  const starts = heads.flatMap((id) => positions.get(id) ?? []).toSorted((one, other) => one - other);
  for (const from of starts) {
    const to = extent === "branch" ? branchEnd(outline, from) : from + 1;
    const last = runs.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else runs.push([from, to]);
  }
  return runs;
}

export function isInRuns(runs: readonly Run[], position: number): boolean {
  return runs.some(([from, to]) => position >= from && position < to);
}

/** Whether a section belongs to what is shown, which is the whole when nothing is said. */
export function isInScope(outline: Outline, positions: Positions, scope: Scope | null, section: string): boolean {
  const position = positions.get(section);
  return scope === null || (position !== undefined && isInRuns(runsOf(outline, positions, scope), position));
}

/** The next part of the same kind or the one before: of a branch, the next that is not under it; null at the ends. */
export function alongside(outline: Outline, positions: Positions, scope: Scope, by: 1 | -1): Scope | null {
  const runs = runsOf(outline, positions, scope);
  const [first, last] = [runs[0], runs.at(-1)];
  if (!first || !last) return null;
  const at = by === 1 ? last[1] : before(outline, first[0], scope.extent);
  const id = outline.ids[at];
  return id === undefined ? null : { ...scope, heads: [id] };
}

/** Of a branch, the sibling before it; where there is none, the section before it. */
function before(outline: Outline, from: number, extent: Scope["extent"]): number {
  if (extent === "heading-only" || from === 0) return from - 1;
  const level = levelAt(outline, from);
  for (let at = from - 1; at >= 0; at--) {
    if (levelAt(outline, at) === level) return at;
    if (levelAt(outline, at) < level) break;
  }
  return from - 1;
}

/** Sections that have just been made beside those that are worked on belong to them. */
export function withMade(scope: Scope, before: Positions, after: Outline, positions: Positions): Scope {
  const made: string[] = [];
  const runs = runsOf(after, positions, scope);
  after.ids.forEach((id, at) => {
    if (before.has(id) || isInRuns(runs, at)) return;
    const isBeside = isInRuns(runs, at - 1) || isInRuns(runs, at + 1) || made.at(-1) === after.ids[at - 1];
    if (isBeside) made.push(id);
  });
  return made.length === 0 ? scope : { ...scope, heads: [...scope.heads, ...made] };
}
