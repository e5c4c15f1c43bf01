import { Moon, Sun } from "lucide-react";
import { setComfort, useComfort } from "./comfort";

export function ThemeButton() {
  const theme = useComfort((state) => state.theme);
  const other = theme === "night" ? "day" : "night";
  const Icon = other === "night" ? Moon : Sun;
  return (
    <button
      type="button"
      onClick={() => setComfort({ theme: other })}
      aria-label={`Change to ${other} theme`}
      title={`Change to ${other} theme`}
      className="grid size-8 place-items-center rounded-full text-soft hover:bg-wash hover:text-ink"
    >
      <Icon size={16} strokeWidth={1.6} aria-hidden="true" />
    </button>
  );
}
