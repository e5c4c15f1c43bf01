import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, type KeyboardEvent } from "react";
import { api, read } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { readingKey } from "../../document/readings";
import { goTo, step, take, useFind } from "../../find/found";
import { FIND_FIELD } from "../../find/open-find";
import { plainKey } from "../../keys/plain-key";
import { cx } from "../../parts/cx";
import { WIDE_FIELD } from "../../parts/field";
import { counted, formatNumber } from "../../parts/words";
import { openDrawer } from "../../window/open-drawer";
import { FindManner } from "./find-manner";
import { FindReplace } from "./find-replace";
import { FindResults } from "./find-results";

const AT_FIRST = 100;
/** No more places than that are told. */
const MOST = 12_000;
/** Finds words in the document or in what is shown of it, and puts others in their place. */
export function FindDrawer() {
  const session = useSession("FindDrawer");
  const id = useDocument("FindDrawer", (state) => state.id);
  const scope = useWindow("FindDrawer", (state) => state.scope);
  const { words, manner, withOffcuts, hits, at } = useFind();
  const looked = useDeferredValue(words);
  const isLooking = looked.trim() !== "";
  const findUpTo = (most: number) => async () => {
    await session.flush();
    const body = {
      query: { words: looked, ...manner },
      offcuts: withOffcuts && scope === null,
      most,
      ...(scope === null ? {} : { sections: scope.heads.join(","), extent: scope.extent }),
    };
    return read(api.POST("/api/documents/{id}/find", { params: { path: { id } }, body }));
  };
  // The first places are shown at once, the others when all have been counted.
  const first = useQuery({
    queryKey: readingKey(id, "found", looked, manner, withOffcuts, scope, AT_FIRST),
    enabled: isLooking,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: findUpTo(AT_FIRST),
  });
  const rest = useQuery({
    queryKey: readingKey(id, "found", looked, manner, withOffcuts, scope, MOST),
    enabled: isLooking && first.data?.isMore === true && !first.isPlaceholderData,
    retry: false,
    queryFn: findUpTo(MOST),
  });
  const answer = first.data?.isMore ? (rest.data ? rest : first) : first;
  const found = !isLooking || answer.isError ? null : (answer.data ?? null);
  const isCounting = isLooking && first.data?.isMore === true && !rest.data && !rest.isError;
  useEffect(() => take(session, found, looked), [found, looked, session]);
  useEffect(() => () => take(session, null), [session]);

  const pressed = (event: KeyboardEvent) => {
    const key = plainKey(event);
    if (key === "Enter") step(session, event.shiftKey ? -1 : 1);
    else if (key === "Escape") {
      if (at >= 0) goTo(session, at, true);
      else session.navigation.goTo(session.navigation.here(session.window.current ?? ""), { remember: false });
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const isReady = found !== null && looked === words && !isCounting;

  return (
    <>
      <div className="sticky top-0 z-10 bg-paper pb-2">
        <label className="block text-xs text-soft" htmlFor={FIND_FIELD}>
          Find {scope === null ? "in the document" : "in what is shown"}
        </label>
        <input
          id={FIND_FIELD}
          role="searchbox"
          value={words}
          maxLength={500}
          autoComplete="off"
          spellCheck={false}
          aria-describedby="find-count"
          onChange={(event) => useFind.setState({ words: event.target.value, at: -1 })}
          onKeyDown={pressed}
          className={cx(WIDE_FIELD, "mb-2")}
        />
        <FindManner />
        <FindReplace isReady={isReady} pressed={pressed} />
        <p id="find-count" role="status" className="mb-2 min-h-4 text-xs text-faint">
          {answer.isError && isLooking ? (
            <span className="text-loss">{answer.error.message}</span>
          ) : found === null ? (
            looked.trim() === "" ? (
              "Enter goes to the next place, Shift with Enter to the one before."
            ) : (
              "Looking…"
            )
          ) : (
            countOf(found.count, found.isMore, found.sections.length, at)
          )}
        </p>
      </div>
      <FindResults hits={hits} at={at} />
      {found !== null && found.offcuts.length > 0 && (
        <section aria-label="Found in offcuts" className="mt-4 border-t border-line pt-3">
          <h3 className="mb-1 text-xs font-semibold text-stem">In the offcuts</h3>
          <ul>
            {found.offcuts.map((offcut) => (
              <li key={offcut.id}>
                <button
                  type="button"
                  className="flex w-full justify-between gap-2 rounded px-1.5 py-0.5 text-left hover:bg-wash"
                  onClick={() => openDrawer("offcuts")}
                >
                  <span className="truncate font-text">{offcut.name || "No heading"}</span>
                  <span className="text-faint tabular-nums">{formatNumber(offcut.count)}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function countOf(count: number, isMore: boolean, sections: number, at: number): string {
  if (count === 0) return "Nothing like that is in it.";
  const places = `${isMore ? "more than " : ""}${counted(count, "place")}`;
  return at < 0
    ? `${places} in ${counted(sections, "section")}`
    : `Place ${formatNumber(at + 1)} of ${isMore ? "more than " : ""}${formatNumber(count)}`;
}
