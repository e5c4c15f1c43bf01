import { Pencil, Settings2 } from "lucide-react";
import { Popover, Toolbar } from "radix-ui";
import { useState } from "react";
import type { Contents, ContentsLine, PageSpot } from "../api/client";
import { useContents } from "../pages/contents";
import { setUpInPlace, useOpenContents } from "../pages/open-contents";
import { LineWords, takenBack } from "../pages/line-words";
import { Button } from "../parts/button";
import { cx } from "../parts/cx";
import { counted } from "../parts/words";
import { openDrawer } from "../window/open-drawer";
import type { PageSize } from "./sheet";
import { useShownPages } from "./shown-pages";

/** The lines of contents on a page: what is behind or by hand is marked at their side, and is changed there, as all settings are. */
export function ContentsOnPage({ sheet, size }: { sheet: number; size: PageSize }) {
  const { contents } = useContents();
  const { lines: spots, contents: heads } = useShownPages("ContentsOnPage");
  return contents?.map((each) => {
    const lines = placed(each, spots, sheet);
    const head = heads.get(`${each.section}:${each.index}`);
    const hasHead = head?.sheet === sheet;
    return (
      (hasHead || lines.length > 0) && (
        <Toolbar.Root
          key={`${each.section} ${each.index}`}
          orientation="vertical"
          aria-label={`Lines of ${each.title || "contents"} on this page`}
          // Up and down go from line to line here, and do not leaf.
          onKeyDown={(event) => /^(ArrowUp|ArrowDown|Home|End|Enter)$/.test(event.key) && event.stopPropagation()}
        >
          {hasHead && (
            <Toolbar.Button
              aria-label={`How “${each.title || "Contents"}” look`}
              title="How these contents look"
              style={{ left: "2%", top: `${(headDown(head, lines[0]) / size.height) * 100}%` }}
              className="absolute grid size-6 place-items-center rounded-full text-soft opacity-60 group-hover/page:opacity-100 hover:bg-wash hover:text-ink focus-visible:opacity-100"
              onClick={(event) => setUpBeside(each, event.currentTarget)}
            >
              <Settings2 size={14} strokeWidth={1.8} aria-hidden="true" />
            </Toolbar.Button>
          )}
          {lines.map(({ line, down, height, isOnRight }) => (
            <LineOnPage
              key={line.key}
              contents={each}
              line={line}
              style={{
                top: `${(down / size.height) * 100}%`,
                height: `${(height / size.height) * 100}%`,
                ...(isOnRight ? { right: "2%" } : { left: "2%" }),
              }}
            />
          ))}
        </Toolbar.Root>
      )
    );
  });
}

/** Points. */
const TALLEST = 16;
/** Between the signs beside the title and beside the first line, which may stand at one height (points). */
const BELOW_HEAD = 26;

function headDown(head: PageSpot, first: Placed | undefined): number {
  return first ? Math.min(head.down, first.down - BELOW_HEAD) : head.down;
}

type Placed = { line: ContentsLine; down: number; height: number; isOnRight: boolean };

function placed(contents: Contents, spots: ReadonlyMap<string, PageSpot>, sheet: number): Placed[] {
  const lines: Placed[] = [];
  for (const line of contents.lines) {
    const spot = spots.get(`${contents.section}:${contents.index}:${line.key}`);
    const before = lines.at(-1);
    // Beside the second column, when they stand in two.
    const isOnRight = before !== undefined && spot !== undefined && (before.isOnRight || spot.down < before.down);
    if (spot?.sheet !== sheet) continue;
    // None covers the next.
    if (before && before.isOnRight === isOnRight) before.height = Math.min(TALLEST, spot.down - before.down);
    lines.push({ line, down: spot.down, height: TALLEST, isOnRight });
  }
  return lines;
}

function setUpBeside({ section, index }: Contents, sign: Element): void {
  setUpInPlace({ section, index, beside: sign.getBoundingClientRect() });
}

type LineProps = { contents: Contents; line: ContentsLine; style: React.CSSProperties };

function LineOnPage({ contents, line, style }: LineProps) {
  const { changeLine, refresh } = useContents();
  const [isOpen, setOpen] = useState(false);
  const differences = contents.differences.filter(({ lines }) => lines.includes(line.key));
  const isBehind = differences.length > 0;
  const back = takenBack(line);
  const shown = line.words ?? line.heading;
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Toolbar.Button
          aria-label={`Change the line “${shown}”${isBehind ? ", behind the document" : ""}${back ? ", by hand" : ""}`}
          title={differences[0]?.sentence ?? "Change this line"}
          style={style}
          className={cx(
            "absolute grid w-6 place-items-center rounded-full hover:bg-wash hover:text-ink focus-visible:opacity-100 data-[state=open]:opacity-100",
            isBehind
              ? "bg-ochre/15 text-ochre"
              : back
                ? "text-stem"
                : "text-soft opacity-0 group-hover/page:opacity-60 hover:opacity-100",
          )}
        >
          <Pencil strokeWidth={1.8} className="size-3 max-h-full" aria-hidden="true" />
        </Toolbar.Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          align="start"
          collisionPadding={12}
          aria-label={`The line “${shown}”`}
          // The settings, opened from here, have the keys then.
          onCloseAutoFocus={(event) => useOpenContents.getState().open && event.preventDefault()}
          // What was typed is kept as the field is left, which it is before it goes.
          onPointerDownOutside={() => document.activeElement instanceof HTMLElement && document.activeElement.blur()}
          onKeyDown={(event) => event.key === "Enter" && event.target instanceof HTMLInputElement && setOpen(false)}
          className="z-40 max-h-(--radix-popover-content-available-height) w-80 space-y-3 overflow-auto rounded-xl border border-line bg-sheet p-4 text-soft shadow-lg"
        >
          <div className="flex items-center gap-2">
            {contents.numbers && line.number && <span className="tabular-nums">{line.number}</span>}
            <LineWords contents={contents} line={line} className="min-w-0 flex-1" />
          </div>
          {line.words !== null && line.bookmark === null && <p>The heading is “{line.heading}”.</p>}
          {differences.map(({ sentence }) => (
            <p key={sentence} className="border-l-2 border-ochre pl-3 text-ink">
              {sentence}
            </p>
          ))}
          <div className="flex flex-wrap gap-2">
            {isBehind && (
              <Popover.Close asChild>
                <Button tone="stem" onClick={() => void refresh(contents)}>
                  Bring up to date
                </Button>
              </Popover.Close>
            )}
            {back && (
              <Popover.Close asChild>
                <Button onClick={() => void changeLine(contents, line.key, back.change)}>{back.said}</Button>
              </Popover.Close>
            )}
            {line.bookmark === null && (
              <Popover.Close asChild>
                <Button onClick={() => void changeLine(contents, line.key, { out: true })}>Leave out</Button>
              </Popover.Close>
            )}
            <Popover.Close asChild>
              <Button tone="quiet" onClick={(event) => setUpBeside(contents, event.currentTarget)}>
                How they look…
              </Button>
            </Popover.Close>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** What of the contents is behind the document, under the pages. */
export function ContentsBehind() {
  const { contents, refresh } = useContents();
  return contents?.map((each) => {
    const changed = each.differences.reduce((sum, { lines }) => sum + lines.length, 0);
    return (
      changed > 0 && (
        <p
          key={`${each.section} ${each.index}`}
          className="mt-1 flex flex-wrap items-center gap-x-3 border-l-2 border-ochre pl-3 text-ink"
        >
          In “{each.title || "Contents"}” {counted(changed, "line")} {changed === 1 ? "is" : "are"} behind the document.
          <button type="button" className="font-medium text-stem" onClick={() => void refresh(each)}>
            Bring up to date
          </button>
          <button type="button" className="font-medium text-stem" onClick={() => openDrawer("contents")}>
            Which they are
          </button>
        </p>
      )
    );
  });
}
