import { Check } from "lucide-react";
import type { Reminder } from "../api/client";
import { useSession } from "../document/context";
import { cx } from "../parts/cx";

/** A reminder in a list: gone to by its words, settled or opened again by its sign. */
export function ReminderLine({ reminder }: { reminder: Reminder }) {
  const session = useSession("ReminderLine");
  const { id, section, words, isSettled } = reminder;
  return (
    <li className="flex items-start gap-2 py-0.5">
      <button
        type="button"
        role="checkbox"
        aria-checked={isSettled}
        aria-label={`Settled: ${words}`}
        title={isSettled ? "Open it again" : "Settle it"}
        className={cx(
          "mt-0.5 grid size-4 shrink-0 place-items-center rounded-[0_70%_0_70%] border",
          isSettled ? "border-twig text-soft" : "border-ochre bg-ochre/15 text-transparent hover:text-ochre",
        )}
        onClick={() =>
          void session.changes.perform({ name: "change-reminder", section, reminder: id, settled: !isSettled })
        }
      >
        <Check size={10} strokeWidth={3} aria-hidden="true" />
      </button>
      <button
        type="button"
        className={cx("min-w-0 rounded text-left hover:text-stem", isSettled && "text-faint")}
        onClick={() => session.navigation.goTo({ section, bookmark: id })}
      >
        {words}
      </button>
    </li>
  );
}
