import type { ReactNode } from "react";
import type { KindView } from "../api/client";
import { cx } from "../parts/cx";

type Props = {
  kinds: readonly KindView[];
  /** The writer’s own words of each kind, by its name. */
  words: ReadonlyMap<string, string>;
  chosen: string;
  onChoose: (kind: string) => void;
};

/** The writer’s own words in the look of each kind, as the text has it; each is chosen where it stands. */
export function Specimen({ kinds, words, chosen, onChoose }: Props) {
  return (
    <div className="space-y-1">
      {kinds.map((kind) => (
        <div
          key={kind.name}
          className={cx(
            "relative grid grid-cols-[minmax(0,1fr)] rounded-lg px-4 py-1 hover:bg-wash sm:grid-cols-[8.5rem_minmax(0,1fr)] sm:gap-4",
            kind.name === chosen && "bg-wash outline-2 -outline-offset-2 outline-stem",
          )}
        >
          {/* All of the line chooses. */}
          <button
            type="button"
            aria-pressed={kind.name === chosen}
            className="pt-1 text-left text-xs text-faint after:absolute after:inset-0"
            onClick={() => onChoose(kind.name)}
          >
            {kind.label}
          </button>
          <div aria-hidden="true" className="manuscript specimen title-head">
            {shown(kind, words.get(kind.name) ?? kind.label)}
          </div>
        </div>
      ))}
    </div>
  );
}

/** The parts that a text has around words of a kind, so that the same rules find them. */
function shown(kind: KindView, words: string): ReactNode {
  const [, base = kind.name, level = "1"] = /^(heading|list-item|contents-line)-([1-9])$/.exec(kind.name) ?? [];
  const section = (content: ReactNode, at = "1") => (
    <div className="section-text" data-level={at} data-unnumbered="">
      {content}
    </div>
  );
  switch (base) {
    case "title":
    case "subtitle":
      return <div data-part={base}>{words}</div>;
    case "title-line":
      return <div data-part="line">{words}</div>;
    case "heading":
      return section(<div className="heading">{words}</div>, level);
    case "first-paragraph":
      return section(
        <>
          <div className="heading hidden" />
          <p>{words}</p>
        </>,
      );
    case "quotation":
      return section(
        <blockquote>
          <p>{words}</p>
        </blockquote>,
      );
    case "list-item":
      return section(nested(Number(level), words));
    case "caption":
      return section(<figcaption>{words}</figcaption>);
    case "table-head":
    case "table-cell":
      return section(
        <table>
          <tbody>
            <tr>{base === "table-head" ? <th>{words}</th> : <td>{words}</td>}</tr>
          </tbody>
        </table>,
      );
    case "code":
      return section(<pre>{words}</pre>);
    case "footnote":
      return section(<div className="apparatus">{words}</div>);
    case "formula":
      return section(<div className="formula-block">{words}</div>);
    case "contents-title":
      return section(
        <div data-contents="">
          <div data-part="contents-title">{words}</div>
        </div>,
      );
    case "contents-line":
      return section(
        <ul data-contents="">
          <li data-level={level} className="list-none">
            {words}
          </li>
        </ul>,
      );
    case "body":
      return section(
        <>
          <p className="hidden" />
          <p>{words}</p>
        </>,
      );
    default:
      return section(
        kind.of === "words" ? (
          <p>
            <span className={`kind-${kind.name}`}>{words}</span>
          </p>
        ) : (
          <p className={`kind-${kind.name}`}>{words}</p>
        ),
      );
  }
}

function nested(depth: number, words: string): ReactNode {
  return (
    <ul>
      <li>{depth > 1 ? nested(depth - 1, words) : <p>{words}</p>}</li>
    </ul>
  );
}
