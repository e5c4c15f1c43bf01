import { useEffect, useRef, useState, type ComponentProps } from "react";

type Props = Omit<ComponentProps<"input">, "value" | "defaultValue" | "onChange" | "onBlur" | "onKeyDown"> & {
  value: string;
  /** What a field that is left empty says. */
  whenEmpty?: string;
  onKeep: (words: string) => void;
};

/**
 * A line that is kept by Enter, which leaves the keys in it, or when it is left. What is refused stays, to be changed; what
 * comes from elsewhere does not take the place of what is being typed.
 */
export function KeptField({ value, whenEmpty = "", onKeep, ...props }: Props) {
  const [typed, setTyped] = useState(value);
  const [kept, setKept] = useState(value);
  const [isTyping, setTyping] = useState(false);
  if (kept !== value) {
    setKept(value);
    if (!isTyping) setTyped(value);
  }
  // What is on its way is not handed over again when the field is left.
  const handed = useRef(value);
  useEffect(() => {
    handed.current = value;
  }, [value]);
  const keep = (isAgain: boolean) => {
    const words = typed.trim();
    const shown = words || whenEmpty;
    const isNew = shown !== handed.current || (isAgain && shown !== value);
    handed.current = shown;
    setTyped(shown);
    setTyping(false);
    if (isNew) onKeep(words);
  };
  return (
    <input
      {...props}
      value={typed}
      onChange={(event) => (setTyped(event.target.value), setTyping(true))}
      onBlur={() => keep(false)}
      onKeyDown={(event) => event.key === "Enter" && keep(true)}
    />
  );
}
