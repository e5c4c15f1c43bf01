import { useEffect, useState } from "react";

/**
 * The value as it was until the window has been painted, and then as it is: what costs most to draw comes a frame after
 * the answer to the hand, instead of holding it up.
 */
export function useAfterPaint<T>(value: T): T {
  const [painted, setPainted] = useState(value);
  useEffect(() => {
    if (Object.is(painted, value)) return;
    let timer: number | undefined;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => setPainted(value));
    });
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(timer);
    };
  }, [painted, value]);
  return painted;
}
