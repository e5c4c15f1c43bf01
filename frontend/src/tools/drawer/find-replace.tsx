import { useState, type KeyboardEvent } from "react";
import { useSession, useWindow } from "../../document/context";
import { useFind } from "../../find/found";
import { Button } from "../../parts/button";
import { cx } from "../../parts/cx";
import { WIDE_FIELD } from "../../parts/field";
import { counted, formatNumber } from "../../parts/words";

/** Other words in place of what was found: here, in the picked sections, everywhere. */
export function FindReplace({ isReady, pressed }: { isReady: boolean; pressed: (event: KeyboardEvent) => void }) {
  const session = useSession("FindReplace");
  const picked = useWindow("FindReplace", (state) => state.picked);
  const { words, manner, found, hits, at } = useFind();
  const [replacement, setReplacement] = useState("");
  const replace = async (sections: string[], only?: number) => {
    useFind.setState({ goesOn: only !== undefined });
    await session.changes.perform({
      name: "replace-found",
      query: { words, ...manner },
      with: replacement,
      sections,
      ...(only === undefined ? {} : { only }),
    });
  };
  const [emptied, setEmptied] = useState<string[] | null>(null);
  /** With nothing in their place the words are taken out, which nobody means by leaving a field empty. */
  const replaceAll = (sections: string[]) => (replacement === "" ? setEmptied(sections) : void replace(sections));
  const going = emptied === null ? 0 : hits.filter(({ section }) => emptied.includes(section)).length;
  const within = [...new Set(hits.map(({ section }) => section))];
  const inPicked = within.filter((section) => picked.has(section));
  const hit = hits[at];
  const can = isReady && found !== null && found.isReplaceable && hits.length > 0;
  return (
    <div className="mb-3 border-b border-line pb-3">
      <label className="block text-xs text-soft" htmlFor="find-replacement">
        Replace with
      </label>
      <input
        id="find-replacement"
        value={replacement}
        autoComplete="off"
        onChange={(event) => (setReplacement(event.target.value), setEmptied(null))}
        onKeyDown={pressed}
        className={cx(WIDE_FIELD, "mb-2")}
      />
      <div className="flex flex-wrap gap-1.5">
        <Button
          disabled={!can || !hit}
          className="h-7 px-3 text-xs"
          onClick={() => hit && void replace([hit.section], hit.index)}
        >
          Replace
        </Button>
        {inPicked.length > 0 && (
          <Button disabled={!can} className="h-7 px-3 text-xs" onClick={() => replaceAll(inPicked)}>
            In {counted(inPicked.length, "picked section")}
          </Button>
        )}
        <Button disabled={!can || found.isMore} className="h-7 px-3 text-xs" onClick={() => replaceAll(within)}>
          All{can ? ` ${formatNumber(hits.length)}` : ""}
        </Button>
      </div>
      {emptied !== null && can && (
        <div role="alert" className="mt-2 rounded-lg border border-ochre p-2 text-xs">
          <p className="mb-1.5">
            Nothing is to stand in their place: {counted(going, "place")} of “{words}” would be deleted.
          </p>
          <Button tone="loss" className="h-7 px-3 text-xs" onClick={() => (setEmptied(null), void replace(emptied))}>
            Delete {going === 1 ? "it" : `all ${formatNumber(going)}`}
          </Button>
          <Button className="h-7 px-3 text-xs" onClick={() => setEmptied(null)}>
            Keep them
          </Button>
        </div>
      )}
      {found !== null && !found.isReplaceable && (
        <p className="mt-2 text-xs text-soft">
          Several words in any order are not replaced; look for them as an exact phrase.
        </p>
      )}
    </div>
  );
}
