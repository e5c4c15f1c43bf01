import { useEffect } from "react";
import { useShownSheet } from "./shown-sheet";
import { useStyleSheet } from "./use-style-sheet";

/** The rules by which the text has the look of its style sheet, wherever it is shown. */
export function SheetRules() {
  const sheet = useStyleSheet();
  useEffect(() => {
    useShownSheet.setState({ sheet: sheet ?? null });
    return () => useShownSheet.setState({ sheet: null });
  }, [sheet]);
  return sheet ? <style>{sheet.css}</style> : null;
}
