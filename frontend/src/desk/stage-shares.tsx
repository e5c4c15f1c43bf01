import { STAGE_WORDS, STAGES } from "../parts/stage";

const TONES = { idea: "bg-line", drafted: "bg-twig/50", revised: "bg-twig", settled: "bg-stem" } as const;
const percent = new Intl.NumberFormat("en-GB", { style: "percent" });

/** How much of a document stands at each stage of writing; nothing while none of it does. */
export function StageShares({ words }: { words: Record<string, number> }) {
  const all = Object.values(words).reduce((sum, each) => sum + each, 0);
  const shares = STAGES.map((stage) => ({ stage, share: all === 0 ? 0 : (words[stage] ?? 0) / all })).filter(
    ({ share }) => share > 0,
  );
  if (shares.length === 0) return null;
  const summary = shares
    .map(({ stage, share }) => `${STAGE_WORDS[stage].toLowerCase()} ${percent.format(share)}`)
    .join(", ");
  return (
    <div
      role="img"
      aria-label={summary}
      title={summary}
      className="relative z-10 my-1 ml-auto flex h-1.5 w-24 gap-px overflow-hidden rounded-full bg-bed"
    >
      {shares.map(({ stage, share }) => (
        <span key={stage} className={TONES[stage]} style={{ width: `${share * 100}%` }} />
      ))}
    </div>
  );
}
