import { useEffect, useState } from "react";
import { usePages } from "../document/context";
import { Progress } from "../parts/progress";
import { counted } from "../parts/words";

/** Shorter waits are told in a word (milliseconds). */
const WORTH_TELLING = 1500;

/** How long it was waited for pages, and how long that may take in all (seconds); null for a wait that is short. */
function useWait(): { passed: number; expected: number; place: number } | null {
  const wait = usePages("PagesWait", (state) => state.wait);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wait) return;
    const timer = window.setInterval(() => setNow(Date.now()), 500);
    return () => window.clearInterval(timer);
  }, [wait]);
  if (!wait || now - wait.since < WORTH_TELLING) return null;
  return {
    passed: Math.round((now - wait.since) / 1000),
    expected: Math.max(1, Math.round(wait.expected / 1000)),
    place: wait.place,
  };
}

const left = ({ passed, expected, place }: { passed: number; expected: number; place: number }): string => {
  if (place === 1) return "other documents have their turn, this one is next";
  if (place > 1) return `${counted(place - 1, "document")} before this one`;
  return passed < expected
    ? `about ${counted(expected - passed, "second")} more`
    : `${counted(passed, "second")} so far, longer than expected`;
};

/** While there are no pages yet. */
export function FirstPages() {
  const wait = useWait();
  if (!wait) return <>Setting the pages…</>;
  return (
    <Progress
      words={`Setting the pages: ${left(wait)}`}
      done={wait.place > 0 ? 0 : Math.min(wait.passed, wait.expected * 0.97)}
      of={wait.expected}
    />
  );
}

/** While the pages that are shown are those of before the last changes. */
export function PagesBehind() {
  const isBehind = usePages("PagesBehind", (state) => state.isBehind && state.revision > 0);
  const wait = useWait();
  if (!isBehind) return null;
  return (
    <span className="text-ochre">
      {" · "}
      {wait ? `as before your last change; new pages: ${left(wait)}` : "catching up…"}
    </span>
  );
}
