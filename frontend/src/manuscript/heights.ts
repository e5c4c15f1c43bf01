/** How high the sections of a run stand: measured where they have been shown, guessed elsewhere (pixels). */
export class Heights {
  private readonly measured = new Map<string, number>();
  private tops: { ids: readonly string[]; tops: Float64Array } | null = null;

  constructor(private readonly guess: (id: string) => number) {}

  /** False when it is known already. */
  measure(id: string, height: number): boolean {
    if (Math.abs((this.measured.get(id) ?? -1) - height) < 0.5) return false;
    this.measured.set(id, height);
    this.tops = null;
    return true;
  }

  /** Guesses may be others from now on; so may the height of a section whose text has changed elsewhere. */
  forget(ids: Iterable<string> = []): void {
    for (const id of ids) this.measured.delete(id);
    this.tops = null;
  }

  of(id: string): number {
    return this.measured.get(id) ?? this.guess(id);
  }

  /** Where a section begins, below the first; the index after the last is the end of the run. */
  top(ids: readonly string[], index: number): number {
    return this.topsOf(ids)[Math.max(0, Math.min(index, ids.length))] ?? 0;
  }

  /** The section that stands at a height. */
  indexAt(ids: readonly string[], y: number): number {
    const tops = this.topsOf(ids);
    let low = 0;
    let high = ids.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((tops[middle] ?? 0) <= y) low = middle;
      else high = middle - 1;
    }
    return Math.max(0, low);
  }

  private topsOf(ids: readonly string[]): Float64Array {
    if (this.tops?.ids === ids) return this.tops.tops;
    const tops = new Float64Array(ids.length + 1);
    for (let index = 0; index < ids.length; index++) tops[index + 1] = (tops[index] ?? 0) + this.of(ids[index] ?? "");
    this.tops = { ids, tops };
    return tops;
  }
}

export type Range = { from: number; to: number };

/** In windows, beyond its edges: what must be shown, what is shown when something is missing, and what may stay. */
const LEAST = 1.2;
const NEAR = 3;
const FAR = 7;
/** A cursor that is left behind stays in the page as far as this. */
const HELD = 14;
/** Texts are read this far ahead, so that they are there when they are scrolled to. */
const AHEAD = 9;

type Frame = { top: number; height: number };

/**
 * Which sections are to be shown: those near the window, and those that the selection holds. While nothing is missing
 * nothing changes, so that scrolling to and fro builds nothing anew.
 *
 * @param shown the sections shown now, by index
 */
export function rangeAround(
  heights: Heights,
  ids: readonly string[],
  shown: Range,
  frame: Frame,
  held: Range | null,
): Range {
  if (ids.length === 0) return { from: 0, to: 0 };
  const least = within(heights, ids, frame, LEAST);
  const far = within(heights, ids, frame, FAR);
  const isEnough = shown.from <= least.from && shown.to >= least.to;
  const isTooMuch = shown.from < far.from || shown.to > far.to;
  const wanted = isEnough && !isTooMuch ? shown : grown(heights, ids, shown, frame, far);
  return held && held.to - held.from <= MOST_HELD && isNear(held, wanted, within(heights, ids, frame, HELD))
    ? { from: Math.min(wanted.from, held.from), to: Math.max(wanted.to, held.to) }
    : wanted;
}

/** The sections whose texts are to be there soon. */
export function rangeAhead(heights: Heights, ids: readonly string[], frame: Frame): Range {
  return ids.length === 0 ? { from: 0, to: 0 } : within(heights, ids, frame, AHEAD);
}

function grown(heights: Heights, ids: readonly string[], shown: Range, frame: Frame, far: Range): Range {
  const near = within(heights, ids, frame, NEAR);
  const isApart = shown.to <= far.from || shown.from >= far.to || shown.from >= shown.to;
  if (isApart) return near;
  return {
    from: Math.min(near.from, Math.max(shown.from, far.from)),
    to: Math.max(near.to, Math.min(shown.to, far.to)),
  };
}

function within(heights: Heights, ids: readonly string[], { top, height }: Frame, windows: number): Range {
  return {
    from: heights.indexAt(ids, top - windows * height),
    to: heights.indexAt(ids, top + (1 + windows) * height) + 1,
  };
}

/** A selection is shown whole up to this many sections. */
export const MOST_HELD = 600;

/** A selection is held while it reaches here, a cursor a little longer. Beyond that it is remembered (`ManuscriptEditor`). */
function isNear(held: Range, wanted: Range, around: Range): boolean {
  const { from, to } = held.to > held.from + 1 ? wanted : around;
  return held.from < to && held.to > from;
}
