import { useState, type ComponentProps } from "react";

type Props = Omit<ComponentProps<"input">, "value" | "defaultValue" | "onChange" | "onBlur" | "onKeyDown"> & {
  value: string;
  /** What a field that is left empty says. */
  whenEmpty?: string;
  /** What it gives is waited for: until then nothing from elsewhere is shown, which may be older than what was handed over. */
  onKeep: (words: string) => Promise<unknown> | void;
};

/**
 * A line that is kept by Enter, which leaves the keys in it, or when it is left. What is refused stays, to be changed; what
 * comes from elsewhere does not take the place of what is being typed.
 */
export function KeptField({ value, whenEmpty = "", onKeep, ...props }: Props) {
  const [typed, setTyped] = useState(value);
  const [seen, setSeen] = useState(value);
  /** What the field said when its writer began to type; null while nothing is typed that was not handed over. */
  const [before, setBefore] = useState<string | null>(null);
  const [underWay, setUnderWay] = useState(0);
  if (seen !== value) {
    setSeen(value);
    if (before === null && underWay === 0) setTyped(value);
  }
  const keep = async (isAgain: boolean) => {
    const words = typed.trim();
    const shown = words || whenEmpty;
    const isNew = before === null ? isAgain && shown !== value : shown !== before || shown !== value;
    setTyped(shown);
    setBefore(null);
    if (!isNew) return;
    const answer = onKeep(words);
    if (!answer) return;
    setUnderWay((count) => count + 1);
    await answer.finally(() => setUnderWay((count) => count - 1));
  };
  return (
    <input
      {...props}
      value={typed}
      onChange={(event) => (setTyped(event.target.value), setBefore(before ?? typed))}
      onBlur={() => void keep(false)}
      onKeyDown={(event) => event.key === "Enter" && void keep(true)}
    />
  );
}
