import { usePages, useSession } from "../../document/context";
import { Button } from "../../parts/button";
import { counted } from "../../parts/words";
import { openDialog } from "../../window/open-dialog";
import { FindingLine } from "../../places/finding-line";
import { useFindings } from "../../places/findings";

/** What the structure check reports. */
export function CheckDrawer() {
  const onPages = usePages("CheckDrawer", (state) => state.findings);
  const hasPages = usePages("CheckDrawer", (state) => state.revision > 0);
  const findings = useFindings();
  const session = useSession("CheckDrawer");
  if (!findings.data) return <p className="text-soft">{findings.error?.message ?? "Checking…"}</p>;
  const all = [...findings.data, ...onPages];
  return (
    <>
      <div className="mb-4 border-b border-line pb-4">
        <p className="mb-2 text-soft">Bold or large lines may be headings in disguise.</p>
        <Button onClick={() => openDialog({ kind: "likely-headings" })}>Review likely headings</Button>
      </div>
      {all.length === 0 ? (
        <p className="text-soft">
          The structure is sound: a title, a first level, no level skipped, no heading without words.
        </p>
      ) : (
        <p className="mb-3 text-soft">{counted(all.length, "finding")}</p>
      )}
      {all.some(({ rule }) => rule === "shaped-by-hand") && (
        <div className="mb-4">
          <Button onClick={() => void session.changes.perform({ name: "clear-shapes" })}>
            Bring back all that is by hand
          </Button>
        </div>
      )}
      <ul className="space-y-3">
        {all.map((finding) => (
          <li key={`${finding.rule} ${finding.section} ${finding.message}`} className="border-l-2 border-ochre pl-3">
            <FindingLine finding={finding} />
            <p className="text-xs text-faint">{finding.source}</p>
          </li>
        ))}
      </ul>
      {!hasPages && <p className="mt-4 text-soft">What only pages show is found once Proof has set them.</p>}
    </>
  );
}
