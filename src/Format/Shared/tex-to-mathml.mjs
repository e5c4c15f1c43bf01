// Turns formulas in TeX into MathML, for files and for programs that read no TeX: a source in JSON a line, and its MathML
// in JSON a line; null for one that cannot be read.
import { createInterface } from "node:readline";
import temml from "temml";

for await (const line of createInterface({ input: process.stdin })) {
  let made = null;
  try {
    made = temml.renderToString(JSON.parse(line), { xml: true, strict: false, throwOnError: true, maxExpand: 1000, maxSize: [50, 50] });
  } catch {
    // The words of the source stand for it.
  }
  process.stdout.write(JSON.stringify(made) + "\n");
}
