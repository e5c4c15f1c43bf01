import { Moon, Sun } from "lucide-react";
import { RoundButton } from "./button";
import { setComfort, useComfort } from "./comfort";

export function ThemeButton() {
  const theme = useComfort((state) => state.theme);
  const other = theme === "night" ? "day" : "night";
  const Icon = other === "night" ? Moon : Sun;
  return (
    <RoundButton name={`Change to ${other} theme`} onClick={() => setComfort({ theme: other })}>
      <Icon size={16} strokeWidth={1.6} aria-hidden="true" />
    </RoundButton>
  );
}
