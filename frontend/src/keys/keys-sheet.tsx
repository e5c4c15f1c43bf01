import { useEffect } from "react";
import { Button } from "../parts/button";
import { Emblem } from "../parts/emblem";
import { ALL_COMMANDS, keysOf } from "./bindings";
import { ALWAYS } from "./commands";
import { GROUPS } from "./groups";
import { AllKeys } from "./keys-dialog";
import { useKeys } from "./keys";

/** All keys on one sheet, as this writer has them, for the wall beside the desk. */
export function KeysSheet() {
  const own = useKeys((state) => state.own);
  useEffect(() => {
    document.title = "Keys – Stemmata";
  }, []);
  return (
    <main className="h-full overflow-auto bg-paper p-8 print:h-auto print:overflow-visible print:bg-white print:p-0">
      <header className="mb-5 flex items-center gap-3">
        <Emblem />
        <h1 className="flex-1 font-text text-xl font-semibold">Keys</h1>
        <Button className="print:hidden" tone="stem" onClick={() => window.print()}>
          Print
        </Button>
      </header>
      <div className="gap-8 text-[12.5px] md:columns-2 xl:columns-3 print:columns-2">
        {GROUPS.map(({ reach, title }) => {
          const commands = ALL_COMMANDS.filter((command) => command.reach === reach).map((command) => ({
            words: command.words,
            chords: keysOf(own, command),
            between: "or" as const,
          }));
          const lines = [...commands, ...ALWAYS[reach].map((line) => ({ ...line, between: "," as const }))].filter(
            ({ chords }) => chords.length > 0,
          );
          return (
            <section key={reach} className="mb-5">
              <h2 className="mb-1 border-b border-twig pb-1 font-text text-[15px] font-semibold text-stem">{title}</h2>
              <dl>
                {lines.map(({ words, chords, between }) => (
                  <div key={words} className="flex break-inside-avoid items-center gap-3 border-b border-line py-1">
                    <dt className="flex-1">{words}</dt>
                    <dd className="flex flex-wrap justify-end gap-1.5">
                      <AllKeys chords={chords} between={between} />
                    </dd>
                  </div>
                ))}
              </dl>
            </section>
          );
        })}
      </div>
    </main>
  );
}
