import { useQuery } from "@tanstack/react-query";
import { Link } from "wouter";
import { api, read, type RemindersOfDocument } from "../api/client";
import { counted } from "../parts/words";

/** So many of a document are told at once. */
const FIRST = 5;

/** What is still to be done in any document, each leading to its place. */
export function DeskReminders() {
  const open = useQuery({ queryKey: ["reminders"], queryFn: () => read(api.GET("/api/reminders")) });
  const count = open.data?.reduce((sum, { reminders }) => sum + reminders.length, 0) ?? 0;
  if (!open.data || count === 0) return null;
  return (
    <section aria-label="Reminders" className="mt-10">
      <h2 className="mb-1 font-text text-lg font-semibold">Still to be done</h2>
      <p className="mb-3 text-soft">
        {counted(count, "reminder")} in {counted(open.data.length, "document")}.
      </p>
      <ul className="space-y-4">
        {open.data.map((document) => (
          <OfDocument key={document.id} document={document} />
        ))}
      </ul>
    </section>
  );
}

function OfDocument({ document: { id, title, reminders } }: { document: RemindersOfDocument }) {
  return (
    <li>
      <h3 className="font-text font-semibold">{title || "Untitled"}</h3>
      <ul>
        {reminders.slice(0, FIRST).map((reminder) => (
          <li key={reminder.id} className="flex items-baseline gap-2 py-0.5">
            <span aria-hidden="true" className="size-2.5 shrink-0 rounded-[0_70%_0_70%] bg-ochre" />
            <Link
              href={`/documents/${id}?at=${reminder.section}&reminder=${reminder.id}`}
              className="rounded hover:text-stem hover:underline"
            >
              {reminder.words}
            </Link>
          </li>
        ))}
      </ul>
      {reminders.length > FIRST && <p className="text-faint">and {reminders.length - FIRST} more</p>}
    </li>
  );
}
