export const MARKERS = ["bud", "leaf", "thorn", "berry", "frost"] as const;
export type MarkerName = (typeof MARKERS)[number];

/** Each has a shape of its own, so that colour alone never tells them apart. */
const SHAPES: Record<MarkerName, { path: string; tone: string; filled: boolean }> = {
  bud: { path: "M8 2.5C11 5.5 11 9 8 13.5C5 9 5 5.5 8 2.5Z", tone: "text-stem", filled: false },
  leaf: { path: "M3 13C3 6 7 3 13.5 2.5C13 9 10 13 3 13ZM3 13L9 7", tone: "text-stem", filled: true },
  thorn: { path: "M3 13.5L13.5 13.5L11 2.5C9.5 8 7 11.5 3 13.5Z", tone: "text-ochre", filled: true },
  berry: { path: "M8 4.5a4.6 4.6 0 1 0 .01 0ZM8 4.5L11 1.5", tone: "text-loss", filled: true },
  frost: { path: "M8 2V14M2.8 5L13.2 11M13.2 5L2.8 11", tone: "text-soft", filled: false },
};

export function isMarker(name: string): name is MarkerName {
  return name in SHAPES;
}

/** What a marker is called: by what it stands for, once the writer has said that. */
export const markerCalled = (name: MarkerName, words: Readonly<Record<string, string>>): string =>
  words[name] ?? `${name} marker`;

export function MarkerSign({
  name,
  words = {},
  size = 13,
}: {
  name: MarkerName;
  words?: Readonly<Record<string, string>>;
  size?: number;
}) {
  const { path, tone, filled } = SHAPES[name];
  return (
    <svg
      role="img"
      aria-label={markerCalled(name, words)}
      width={size}
      height={size}
      viewBox="0 0 16 16"
      className={tone}
      stroke="currentColor"
      strokeWidth="1.6"
      strokeLinecap="round"
      strokeLinejoin="round"
      fill={filled ? "currentColor" : "none"}
    >
      <title>{markerCalled(name, words)}</title>
      <path d={path} />
    </svg>
  );
}
