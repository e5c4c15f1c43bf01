import type { Finding } from "../api/client";
import { useSession } from "../document/context";
import { sectionName } from "../document/section-name";

/** Those that are about the whole, whichever section they are told at. */
const OF_THE_WHOLE = new Set(["no-title", "missing-part"]);

/** What was found, and where: the name leads to the place. */
export function FindingLine({ finding }: { finding: Finding }) {
  const session = useSession("FindingLine");
  const { section, rule } = finding;
  return (
    <>
      {section !== null && !OF_THE_WHOLE.has(rule) && (
        <button
          type="button"
          className="block rounded text-left font-medium hover:text-stem hover:underline"
          onClick={() => session.navigation.goTo({ section })}
        >
          {sectionName(session.state, section)}
        </button>
      )}
      <p>{finding.message}</p>
      {rule === "long-quotation" && section !== null && (
        <button
          type="button"
          className="rounded font-semibold text-stem underline underline-offset-4"
          onClick={() => void session.changes.perform({ name: "set-off-quotations", section })}
        >
          Set it off
        </button>
      )}
    </>
  );
}
