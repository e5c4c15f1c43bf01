import { memo, useEffect, useRef, useState, type MouseEvent } from "react";
import { cx } from "../parts/cx";
import { highlight } from "../parts/highlight";
import { rangeOf, type Mark } from "./found-on-page";
import { textLayerOf, type Pdf } from "./pdf";

/** The name by which the style sheet knows it. */
const FOUND = "found-on-page";

export type PageSize = { width: number; height: number };

type Props = {
  pdf: Pdf;
  sheet: number;
  /** How wide a page of the usual size is drawn (browser dots). */
  width: number;
  /** How wide one that is wider than others may be drawn; as wide as the others when nothing is said. */
  mostWidth?: number;
  /** Of most pages; tables may stand on a page of another one. */
  size: PageSize;
  /** With words that can be picked, read aloud and clicked; small pages are pictures. */
  hasText: boolean;
  label: string;
  isCurrent: boolean;
  /** Words on it that are shown to the writer. */
  mark?: Mark | null;
  onLine?: (down: number, line: string) => void;
};

/** One page, drawn when it comes into view. */
export const Sheet = memo(function Sheet(props: Props) {
  const { pdf, sheet, mostWidth = props.width, hasText, label, isCurrent, mark = null, onLine } = props;
  const [layer, setLayer] = useState(0);
  const [size, setSize] = useState(props.size);
  const width = Math.min(Math.max(mostWidth, props.width), (props.width * size.width) / props.size.width);
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const words = useRef<HTMLDivElement>(null);
  const [isInView, setInView] = useState(false);
  useEffect(() => {
    if (!box.current) return;
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && setInView(true), {
      rootMargin: "200px",
    });
    watch.observe(box.current);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    if (!isInView) return;
    const drawing = { isOver: false, end: () => undefined as void };
    const draw = async () => {
      const page = await pdf.getPage(sheet);
      if (drawing.isOver || !canvas.current) return;
      const own = page.getViewport({ scale: 1 });
      // Drawn again, in its own size.
      if (own.width !== size.width || own.height !== size.height)
        return setSize({ width: own.width, height: own.height });
      const scale = width / size.width;
      // Drawn larger than shown: at its own size a letter would stand on whole dots, and words run into each other.
      const sharp = Math.min(3, Math.max(2, window.devicePixelRatio || 1));
      const viewport = page.getViewport({ scale: scale * sharp });
      const drawn = document.createElement("canvas");
      drawn.width = Math.round(viewport.width);
      drawn.height = Math.round(viewport.height);
      const task = page.render({ canvas: drawn, viewport });
      drawing.end = () => task.cancel();
      await task.promise;
      if (drawing.isOver || !canvas.current) return;
      // Shown when it is whole, so that no page is white between two of its states.
      canvas.current.width = drawn.width;
      canvas.current.height = drawn.height;
      canvas.current.getContext("2d")?.drawImage(drawn, 0, 0);
      if (!hasText || !words.current) return;
      const TextLayer = await textLayerOf();
      const holder = document.createElement("div");
      const layer = new TextLayer({
        textContentSource: page.streamTextContent(),
        container: holder,
        viewport: page.getViewport({ scale }),
      });
      await layer.render();
      // The library measures words on pictures of its own, which nobody is to meet.
      for (const each of document.querySelectorAll(".hiddenCanvasElement")) each.setAttribute("aria-hidden", "true");
      if (drawing.isOver) return;
      words.current?.replaceChildren(...holder.childNodes);
      setLayer((before) => before + 1);
    };
    // A drawing that is given up throws; the next one is under way.
    draw().catch(() => undefined);
    return () => {
      drawing.isOver = true;
      drawing.end();
    };
  }, [pdf, sheet, width, size, hasText, isInView]);

  useEffect(() => {
    const range = mark && layer > 0 && words.current ? rangeOf(words.current, mark) : null;
    if (!range) return;
    const unmark = highlight(FOUND, [range]);
    range.startContainer.parentElement?.scrollIntoView({ block: "nearest", inline: "nearest" });
    return unmark;
  }, [mark, layer]);

  const clicked = (event: MouseEvent) => {
    const page = box.current?.getBoundingClientRect();
    if (!page || !onLine || window.getSelection()?.isCollapsed === false) return;
    const down = ((event.clientY - page.top) / page.height) * size.height;
    onLine(down, lineAt(words.current, event.clientY));
  };

  return (
    // Lines are gone to by the outline's keys as well.
    // oxlint-disable-next-line jsx-a11y/no-static-element-interactions, jsx-a11y/click-events-have-key-events
    <div
      ref={box}
      data-sheet={sheet}
      aria-label={label}
      aria-current={isCurrent ? "page" : undefined}
      role={hasText ? "document" : undefined}
      className={cx("proof-sheet relative shrink-0 bg-white shadow-md", onLine && "cursor-pointer")}
      style={{
        width,
        height: Math.round((width * size.height) / size.width),
        ["--total-scale-factor" as string]: width / size.width,
        ["--scale-round-x" as string]: "1px",
        ["--scale-round-y" as string]: "1px",
      }}
      onClick={clicked}
    >
      <canvas ref={canvas} aria-hidden="true" className="absolute inset-0 size-full" />
      {hasText && <div ref={words} className="proof-words absolute inset-0 overflow-hidden" />}
    </div>
  );
});

/** The words of the line at a height of the window. */
function lineAt(layer: HTMLElement | null, y: number): string {
  return [...(layer?.querySelectorAll("span") ?? [])]
    .filter((span) => {
      const { top, bottom } = span.getBoundingClientRect();
      return top <= y && y <= bottom;
    })
    .map((span) => span.textContent ?? "")
    .join(" ");
}
