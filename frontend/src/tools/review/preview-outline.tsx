import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useDeferredValue, useEffect, useRef } from "react";
import { api, read, type Operation, type PreviewSection } from "../../api/client";
import { useDocument } from "../../document/context";
import { readingKey } from "../../document/readings";
import { cx } from "../../parts/cx";

/** The outline as an operation would leave it, deferred of the server as the choice changes. */
export function usePreview(operation: Operation | null) {
  const id = useDocument("usePreview", (state) => state.id);
  // A burst of choices asks once, for the last.
  const deferred = useDeferredValue(operation);
  return useQuery({
    queryKey: readingKey(id, "preview", deferred),
    queryFn: () =>
      read(
        api.POST("/api/documents/{id}/previews", {
          params: { path: { id } },
          body: { operation: deferred ?? { name: "batch", operations: [] } },
        }),
      ),
    enabled: deferred !== null,
    placeholderData: keepPreviousData,
  });
}

const ROW = 26;

/** New headings are set off by colour and by their sign. */
export function PreviewOutline({ sections }: { sections: readonly PreviewSection[] }) {
  const scroller = useRef<HTMLDivElement>(null);
  // What it returns is used in this component and handed to no other.
  // oxlint-disable-next-line react/incompatible-library
  const virtual = useVirtualizer({
    count: sections.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const firstNew = sections.findIndex((section) => section.isNew);
  useEffect(() => {
    if (firstNew > 0) virtual.scrollToIndex(firstNew, { align: "center" });
    // Only another first heading moves the list; the writer may have scrolled on since.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [firstNew]);
  return (
    <div
      ref={scroller}
      tabIndex={0}
      role="group"
      aria-label="The outline as it would become"
      className="h-full min-h-0 overflow-auto"
    >
      <ol className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const section = sections[item.index];
          return (
            section && (
              <li
                key={item.key}
                className="absolute inset-x-0 flex items-center gap-2 pr-2"
                style={{ top: item.start, height: ROW, paddingLeft: 8 + Math.max(0, section.level - 1) * 18 }}
              >
                <span
                  aria-hidden="true"
                  className={cx(
                    "size-2 shrink-0 rounded-full border",
                    section.isNew ? "border-stem bg-stem" : "border-twig",
                  )}
                />
                {section.number && <span className="shrink-0 text-xs text-faint tabular-nums">{section.number}</span>}
                <span
                  className={cx(
                    "truncate",
                    section.level <= 1 && "font-text font-semibold",
                    section.isNew && "text-stem",
                    section.name === section.number && "text-faint italic",
                  )}
                >
                  {section.name === section.number ? "" : section.name}
                </span>
                {section.isNew && <span className="sr-only">, new</span>}
              </li>
            )
          );
        })}
      </ol>
    </div>
  );
}
