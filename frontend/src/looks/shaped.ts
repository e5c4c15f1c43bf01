import { GROUPS } from "./properties";

/** What is said by hand, by property; its line is “property:value;property:value”. */
export type Said = Readonly<Record<string, string>>;

export function saidIn(shape: string): Said {
  return Object.fromEntries(
    shape
      .split(";")
      .filter((each) => each.includes(":"))
      .map((each) => [each.slice(0, each.indexOf(":")), each.slice(each.indexOf(":") + 1)]),
  );
}

/** In the words of the panel: “Size 14pt, Alignment Centred”. */
export function shapeInWords(shape: string): string {
  const properties = GROUPS.flatMap((group) => group.properties);
  return Object.entries(saidIn(shape))
    .map(([name, value]) => {
      const property = properties.find((each) => each.name === name);
      const words = property?.as === "yes" ? (value === "yes" ? "" : "no") : (property?.choices?.[value] ?? value);
      return `${property?.words ?? name} ${words}`.trim();
    })
    .join(", ");
}

/** @param value null takes away what is said of the property */
export function saying(shape: string, property: string, value: string | null): string {
  const said = Object.entries({ ...saidIn(shape), [property]: value }).filter((each) => each[1] !== null);
  // The core puts them in order, and refuses what cannot be said.
  return said.map(([name, each]) => `${name}:${String(each).replaceAll(";", " ")}`).join(";");
}

let underWay: Promise<unknown> = Promise.resolve();

/** What is said waits for what was said before it, and adds to that. */
export function inTurn(say: () => Promise<unknown>): Promise<unknown> {
  underWay = underWay.then(say, say);
  return underWay;
}
