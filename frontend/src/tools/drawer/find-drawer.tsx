import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useRef, useState, type KeyboardEvent } from "react";
import { api, read } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { readingKey } from "../../document/readings";
import { sectionLabel } from "../../document/section-name";
import { FIELDS, goTo, step, take, useFind, type Hit, type Manner } from "../../find/found";
import { FIND_FIELD } from "../../find/open-find";
import { plainKey } from "../../keys/plain-key";
import { Button } from "../../parts/button";
import { cx } from "../../parts/cx";
import { beginOf, FoundLine } from "../../parts/found-line";
import { counted, formatNumber } from "../../parts/words";
import { openDrawer } from "../../window/open-drawer";

const AT_FIRST = 100;
/** No more places than that are told. */
const MOST = 12_000;
/** More places than that are not listed; the keys go through all of them. */
const MOST_LISTED = 200;

const MODES = [
  ["words", "All words"],
  ["phrase", "Exactly so"],
  ["pattern", "Expression"],
] as const;

const FIELD_WORDS = {
  heading: "headings",
  text: "text",
  note: "notes",
  caption: "captions",
  aim: "aims",
} satisfies Record<(typeof FIELDS)[number], string>;

const INPUT = "block w-full rounded-lg border border-line bg-paper px-3 py-1.5 text-ink";

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
      ...(scope === null ? {} : { section: scope }),
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
  useEffect(() => take(session, found), [found, session]);
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
  const change = (next: Partial<Manner>) => useFind.setState({ manner: { ...manner, ...next }, at: -1 });
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
          className={cx(INPUT, "mt-1 mb-2")}
        />
        <div
          role="radiogroup"
          aria-label="How exactly"
          className="mb-2 flex gap-1 rounded-full bg-wash p-0.5 text-[11.5px]"
        >
          {MODES.map(([mode, label]) => (
            <label
              key={mode}
              className={cx(
                "flex-1 cursor-pointer rounded-full px-2 py-1 text-center has-focus-visible:outline-2 has-focus-visible:outline-stem",
                manner.mode === mode ? "bg-sheet text-ink shadow-sm" : "text-soft",
              )}
            >
              <input
                type="radio"
                name="find-mode"
                className="sr-only"
                checked={manner.mode === mode}
                onChange={() => change({ mode })}
              />
              {label}
            </label>
          ))}
        </div>
        <div className="mb-2 flex flex-wrap gap-x-4 gap-y-1 text-xs text-soft">
          <Check
            label="Capitals matter"
            checked={manner.caseMatters}
            onChange={(caseMatters) => change({ caseMatters })}
          />
          {manner.mode !== "pattern" && (
            <Check
              label="Accents matter"
              checked={manner.diacriticsMatter}
              onChange={(diacriticsMatter) => change({ diacriticsMatter })}
            />
          )}
          <Check label="Whole words" checked={manner.wholeWords} onChange={(wholeWords) => change({ wholeWords })} />
        </div>
        <details className="mb-3 text-xs text-soft">
          <summary className="cursor-pointer rounded hover:text-ink">
            In{" "}
            {manner.fields.length === FIELDS.length
              ? "all of it"
              : [...manner.fields.map((field) => FIELD_WORDS[field]), ...(withOffcuts ? ["offcuts"] : [])].join(", ")}
          </summary>
          <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
            {FIELDS.map((field) => (
              <Check
                key={field}
                label={FIELD_WORDS[field]}
                checked={manner.fields.includes(field)}
                onChange={(isIn) =>
                  change({ fields: FIELDS.filter((each) => (each === field ? isIn : manner.fields.includes(each))) })
                }
              />
            ))}
            <Check
              label="offcuts"
              checked={withOffcuts}
              onChange={(isIn) => useFind.setState({ withOffcuts: isIn, at: -1 })}
            />
          </div>
        </details>
        <Replacing isReady={isReady} pressed={pressed} />
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
      <Results hits={hits} at={at} />
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

function Check({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="size-3.5 accent-(--stem)"
      />
      {label}
    </label>
  );
}

/** Other words in place of what was found: here, in the picked sections, everywhere. */
function Replacing({ isReady, pressed }: { isReady: boolean; pressed: (event: KeyboardEvent) => void }) {
  const session = useSession("Replacing");
  const picked = useWindow("Replacing", (state) => state.picked);
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
        onChange={(event) => setReplacement(event.target.value)}
        onKeyDown={pressed}
        className={cx(INPUT, "mt-1 mb-2")}
      />
      <div className="flex flex-wrap gap-1.5">
        <Button
          disabled={!can || !hit}
          className="h-7 px-3 text-xs"
          onClick={() => hit && void replace([hit.section], hit.index)}
        >
          This one
        </Button>
        {inPicked.length > 0 && (
          <Button disabled={!can} className="h-7 px-3 text-xs" onClick={() => void replace(inPicked)}>
            In {counted(inPicked.length, "picked section")}
          </Button>
        )}
        <Button disabled={!can || found.isMore} className="h-7 px-3 text-xs" onClick={() => void replace(within)}>
          All{can ? ` ${formatNumber(hits.length)}` : ""}
        </Button>
      </div>
      {found !== null && !found.isReplaceable && (
        <p className="mt-2 text-xs text-soft">Several words in any order are not replaced; look for them exactly so.</p>
      )}
    </div>
  );
}

function Results({ hits, at }: { hits: readonly Hit[]; at: number }) {
  const session = useSession("Results");
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    list.current?.querySelector("[aria-current]")?.scrollIntoView({ block: "nearest" });
  }, [at, hits]);
  const groups = Map.groupBy(
    hits.slice(0, MOST_LISTED).map((hit, index) => ({ hit, index })),
    ({ hit }) => hit.section,
  );
  return (
    <>
      <ol ref={list} className="space-y-3">
        {[...groups].map(([section, places]) => (
          <li key={section}>
            <h3 className="mb-0.5 truncate text-xs font-semibold text-stem">{sectionLabel(session.state, section)}</h3>
            <ul>
              {places.map(({ hit, index }) => (
                <li key={`${hit.field} ${hit.from}`}>
                  <button
                    type="button"
                    aria-current={index === at ? "location" : undefined}
                    className={cx(
                      "block w-full scroll-mt-80 rounded px-1.5 py-0.5 text-left font-text text-[13px] leading-5 hover:bg-wash",
                      index === at && "bg-lit",
                    )}
                    onClick={() => goTo(session, index)}
                  >
                    <FoundLine place={{ ...hit, after: hit.after.slice(0, 40) }} before={beginOf(hit.before, 22)} />
                  </button>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
      {hits.length > MOST_LISTED && (
        <p className="mt-3 text-xs text-faint">
          And {formatNumber(hits.length - MOST_LISTED)} more, which F3 goes through.
        </p>
      )}
    </>
  );
}
