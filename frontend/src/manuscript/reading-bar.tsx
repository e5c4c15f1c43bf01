import { Pause, Play, Square } from "lucide-react";
import { useEffect } from "react";
import { useSession, useWindow } from "../document/context";
import { Tick } from "../parts/tick";
import { pauseOrResume, RATES, readOtherwise, stopReading, useReading } from "../speech/reading";

/** What is being read aloud, and how; at the foot of the text. */
export function ReadingBar() {
  const session = useSession("ReadingBar");
  const { state, isSilent, rate, withNotes, goesOn, problem } = useReading();
  const isPart = useWindow("ReadingBar", ({ scope }) => scope !== null);
  useEffect(() => stopReading, [session]);
  useEffect(() => {
    if (problem === null) return;
    session.messages.say(problem, "warning");
    useReading.setState({ problem: null });
  }, [problem, session]);
  if (state === "off") return null;
  const Sign = state === "reading" ? Pause : Play;
  return (
    <section
      aria-label="Reading aloud"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line bg-wash px-6 py-1.5 text-[12.5px] text-soft"
    >
      <button
        type="button"
        aria-label={state === "reading" ? "Pause" : "Go on reading"}
        title={state === "reading" ? "Pause" : "Go on reading"}
        className={SIGN}
        onClick={pauseOrResume}
      >
        <Sign size={15} aria-hidden="true" />
      </button>
      <button type="button" aria-label="Stop reading" title="Stop reading" className={SIGN} onClick={stopReading}>
        <Square size={13} aria-hidden="true" />
      </button>
      <label className="flex items-center gap-2">
        Speed
        <input
          type="range"
          min={RATES.least}
          max={RATES.most}
          step={RATES.step}
          value={rate}
          aria-valuetext={`${rate} times`}
          onChange={(event) => readOtherwise(session, { rate: event.target.valueAsNumber })}
          className="w-24 accent-stem"
        />
        <span aria-hidden="true" className="w-8 tabular-nums">
          {rate}×
        </span>
      </label>
      <Tick checked={withNotes} onTick={(isTicked) => readOtherwise(session, { withNotes: isTicked })}>
        Notes
      </Tick>
      <Tick checked={goesOn} onTick={(isTicked) => useReading.setState({ goesOn: isTicked })}>
        {isPart ? "On to the end of what is shown" : "On to the end of the document"}
      </Tick>
      {isSilent && <p className="text-faint">This browser has no voice: the words are marked in silence.</p>}
    </section>
  );
}

const SIGN = "grid size-7 place-items-center rounded-full text-stem hover:bg-sheet";
