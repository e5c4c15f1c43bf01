import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, read, type Writing } from "../../api/client";
import { useDocument, useSession, useWindow } from "../../document/context";
import { plainKey } from "../../keys/plain-key";
import { FIELD } from "../../parts/field";
import { counted, formatNumber, shortDay } from "../../parts/words";

/** Days that the chart shows. */
const DAYS = 14;
const CHART_HEIGHT = 56;

/** How the document grows against what is planned for it. */
export function WritingPlan() {
  const session = useSession("WritingPlan");
  const id = useDocument("WritingPlan", (state) => state.id);
  const revision = useDocument("WritingPlan", (state) => state.revision);
  const current = useWindow("WritingPlan", (state) => state.current);
  const ownTarget = useDocument("WritingPlan", (state) => state.facts.get(current ?? "")?.target ?? null);
  const writing = useQuery({
    queryKey: ["writing", id],
    placeholderData: keepPreviousData,
    queryFn: () =>
      read(
        api.GET("/api/documents/{id}/writing", {
          params: { path: { id }, query: { zone: Intl.DateTimeFormat().resolvedOptions().timeZone } },
        }),
      ),
  });
  const { refetch } = writing;
  // The plan can be undone as well, or changed in another window.
  useEffect(() => void refetch(), [revision, refetch]);
  if (!writing.data) return <p className="mt-5 text-soft">{writing.error?.message ?? "Looking…"}</p>;
  const { target, sittingWords, sittingGoal, deadline, daysLeft, wordsADay } = writing.data;
  const describe = (what: { target: number } | { sittingGoal: number } | { deadline: string }) =>
    void session.changes.perform({ name: "describe-document", ...what }, { quiet: true }).then(() => refetch());
  return (
    <section aria-label="What is planned" className="mt-5 space-y-4 border-t border-line pt-4">
      <div>
        <h3 className="mb-1 text-xs font-semibold text-stem">This sitting</h3>
        <p className="tabular-nums">
          {signed(sittingWords)} {Math.abs(sittingWords) === 1 ? "word" : "words"}
          {sittingGoal !== null && ` of ${formatNumber(sittingGoal)}`}
        </p>
        {sittingGoal !== null && <Bar label="This sitting against its goal" value={sittingWords} of={sittingGoal} />}
        <WantedField
          key={`sitting ${sittingGoal}`}
          label="Words wanted in a sitting"
          value={sittingGoal}
          onWanted={(goal) => describe({ sittingGoal: goal })}
        />
      </div>
      <div>
        <h3 className="mb-1 text-xs font-semibold text-stem">The whole</h3>
        <WantedField
          key={`all ${target}`}
          label="Words wanted in all"
          value={target}
          onWanted={(wanted) => describe({ target: wanted })}
        />
        <label className="mt-1.5 flex items-center justify-between gap-3 text-soft">
          To be finished on
          <input
            type="date"
            key={deadline}
            defaultValue={deadline ?? ""}
            className={`${FIELD} px-2 py-1`}
            onBlur={(event) => event.target.value !== (deadline ?? "") && describe({ deadline: event.target.value })}
          />
        </label>
        {deadline !== null && (
          <p className="mt-2" role="status">
            {sentenceOf(writing.data, daysLeft ?? 0, wordsADay)}
          </p>
        )}
        {target !== null && (
          <Spread
            label="Spread it over the chapters"
            onSpread={() => session.changes.perform({ name: "spread-target" })}
          />
        )}
        {ownTarget !== null && current !== null && (
          <Spread
            label="Spread this section’s target over what is under it"
            onSpread={() => session.changes.perform({ name: "spread-target", section: current })}
          />
        )}
      </div>
      <Days writing={writing.data} />
    </section>
  );
}

/** A number of words that is taken when the field is left or Enter is pressed; nothing in it takes the number away. */
function WantedField({
  label,
  value,
  onWanted,
}: {
  label: string;
  value: number | null;
  onWanted: (words: number) => void;
}) {
  return (
    <label className="mt-1 flex items-center justify-between gap-3 text-soft">
      {label}
      <input
        type="number"
        min={0}
        step={1}
        defaultValue={value ?? ""}
        placeholder="none"
        className={`${FIELD} w-24 px-2 py-1 text-right`}
        onBlur={(event) => {
          const wanted = Math.max(0, Math.round(event.target.valueAsNumber || 0));
          if (wanted !== (value ?? 0)) onWanted(wanted);
        }}
        onKeyDown={(event) => plainKey(event) === "Enter" && event.currentTarget.blur()}
      />
    </label>
  );
}

function Spread({ label, onSpread }: { label: string; onSpread: () => unknown }) {
  return (
    <button type="button" className="mt-2 block rounded text-left text-stem hover:underline" onClick={() => onSpread()}>
      {label}
    </button>
  );
}

function sentenceOf({ words, target }: Writing, daysLeft: number, wordsADay: number | null): string {
  if (daysLeft === 0) return "That day is past.";
  const days = counted(daysLeft, "day");
  if (wordsADay !== null) return `${days} left: ${counted(wordsADay, "word")} a day.`;
  return target !== null && words >= target ? `${days} left, and all is written.` : `${days} left.`;
}

function signed(words: number): string {
  return words < 0 ? `−${formatNumber(-words)}` : formatNumber(words);
}

function Bar({ label, value, of }: { label: string; value: number; of: number }) {
  const share = Math.max(0, Math.min(1, value / of));
  return (
    <div
      className="my-1.5 h-1 rounded bg-line"
      role="meter"
      aria-label={label}
      aria-valuenow={Math.max(0, Math.min(of, value))}
      aria-valuemin={0}
      aria-valuemax={of}
    >
      <div className="h-1 rounded bg-stem" style={{ width: `${share * 100}%` }} />
    </div>
  );
}

/** What the last days brought, one leaf of a stem each. */
function Days({ writing: { days, today } }: { writing: Writing }) {
  const brought = new Map(days.map(({ day, words }) => [day, words]));
  const shown = Array.from({ length: DAYS }, (_, at) => {
    const date = new Date(`${today}T12:00:00Z`);
    date.setUTCDate(date.getUTCDate() - (DAYS - 1 - at));
    const day = date.toISOString().slice(0, 10);
    return { day, words: brought.get(day) ?? 0 };
  });
  const most = Math.max(1, ...shown.map(({ words }) => Math.abs(words)));
  return (
    <div>
      <h3 className="mb-2 text-xs font-semibold text-stem">Words a day</h3>
      <ol className="flex items-end gap-1 border-b border-twig" style={{ height: CHART_HEIGHT }}>
        {shown.map(({ day, words }) => (
          <li key={day} className="relative flex-1" title={`${shortDay(day)}: ${signed(words)}`}>
            <span className="sr-only">
              {shortDay(day)}: {signed(words)}
            </span>
            <span
              aria-hidden="true"
              className={`block rounded-[80%_0_0_0] ${words < 0 ? "bg-ochre" : "bg-stem"}`}
              style={{ height: words === 0 ? 0 : Math.max(2, (Math.abs(words) / most) * (CHART_HEIGHT - 4)) }}
            />
          </li>
        ))}
      </ol>
      <p className="mt-1 flex justify-between text-[11px] text-faint" aria-hidden="true">
        <span>{shortDay(shown[0]?.day ?? today)}</span>
        <span>today</span>
      </p>
    </div>
  );
}
