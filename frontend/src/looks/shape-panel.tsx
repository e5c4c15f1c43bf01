import { api, read, type KindView, type StyleSheetView } from "../api/client";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { counted } from "../parts/words";
import { groupsOf } from "./properties";
import { PropertyField } from "./property-field";
import { saidIn, saying } from "./shaped";
import { seeShape, type ShapeOf } from "../editor/seen-shapes";

type Props = {
  sheet: StyleSheetView;
  /** What it is of; null for words that are of no kind. */
  kind: KindView | null;
  of: ShapeOf;
  /** What is changed, as in “Changes … only.” */
  what: string;
  shape: string;
  /** How often its kind is there; undefined while that is counted. */
  count: number | undefined;
  put: (shape: string) => Promise<unknown> | void;
};

/** Of words nothing can be said of lines and space. */
const OF_WORDS = ["Letters"];

/** What is said by hand of one place, and the two ways on from there: all of its kind follow, or it follows its kind again. */
export function ShapePanel({ sheet, kind, of, what, shape, count, put }: Props) {
  const session = useSession("ShapePanel");
  const said = saidIn(shape);
  const body = sheet.kinds.find(({ name }) => name === "body");
  const shown = kind ?? body;
  if (!shown) return null;
  const groups = groupsOf(shown)
    .filter(({ title }) => of === "paragraphs" || OF_WORDS.includes(title))
    .map(({ title, properties }) => ({ title, properties: properties.filter(({ name }) => name !== "newPage") }));
  const change = async (property: string, value: string | null) => {
    const wanted = saying(shape, property, value);
    const { id } = session.state;
    try {
      const answer = await read(
        api.GET("/api/documents/{id}/style-sheet/shape", { params: { path: { id }, query: { said: wanted, of } } }),
      );
      // Known before it is drawn, so that it is drawn with its look.
      if (answer.shape !== "") seeShape(of, answer.shape);
      await put(answer.shape);
    } catch (failure) {
      session.messages.say(failure instanceof Error ? failure.message : "It was not taken.", "warning");
    }
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
      {groups.map(({ title, properties }) => (
        <fieldset key={title} className="min-w-0 space-y-1 border-t border-line pt-3">
          <legend className="sr-only">{title}</legend>
          <p aria-hidden="true" className="text-xs font-semibold text-stem">
            {title}
          </p>
          {properties.map((property) => (
            <PropertyField
              key={property.name}
              property={of === "paragraphs" && property.name === "size" ? { ...property, hint: "11pt" } : property}
              value={said[property.name] ?? (of === "words" && !kind ? "" : (shown.look[property.name] ?? ""))}
              isSaid={property.name in said}
              faces={sheet.faces}
              unsaid={of === "words" ? "as around" : ""}
              onValue={(value) => change(property.name, value)}
            />
          ))}
        </fieldset>
      ))}
    </section>
  );
}
