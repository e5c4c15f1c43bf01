import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef } from "react";
import { cx } from "../parts/cx";
import type { Pdf } from "./pdf";
import { Sheet, type PageSize } from "./sheet";

const WIDTH = 34;
const STEP = WIDTH + 8;

/** All pages in small, in one row; those that are seen large are marked. */
export function SmallPages({
  pdf,
  size,
  labels,
  shown,
  onShow,
}: {
  pdf: Pdf;
  size: PageSize;
  labels: readonly string[];
  shown: readonly number[];
  onShow: (sheet: number) => void;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  // oxlint-disable-next-line react/incompatible-library
  const virtual = useVirtualizer({
    count: pdf.numPages,
    horizontal: true,
    getScrollElement: () => scroller.current,
    estimateSize: () => STEP,
    overscan: 8,
  });
  const first = shown[0] ?? 1;
  // In the middle, so that both of a spread are seen and what follows; also when a drawer takes of its room.
  const room = virtual.scrollRect?.width ?? 0;
  useEffect(() => {
    if (room > 0) virtual.scrollToIndex(first - 1, { align: "center" });
  }, [first, room, virtual]);
  return (
    <div ref={scroller} className="overflow-x-auto overflow-y-hidden" style={{ height: 66 }}>
      <ol aria-label="Pages in small" className="relative h-full" style={{ width: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => (
          <li key={index} className="absolute top-1" style={{ left: start }}>
            <button
              type="button"
              tabIndex={index + 1 === shown[0] ? 0 : -1}
              aria-label={labels[index] ? `Page ${labels[index]}` : `Sheet ${index + 1}`}
              aria-current={shown.includes(index + 1) ? "page" : undefined}
              className={cx(
                "block rounded-[2px] outline-2 outline-offset-1",
                shown.includes(index + 1) ? "outline-stem" : "outline-transparent",
              )}
              onClick={() => onShow(index + 1)}
            >
              <Sheet pdf={pdf} sheet={index + 1} width={WIDTH} size={size} hasText={false} label="" isCurrent={false} />
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}
