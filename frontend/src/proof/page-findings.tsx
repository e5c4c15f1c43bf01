import { usePages } from "../document/context";
import { counted } from "../parts/words";
import { FindingLine } from "../places/finding-line";

/** What these pages cannot show as it was meant; folded, so that they keep their room. */
export function PageFindings() {
  const findings = usePages("PageFindings", (state) => state.findings);
  if (findings.length === 0) return null;
  return (
    <details className="mt-1.5 text-ink">
      <summary className="cursor-pointer rounded border-l-2 border-ochre pl-3">
        {counted(findings.length, "finding")} on these pages
      </summary>
      <ul className="mt-1 max-h-40 space-y-1.5 overflow-auto">
        {findings.map((finding) => (
          <li key={`${finding.rule} ${finding.section} ${finding.message}`} className="border-l-2 border-ochre pl-3">
            <FindingLine finding={finding} />
          </li>
        ))}
      </ul>
    </details>
  );
}
