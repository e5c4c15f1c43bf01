const number = new Intl.NumberFormat("en-GB");

export function formatNumber(value: number): string {
  return number.format(value);
}

/** “1,200” and “1 200” are 1200; null for anything but a whole number from 0. */
export function wholeNumber(words: string): number | null {
  const plain = words.replace(/(?<=\d)[,.\s](?=\d{3}(?!\d))/g, "").trim();
  return /^\d{1,9}$/.test(plain) ? Number(plain) : null;
}

/** “1 word”, “20,418 words”. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${formatNumber(count)} ${count === 1 ? one : many}`;
}

/** “24 November 2026” */
export function day(seconds: number): string {
  return new Intl.DateTimeFormat("en-GB", { dateStyle: "long" }).format(new Date(seconds * 1000));
}

/** “14:05” */
export function clockTime(seconds: number): string {
  return new Intl.DateTimeFormat("en-GB", { timeStyle: "short" }).format(new Date(seconds * 1000));
}

/** “just now”, “5 minutes ago”, “yesterday”, “on 24 November 2026”. */
export function since(seconds: number, now = Date.now()): string {
  const minutes = Math.round((now / 1000 - seconds) / 60);
  if (minutes < 1) return "just now";
  if (minutes < 60) return `${counted(minutes, "minute")} ago`;
  const hours = Math.round(minutes / 60);
  if (hours < 24) return `${counted(hours, "hour")} ago`;
  if (hours < 48) return "yesterday";
  return `on ${day(seconds)}`;
}

/** “29 Nov” of “2026-11-29”. */
export function shortDay(day: string): string {
  return new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" }).format(new Date(day));
}

/** @param speed words read in a minute, as the server says */
export function readingTime(words: number, speed: number): string {
  return `${lasting(Math.round((words / speed) * 60))} to read`;
}

/** “40 s”, “4 min 20 s”, “34 min”, “70 h 1 min”. */
export function lasting(seconds: number): string {
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes >= 120) return `${formatNumber(Math.floor(minutes / 60))} h ${minutes % 60} min`;
  return minutes < 10 && seconds % 60 > 0 ? `${minutes} min ${seconds % 60} s` : `${formatNumber(minutes)} min`;
}
