const SIGNS = "abcdefghijklmnopqrstuvwxyz0123456789";

/** An id as the core wants it: a small letter and eleven digits or small letters. */
export function newId(): string {
  const randomValues = crypto.getRandomValues(new Uint32Array(12));
  return Array.from(randomValues, (value, index) => SIGNS[value % (index === 0 ? 26 : 36)]).join("");
}
