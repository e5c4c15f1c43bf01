// Draws the picture that comes in, as a PDF that nobody keeps: press.mjs looks whether it ends, in time and with success.
import { readFileSync } from "node:fs";
import { NodeCompiler } from "@myriaddreamin/typst-ts-node-compiler";

const compiler = NodeCompiler.create({ workspace: "/nowhere" });
compiler.mapShadow("/nowhere/drawing", readFileSync(0));
const { result } = compiler.compile({ mainFileContent: '#image("/drawing", format: "svg")' });
if (result === null) process.exit(1);
compiler.pdf(result);
