import { useQuery } from "@tanstack/react-query";
import type { Reminder } from "../../api/client";
import { useDocument, useSession } from "../../document/context";
import { sectionLabel } from "../../document/section-name";
import { keysShown } from "../../keys/keys";
import { placesQuery } from "../../places/places";
import { ReminderLine } from "../../places/reminder-line";

/** What is still to be done, by section in the order of the text, and what has been settled. */
export function RemindersDrawer() {
  const session = useSession("RemindersDrawer");
  const id = useDocument("RemindersDrawer", (state) => state.id);
  const places = useQuery(placesQuery(id));
  if (!places.data) return <p className="text-soft">{places.error?.message ?? "Looking…"}</p>;
  const { reminders } = places.data;
  const [open, settled] = [reminders.filter(isOpen), reminders.filter((each) => !isOpen(each))];
  const bySection = (these: readonly Reminder[]) =>
    [...Map.groupBy(these, ({ section }) => section)].map(([section, inIt]) => (
      <li key={section}>
        <h3 className="mt-3 mb-0.5 truncate text-xs font-semibold text-soft">{sectionLabel(session.state, section)}</h3>
        <ul>
          {inIt.map((reminder) => (
            <ReminderLine key={reminder.id} reminder={reminder} />
          ))}
        </ul>
      </li>
    ));
  if (reminders.length === 0)
    return (
      <p className="text-soft">
        Nothing is left to be done. Where something is, put the cursor there and press {keysShown("reminder")}: it stays
        with the words, and is never counted, printed or written to a file.
      </p>
    );
  return (
    <>
      <ol aria-label="Open reminders">{bySection(open)}</ol>
      {open.length === 0 && <p className="text-soft">All of them are settled.</p>}
      {settled.length > 0 && (
        <details className="mt-5 border-t border-line pt-3">
          <summary className="cursor-pointer rounded text-xs font-semibold text-stem">
            Settled ({settled.length})
          </summary>
          <ol aria-label="Settled reminders">{bySection(settled)}</ol>
        </details>
      )}
    </>
  );
}

function isOpen({ isSettled }: Reminder): boolean {
  return !isSettled;
}
