import { useEffect, useRef } from "react";
import { useSession } from "../../document/context";
import { sectionLabel } from "../../document/section-name";
import { goTo, type Hit } from "../../find/found";
import { cx } from "../../parts/cx";
import { beginOf, endOf, FoundLine } from "../../parts/found-line";
import { formatNumber } from "../../parts/words";

/** More places than that are not listed; the keys go through all of them. */
const MOST_LISTED = 200;

/** What was found, by section, with the line around it. */
export function FindResults({ hits, at }: { hits: readonly Hit[]; at: number }) {
  const session = useSession("FindResults");
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
                    onClick={() => goTo(session, index, true)}
                  >
                    <FoundLine place={{ ...hit, after: endOf(hit.after, 40) }} before={beginOf(hit.before, 22)} />
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
