import { api, read, type KindView, type StyleSheetView } from "../api/client";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { counted } from "../parts/words";
import { groupsOf } from "./properties";
import { PropertyGroups } from "./property-groups";
import { inTurn, saidIn, saying } from "./shaped";
import { seeShape, type ShapeOf } from "../editor/seen-shapes";

type Props = {
  sheet: StyleSheetView;
  /** What it is of; null for words that are of no kind. */
  kind: KindView | null;
  of: ShapeOf;
  /** What is changed, as in “Changes … only.” */
  what: string;
  /** Where something is said, which stays the same wherever the cursor goes meanwhile. */
  place: { shape: () => string; put: (shape: string) => unknown };
  /** How often its kind is there; undefined while that is counted. */
  count: number | undefined;
};

/** Of words nothing can be said of lines and space. */
const OF_WORDS = ["Letters"];

/** What is said by hand of one place, and the two ways on from there: all of its kind follow, or it follows its kind again. */
export function ShapePanel({ sheet, kind, of, what, place, count }: Props) {
  const session = useSession("ShapePanel");
  const shape = place.shape();
  const said = saidIn(shape);
  const body = sheet.kinds.find(({ name }) => name === "body");
  const shown = kind ?? body;
  if (!shown) return null;
  const groups = groupsOf(shown)
    .filter(({ title }) => of === "paragraphs" || OF_WORDS.includes(title))
    .map(({ title, properties }) => ({
      title,
      properties: properties
        .filter(({ name }) => name !== "newPage")
        .map((each) => (of === "paragraphs" && each.name === "size" ? { ...each, hint: "11pt" } : each)),
    }));
  const say = async (property: string, value: string | null) => {
    const { id } = session.state;
    try {
      const answer = await read(
        api.GET("/api/documents/{id}/style-sheet/shape", {
          params: { path: { id }, query: { said: saying(place.shape(), property, value), of } },
        }),
      );
      // Known before it is drawn, so that it is drawn with its look.
      if (answer.shape !== "") seeShape(of, answer.shape);
      await put(answer.shape);
    } catch (failure) {
      session.messages.say(failure instanceof Error ? failure.message : "It was not taken.", "warning");
    }
  };
  /** One after the other: each adds to what the one before has said. */
  const change = (property: string, value: string | null) => inTurn(() => say(property, value));
  const put = async (said: string) => {
    if ((await place.put(said)) === false)
      session.messages.say("What that was said of has changed meanwhile; it is as it was.", "warning");
  };
  const isSaid = Object.keys(said).length > 0;
  return (
    <section aria-label={`Look of ${what}`} className="space-y-4 text-soft">
      <p role="status">
        Changes {what} only. {isSaid ? "What stands in bold is said by hand." : "Nothing is said by hand yet."}
      </p>
      <div className="flex flex-wrap gap-2">
        {kind && (
          <Button
            disabled={!isSaid}
            onClick={() => void session.changes.perform({ name: "make-all-so", kind: kind.name, shape })}
          >
            {count === undefined || count < 2
              ? `Make all of “${kind.label}” so`
              : `Make all ${counted(count, "place")} of “${kind.label}” so`}
          </Button>
        )}
        <Button disabled={!isSaid} onClick={() => void put("")}>
          {of === "words" ? "Bring back" : "Bring back to its kind"}
        </Button>
      </div>
      <PropertyGroups
        sheet={sheet}
        groups={groups}
        valueOf={(name) => said[name] ?? (of === "words" && !kind ? "" : (shown.look[name] ?? ""))}
        isSaid={(name) => name in said}
        unsaid={of === "words" ? "as around" : ""}
        onValue={change}
      />
    </section>
  );
}
