import { formulas } from "../generated/body-schema.json";

/** What a source of a formula comes to: its picture, or what is wrong with it. */
export type DrawnFormula = { element: Element; problem: null } | { element: null; problem: string };

/** Formulas are kept as TeX or as MathML; the core’s rule is Formula. */
export function isMathMl(source: string): boolean {
  return source.trimStart().startsWith("<math");
}

/** Draws a formula. Nothing in it can run, lead or fetch, for only elements of MathML are taken over. */
export async function drawnFormula(source: string, isBlock: boolean): Promise<DrawnFormula> {
  const mathMl = isMathMl(source) ? { made: source } : await fromTex(source, isBlock);
  if (mathMl.made === undefined) return { element: null, problem: mathMl.problem };
  const parsed = new DOMParser().parseFromString(mathMl.made, "application/xml").documentElement;
  if (parsed.localName !== "math") return { element: null, problem: "This is no formula in MathML." };
  const element = copied(parsed, LOOKS);
  if (isBlock) element.setAttribute("display", "block");
  return { element, problem: null };
}

/**
 * A source as the core keeps it: of MathML the elements that say what a formula is, and nothing else; null for one that it
 * would not take.
 */
export function soundSource(typed: string): string | null {
  const source = typed.trim();
  if (source === "" || new TextEncoder().encode(source).length > formulas.mostBytes) return null;
  if (!isMathMl(source)) return source;
  const parsed = new DOMParser().parseFromString(source, "application/xml").documentElement;
  return parsed.localName === "math"
    ? new XMLSerializer().serializeToString(copied(parsed, formulas.attributes))
    : null;
}

type Made = { made: string; problem?: never } | { made?: never; problem: string };

async function fromTex(source: string, displayMode: boolean): Promise<Made> {
  if (source.trim() === "") return { problem: "" };
  const { default: temml } = await import("temml");
  try {
    const options = { displayMode, xml: true, strict: false, throwOnError: true, maxExpand: 1000 };
    return { made: temml.renderToString(source, { ...options, maxSize: [50, 50] }) };
  } catch (failure) {
    const words = failure instanceof Error ? failure.message : "";
    return {
      problem: words
        .replace(/^(?:ParseError|Error): */i, "")
        .replace(/\s+/g, " ")
        .slice(0, 200),
    };
  }
}

const ELEMENTS = new Set(formulas.elements);
/** Beside what the core keeps, the looks that the library gives its own output. */
const LOOKS = [...formulas.attributes, "class", "style"];

function copied(from: Element, attributes: readonly string[]): Element {
  const name = ELEMENTS.has(from.localName) ? from.localName : "mrow";
  const copy = document.createElementNS(formulas.namespace, name);
  for (const { name: attribute, value } of from.attributes)
    if (attributes.includes(attribute)) copy.setAttribute(attribute, value);
  for (const child of from.childNodes) {
    const isLeftOut = child instanceof Element && child.localName.startsWith("annotation");
    if (child instanceof Element && !isLeftOut) copy.append(copied(child, attributes));
    else if (child instanceof Text) copy.append(child.data);
  }
  return copy;
}
