import { useState } from "react";
import { plainKey } from "../keys/plain-key";

type Props = {
  label: string;
  value: string;
  placeholder: string;
  /** Whether it may have several lines; Enter then begins one with Shift only. */
  hasLines?: boolean;
  onChange: (value: string) => void;
};

/** Words that can be rewritten in place, in a field that grows with them. */
export function WordsField({ label, value, placeholder, hasLines = false, onChange }: Props) {
  const [words, setWords] = useState(value);
  return (
    <textarea
      // Where the browser cannot let a field grow with its words, the height is guessed from their number.
      rows={CSS.supports("field-sizing", "content") ? 1 : Math.ceil((words || placeholder).length / 30)}
      aria-label={label}
      value={words}
      placeholder={placeholder}
      onChange={(event) => setWords(hasLines ? event.target.value : event.target.value.replace(/\n/g, " "))}
      onBlur={() => words.trim() !== value && onChange(words.trim())}
      onKeyDown={(event) => {
        if (plainKey(event) === "Enter" && !event.shiftKey) event.currentTarget.blur();
        if (plainKey(event) === "Escape") setWords(value);
      }}
      className="block field-sizing-content w-full resize-none overflow-hidden rounded bg-transparent font-text text-[13.5px] leading-5 text-ink italic placeholder:text-faint hover:bg-wash focus:bg-wash"
    />
  );
}
