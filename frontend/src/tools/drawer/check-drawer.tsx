import { useSession } from "../../document/context";
import { sectionName } from "../../document/section-name";
import { Button } from "../../parts/button";
import { counted } from "../../parts/words";
import { openDialog } from "../../window/open-dialog";
import { useFindings } from "../../places/findings";

/** What the structure check reports. */
export function CheckDrawer() {
  const session = useSession("CheckDrawer");
  const findings = useFindings();
  if (!findings.data) return <p className="text-soft">{findings.error?.message ?? "Checking…"}</p>;
  return (
    <>
      <div className="mb-4 border-b border-line pb-4">
        <p className="mb-2 text-soft">Bold or large lines may be headings in disguise.</p>
        <Button onClick={() => openDialog({ kind: "likely-headings" })}>Review likely headings</Button>
      </div>
      {findings.data.length === 0 ? (
        <p className="text-soft">
          The structure is sound: a title, a first level, no level skipped, no heading without words.
        </p>
      ) : (
        <p className="mb-3 text-soft">{counted(findings.data.length, "finding")}</p>
      )}
      <ul className="space-y-3">
        {findings.data.map((finding) => {
          const { section } = finding;
          return (
            <li key={`${finding.rule} ${section} ${finding.message}`} className="border-l-2 border-ochre pl-3">
              {section !== null && finding.rule !== "no-title" && finding.rule !== "missing-part" && (
                <button
                  type="button"
                  className="block rounded text-left font-medium hover:text-stem hover:underline"
                  onClick={() => session.navigation.goTo({ section })}
                >
                  {sectionName(session.state, section)}
                </button>
              )}
              <p>{finding.message}</p>
              <p className="text-xs text-faint">{finding.source}</p>
            </li>
          );
        })}
      </ul>
    </>
  );
}
