import type { Contents } from "../api/client";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { formatNumber } from "../parts/words";
import { useContents } from "./contents";

/** What of the contents is behind the document, and the ways to take it over. */
export function ContentsDifferences({ contents }: { contents: Contents }) {
  const session = useSession("ContentsDifferences");
  const { setUp, refresh } = useContents();
  const { differences } = contents;
  const changed = differences.reduce((sum, difference) => sum + difference.lines.length, 0);
  return (
    differences.length > 0 && (
      <div className="space-y-1.5">
        <p className="text-xs font-semibold text-stem">
          Behind the document: {changed === 1 ? "1 line changes" : `${formatNumber(changed)} lines change`}
        </p>
        <ul className="space-y-1">
          {differences.slice(0, 12).map(({ section, sentence }) => (
            <li key={sentence} className="border-l-2 border-ochre pl-3 text-ink">
              <button type="button" className="text-left" onClick={() => session.navigation.goTo({ section })}>
                {sentence}
              </button>
            </li>
          ))}
          {differences.length > 12 && (
            <li>
              and {formatNumber(differences.length - 12)} more{""}
            </li>
          )}
        </ul>
        <div className="flex items-center gap-3 pt-1">
          <Button tone="stem" onClick={() => void refresh(contents)}>
            Update the contents
          </Button>
          <button
            type="button"
            className="font-medium text-stem"
            onClick={() => void setUp(contents, { always: true })}
          >
            Always
          </button>
        </div>
      </div>
    )
  );
}
