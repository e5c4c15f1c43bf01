import { cx } from "./cx";
import { FIELD } from "./field";

type Props = { label: string; value: number; most: number; onChange: (value: number) => void };

/** How many of something, from one up to a limit; 0 while the field is empty. */
export function CountField({ label, value, most, onChange }: Props) {
  return (
    <label className="flex items-center gap-2 text-soft">
      {label}
      <input
        type="number"
        required
        min={1}
        max={most}
        value={value || ""}
        onChange={(event) => onChange(event.target.valueAsNumber || 0)}
        className={cx(FIELD, "w-20")}
      />
    </label>
  );
}
