import type { ReactNode } from "react";

/** Something that is so or is not, with its words beside the box. */
export function Tick({
  checked,
  onTick,
  children,
}: {
  checked: boolean;
  onTick: (isTicked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onTick(event.target.checked)}
        className="size-3.5 shrink-0 accent-(--stem)"
      />
      <span>{children}</span>
    </label>
  );
}
