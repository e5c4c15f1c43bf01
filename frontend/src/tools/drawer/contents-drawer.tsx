import { useState } from "react";
import { useDocument, useSession, useWindow } from "../../document/context";
import { sectionName } from "../../document/section-name";
import { Button } from "../../parts/button";
import { ContentsDialog } from "../../manuscript/contents-dialog";

/** Makes contents, and tells which are behind the headings. */
export function ContentsDrawer() {
  const session = useSession("ContentsDrawer");
  const current = useWindow("ContentsDrawer", (state) => state.current);
  const stale = useDocument("ContentsDrawer", (state) => state.staleContents);
  const [asking, setAsking] = useState(false);
  const name = useDocument("ContentsDrawer", (state) => (current === null ? "" : sectionName(state, current)));
  return (
    <div className="space-y-4 text-soft">
      <p>
        Contents are collected from the headings and stand in the text as links. They survive in every file that is
        written.
      </p>
      <Button tone="stem" disabled={current === null} onClick={() => setAsking(true)}>
        Make contents…
      </Button>
      <p>They go to the end of “{name}”, where you are now.</p>
      {[...stale].map((section) => (
        <p key={section} className="border-l-2 border-ochre pl-3 text-ink">
          The contents in “{sectionName(session.state, section)}” are behind the headings.{" "}
          <button
            type="button"
            className="font-semibold text-stem underline underline-offset-4"
            onClick={() => void session.changes.perform({ name: "refresh-contents", section })}
          >
            Refresh
          </button>
        </p>
      ))}
      {asking && current !== null && <ContentsDialog spot={null} section={current} onClose={() => setAsking(false)} />}
    </div>
  );
}
