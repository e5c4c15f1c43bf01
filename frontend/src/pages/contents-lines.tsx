import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Contents } from "../api/client";
import { useDocument, usePages, useSession } from "../document/context";
import { spotOf } from "../document/pages";
import { levelAt } from "../outline/outline";
import { Button } from "../parts/button";
import { Select } from "../parts/select";
import { placesQuery } from "../places/places";
import { useContents } from "./contents";
import { LineWords } from "./line-words";

/** Every line, to be reworded or left out; and one more for a bookmark. */
export function ContentsLines({ contents }: { contents: Contents }) {
  const session = useSession("ContentsLines");
  const id = useDocument("ContentsLines", (state) => state.id);
  const { changeLine, addLine } = useContents();
  const pages = usePages("ContentsLines", (state) => state);
  const { data: places } = useQuery(placesQuery(id));
  const [bookmark, setBookmark] = useState("");
  const chosen = places?.bookmarks.find((each) => each.id === bookmark);
  return (
    <>
      <ul className="space-y-1">
        {contents.lines.map((line) => {
          const page = spotOf(pages, line.target)?.label;
          return (
            <li key={line.key} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={!line.out}
                aria-label={`“${line.words ?? line.heading}” stands in the contents`}
                className="size-3.5 shrink-0 accent-(--stem)"
                onChange={(event) => void changeLine(contents, line.key, { out: !event.target.checked })}
              />
              {contents.numbers && line.number && <span className="text-xs tabular-nums">{line.number}</span>}
              <LineWords contents={contents} line={line} className="min-w-0 flex-1 px-1.5 py-0.5" />
              <span className="w-7 shrink-0 text-right text-xs tabular-nums">{page ?? ""}</span>
            </li>
          );
        })}
      </ul>
      {places && places.bookmarks.length > 0 && (
        <div className="flex items-center gap-2">
          <Select
            label="Bookmark to add a line for"
            value={bookmark}
            words="a bookmark"
            options={places.bookmarks.map((each) => ({ value: each.id, words: each.name }))}
            className="min-w-0 flex-1"
            onChange={setBookmark}
          />
          <Button
            disabled={!chosen}
            onClick={(event) => {
              if (!chosen) return;
              // The button rests until another place is chosen, and has no keys then.
              event.currentTarget.parentElement?.querySelector<HTMLElement>("[role=combobox]")?.focus();
              const level = levelAt(session.state.outline, session.state.positions.get(chosen.section) ?? 0);
              void addLine(contents, {
                bookmark: chosen.id,
                words: chosen.name.replaceAll("_", " "),
                level: Math.min(9, Math.max(1, level + 1)),
              });
              setBookmark("");
            }}
          >
            Add a line
          </Button>
        </div>
      )}
    </>
  );
}
