import { useState } from "react";
import type { Contents, ContentsLine } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { sectionName } from "../../document/section-name";
import { ContentsDialog } from "../../manuscript/contents-dialog";
import { useContents } from "../../pages/contents";
import { ContentsDifferences } from "../../pages/contents-differences";
import { ContentsLines } from "../../pages/contents-lines";
import { ContentsSettings } from "../../pages/contents-settings";
import { takenBack } from "../../pages/line-words";
import { Button } from "../../parts/button";
import { Fold } from "../../parts/fold";
import { counted } from "../../parts/words";

/** All contents of the document: how each is set up, what is behind the headings, what was done by hand. */
export function ContentsDrawer() {
  const { contents } = useContents();
  const current = useWindow("ContentsDrawer", (state) => state.current);
  const name = useDocument("ContentsDrawer", (state) => (current === null ? "" : sectionName(state, current)));
  const [asking, setAsking] = useState(false);
  return (
    <div className="space-y-6 text-soft">
      {contents?.map((each) => (
        <OneContents key={`${each.section} ${each.index}`} contents={each} />
      ))}
      {contents?.length === 0 && (
        <p>
          Contents are collected from the headings and stand in the text as links. They survive in every file that is
          written, with the pages in print.
        </p>
      )}
      <div className="space-y-2">
        <Button tone="stem" disabled={current === null} onClick={() => setAsking(true)}>
          {contents && contents.length > 0 ? "Make others…" : "Make contents…"}
        </Button>
        <p>They go to the end of “{name}”, where you are now.</p>
      </div>
      {asking && current !== null && <ContentsDialog spot={null} section={current} onClose={() => setAsking(false)} />}
    </div>
  );
}

function OneContents({ contents }: { contents: Contents }) {
  const session = useSession("OneContents");
  const { lines } = contents;
  const label = `${contents.title || "Contents without a title"}`;
  const byHand = lines.filter((line) => takenBack(line) !== null);
  return (
    <section aria-label={label} className="space-y-3 border-b border-line pb-5">
      <h3>
        <button
          type="button"
          className="text-left font-text text-[15px] font-semibold text-ink hover:text-stem"
          onClick={() => session.navigation.goTo({ section: contents.section })}
        >
          {label}
        </button>
        <span className="block">
          {counted(lines.filter((line) => !line.out).length, "line")}, in “
          {sectionName(session.state, contents.section)}”
        </span>
      </h3>
      <ContentsDifferences contents={contents} />
      <Fold words="Lines">
        <ContentsLines contents={contents} />
      </Fold>
      <Fold words="How they look">
        <ContentsSettings contents={contents} />
      </Fold>
      {/* Under the lines, for it grows while they are reworded, and would push them from under the pointer. */}
      {byHand.length > 0 && (
        <div className="space-y-1.5">
          <p className="text-xs font-semibold text-stem">By your hand: {counted(byHand.length, "line")}</p>
          <ul className="space-y-1.5">
            {byHand.map((line) => (
              <HandLine key={line.key} contents={contents} line={line} />
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function HandLine({ contents, line }: { contents: Contents; line: ContentsLine }) {
  const { changeLine } = useContents();
  const back = takenBack(line);
  const said = line.bookmark !== null ? "added" : line.out ? "left out" : `for “${line.heading}”`;
  return (
    <li className="flex gap-2">
      <span className="flex-1 text-ink">
        “{line.words ?? line.heading}” <span className="text-soft">{said}</span>
      </span>
      {back && (
        <button
          type="button"
          className="self-start font-medium whitespace-nowrap text-stem"
          onClick={() => void changeLine(contents, line.key, back.change)}
        >
          {back.said}
        </button>
      )}
    </li>
  );
}
