import { Printer } from "lucide-react";
import { Popover } from "radix-ui";
import { useState, type FormEvent } from "react";
import { useSession } from "../document/context";
import { Button } from "../parts/button";
import { Choices } from "../parts/choices";
import { WIDE_FIELD } from "../parts/field";
import { counted } from "../parts/words";
import { sheetsIn } from "./page-ranges";
import { pagesOf, type Pdf } from "./pdf";

type Which = "all" | "shown" | "some";

/** Prints the pages, or some of them. */
export function PrintPages({ pdf, labels, shown }: { pdf: Pdf; labels: readonly string[]; shown: readonly number[] }) {
  const session = useSession("PrintPages");
  const [isOpen, setOpen] = useState(false);
  const [which, setWhich] = useState<Which>("all");
  const [words, setWords] = useState("");
  const [problem, setProblem] = useState("");
  const take = async (hand: (pages: Blob) => void) => {
    const every = Array.from({ length: pdf.numPages }, (_, index) => index + 1);
    const sheets = which === "all" ? every : which === "shown" ? [...shown] : sheetsIn(words, labels);
    if (typeof sheets === "string") return setProblem(sheets);
    // A file that newer pages have taken the place of has nothing more to give.
    const pages = await pagesOf(pdf, sheets).catch(() => null);
    if (pages === null) return setProblem("The pages have changed meanwhile. Ask once more.");
    hand(pages);
    setOpen(false);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void take((pages) => session.files.printPages(pages));
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>
          <Printer size={14} strokeWidth={1.7} aria-hidden="true" />
          Print…
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="end"
          sideOffset={8}
          collisionPadding={12}
          aria-label="Print"
          className="z-40 max-h-[var(--radix-popover-content-available-height)] w-72 overflow-auto rounded-xl border border-line bg-sheet p-4 shadow-lg"
        >
          <form onSubmit={submit} className="space-y-3 text-soft">
            <Choices
              label="Pages to print"
              look="card"
              className="grid gap-1.5"
              itemClassName="px-3 py-1.5 text-ink"
              value={which}
              options={[
                { value: "all", shows: `All ${counted(pdf.numPages, "page")}` },
                { value: "shown", shows: shown.length > 1 ? "The pages shown" : "The page shown" },
                { value: "some", shows: "Some pages" },
              ]}
              onChoose={(value) => (setWhich(value), setProblem(""))}
            />
            {which === "some" && (
              <label className="block">
                Which, by their numbers
                <input
                  value={words}
                  placeholder="iv, 3–7"
                  className={WIDE_FIELD}
                  aria-invalid={problem !== ""}
                  onChange={(event) => (setWords(event.target.value), setProblem(""))}
                />
              </label>
            )}
            {which !== "all" && (
              <p className="text-xs">
                Pages taken out of the whole have no tags for a reader’s voice. A branch written as a PDF keeps them.
              </p>
            )}
            <p role="alert" className="text-loss empty:hidden">
              {problem}
            </p>
            <div className="flex justify-end gap-2">
              <Button onClick={() => void take((pages) => session.files.download(pages))}>As a PDF</Button>
              <Button tone="stem" type="submit">
                Print
              </Button>
            </div>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
