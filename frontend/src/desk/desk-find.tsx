import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Search } from "lucide-react";
import { useDeferredValue, useEffect, useRef, useState, type ReactNode } from "react";
import { Link } from "wouter";
import { api, read, type FoundOnDesk } from "../api/client";
import { commandOf } from "../keys/keys";
import { beginOf, FoundLine } from "../parts/found-line";
import { counted, formatNumber } from "../parts/words";

/** Looks for words in all documents; the list of them stands here while nothing is looked for. */
export function DeskFind({ children }: { children: ReactNode }) {
  const [words, setWords] = useState("");
  const looked = useDeferredValue(words.trim());
  const field = useRef<HTMLInputElement>(null);
  const found = useQuery({
    queryKey: ["found-on-desk", looked],
    enabled: looked !== "",
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: () => read(api.POST("/api/find", { body: { query: { words: looked } } })),
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      // Pressed once more in the field, the key is the browser’s.
      if (commandOf("anywhere", event) !== "find") return;
      if (document.activeElement === field.current || document.querySelector("[role=dialog]")) return;
      event.preventDefault();
      field.current?.focus();
      field.current?.select();
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);

  return (
    <>
      <label className="mb-6 flex max-w-[520px] items-center gap-2.5 border-b border-line pb-1.5 focus-within:border-stem">
        <Search size={15} strokeWidth={1.6} className="text-faint" aria-hidden="true" />
        <span className="sr-only">Find in all documents</span>
        <input
          ref={field}
          role="searchbox"
          value={words}
          maxLength={500}
          autoComplete="off"
          spellCheck={false}
          placeholder="Find in all documents"
          className="min-w-0 flex-1 bg-transparent text-ink outline-none placeholder:text-faint"
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => event.key === "Escape" && setWords("")}
        />
      </label>
      <p role="status" className="mb-3 text-faint empty:hidden">
        {looked === ""
          ? ""
          : found.isError
            ? found.error.message
            : found.data && !found.isPlaceholderData
              ? summaryOf(found.data)
              : "Looking…"}
      </p>
      {looked === "" ? (
        children
      ) : (
        <ul>
          {(found.isError ? [] : (found.data ?? [])).map((each) => (
            <FoundDocument key={each.id} found={each} words={looked} />
          ))}
        </ul>
      )}
    </>
  );
}

function summaryOf(found: readonly FoundOnDesk[]): string {
  return found.length === 0 ? "No document has that." : `In ${counted(found.length, "document")}`;
}

function FoundDocument({ found, words }: { found: FoundOnDesk; words: string }) {
  const address = (at?: FoundOnDesk["first"][number]) =>
    `/documents/${found.id}?${new URLSearchParams({ find: words, ...(at ? { at: at.section } : {}) })}`;
  return (
    <li className="border-t border-line py-4 last:border-b">
      <div className="flex items-baseline justify-between gap-4">
        <Link href={address()} className="truncate font-text text-[17px] font-semibold text-ink hover:text-stem">
          {found.title.trim() === "" ? "Untitled" : found.title}
        </Link>
        <span className="shrink-0 text-faint tabular-nums">
          {found.count === 0
            ? "in the title"
            : found.isMore
              ? `more than ${formatNumber(found.count)} places`
              : counted(found.count, "place")}
        </span>
      </div>
      <ul className="mt-1">
        {found.first.map((at) => (
          <li key={at.section}>
            <Link
              href={address(at)}
              className="-mx-2 grid gap-x-6 rounded px-2 py-1 hover:bg-wash md:grid-cols-[200px_minmax(0,1fr)]"
            >
              <span className="truncate text-faint">{at.name}</span>
              <span className="truncate font-text">
                <FoundLine place={at.place} before={beginOf(at.place.before, 45)} />
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </li>
  );
}
