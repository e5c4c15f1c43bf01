/** How a field that is written in looks; how wide it is and what stands around it is said beside it. */
export const FIELD = "rounded-lg border border-line bg-paper px-3 py-1.5 text-ink";
/** One that is as wide as what it stands in, under its label. */
export const WIDE_FIELD = `mt-1 block w-full ${FIELD}`;
