import { Moon, Sun } from "lucide-react";
import { useState } from "react";

type Theme = "day" | "night";
const KEY = "stemmata:theme";

export function startTheme(): void {
  document.documentElement.dataset["theme"] =
    kept() ?? (window.matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day");
}

export function ThemeButton() {
  const [theme, setTheme] = useState<Theme>(document.documentElement.dataset["theme"] === "night" ? "night" : "day");
  const other = theme === "day" ? "night" : "day";
  const turn = () => {
    document.documentElement.dataset["theme"] = other;
    localStorage.setItem(KEY, other);
    setTheme(other);
  };
  const Icon = theme === "day" ? Moon : Sun;
  return (
    <button
      type="button"
      onClick={turn}
      aria-label={`Change to ${other} theme`}
      title={`Change to ${other} theme`}
      className="grid size-8 place-items-center rounded-full text-soft hover:bg-wash hover:text-ink"
    >
      <Icon size={16} strokeWidth={1.6} aria-hidden="true" />
    </button>
  );
}

function kept(): Theme | null {
  const value = localStorage.getItem(KEY);
  return value === "day" || value === "night" ? value : null;
}
