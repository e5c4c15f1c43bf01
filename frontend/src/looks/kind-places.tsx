import type { KindPlaceView, KindView, StyleSheetView } from "../api/client";
import { useSession } from "../document/context";
import { sectionLabel } from "../document/section-name";
import { Select } from "../parts/select";
import { counted, formatNumber } from "../parts/words";
import { useKindPlaces } from "./use-style-sheet";

type Props = {
  sheet: StyleSheetView;
  kind: KindView;
  count: number;
  /** Before a place is gone to. */
  onGo: () => void;
};

/** Whether all that is of this kind can be made of another. */
const isGiven = ({ name, isOwn }: KindView) => isOwn || name === "quotation";

/** Where a kind of text is, each place a way to it; and all of it can be made of another kind. */
export function KindPlaces({ sheet, kind, count, onGo }: Props) {
  const session = useSession("KindPlaces");
  const places = useKindPlaces(kind.name);
  const others = sheet.kinds.filter((each) => isGiven(each) && each.of === kind.of && each.name !== kind.name);
  const targets = [
    { value: "body", words: kind.of === "words" ? "none" : "Body text" },
    ...others.map(({ name, label }) => ({ value: name, words: label })),
  ];
  const goTo = ({ section, from, to, isInHeading }: KindPlaceView) => {
    onGo();
    // Where all of a paragraph was picked, the next letter would take its place.
    const end = kind.of === "words" ? to : from;
    session.navigation.goTo({ section, found: { from, to: end, isInHeading } });
  };
  if (!places) return <p>Looking through the text…</p>;
  return (
    <>
      {isGiven(kind) && (
        <div className="flex items-center gap-2">
          <span aria-hidden="true" className="w-24 shrink-0">
            Make them all
          </span>
          <Select
            label={`Make ${count === 1 ? "the one place" : `all ${counted(count, "place")}`} of this kind`}
            value=""
            words="another kind…"
            options={targets}
            className="min-w-0 flex-1"
            onChange={(becomes) => void session.changes.perform({ name: "give-kind", kind: kind.name, becomes })}
          />
        </div>
      )}
      <ol className="max-h-64 space-y-0.5 overflow-auto">
        {places.map((place) => (
          <li key={`${place.section} ${place.isInHeading} ${place.from}`}>
            <button
              type="button"
              className="block w-full rounded-md px-1.5 py-1 text-left hover:bg-wash"
              onClick={() => goTo(place)}
            >
              {!place.isInHeading && (
                <span className="block truncate text-[11px] text-faint">
                  {sectionLabel(session.state, place.section)}
                </span>
              )}
              <span className="block truncate text-ink">{place.words || "without words"}</span>
            </button>
          </li>
        ))}
      </ol>
      {places.length < count && <p>The first {formatNumber(places.length)} are shown.</p>}
    </>
  );
}
