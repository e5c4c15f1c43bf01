import type { ComponentProps } from "react";
import { cx } from "./cx";

type Tone = "plain" | "stem" | "quiet" | "loss";

const TONES: Record<Tone, string> = {
  plain: "border border-line bg-sheet text-ink hover:border-twig",
  stem: "bg-stem text-on-stem hover:opacity-90",
  quiet: "text-soft hover:bg-wash hover:text-ink",
  loss: "text-loss hover:bg-wash",
};

export function Button({
  tone = "plain",
  className,
  type = "button",
  ...props
}: ComponentProps<"button"> & { tone?: Tone }) {
  return (
    <button
      type={type}
      className={cx(
        "inline-flex h-8 items-center gap-2 rounded-full px-4 text-[13px] font-medium whitespace-nowrap transition-colors duration-100 disabled:opacity-50",
        TONES[tone],
        className,
      )}
      {...props}
    />
  );
}

/** A picture in place of a word; its name is the hint. `shown` is how it stands on the page, where that depends on the width. */
export function RoundButton({
  name,
  shown = "grid",
  ...props
}: Omit<ComponentProps<"button">, "name" | "className"> & { name: string; shown?: string }) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className={cx("size-8 place-items-center rounded-full text-soft hover:bg-wash hover:text-ink", shown)}
      {...props}
    />
  );
}
