// Typesets one document: keeps its sources and the warm compiler, and answers with the pages of all places and the PDF.
// Used by worker.mjs, which serves one document for long, and by once.mjs, which serves one request.
import { spawnSync } from "node:child_process";
import { readFileSync, readdirSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { NodeCompiler } from "@myriaddreamin/typst-ts-node-compiler";

const require = createRequire(import.meta.url);
// A folder that is not there: nothing but what is added below can be read.
const ROOT = "/nowhere";
const SHIPPED_SOURCES = ["book.typ", "looks.typ", "tables.typ"];
const DEBIAN_FONTS = ["/usr/share/fonts/truetype/noto", "/usr/share/fonts/opentype/noto", "/usr/share/fonts/opentype/opendyslexic"];
const SHIPPED_FONTS = ["literata", "eb-garamond", "stix-two-text", "figtree", "atkinson-hyperlegible"];
/** Sections that are left out because the engine cannot set them, before it gives up. */
const MOST_LEFT_OUT = 20;
/** What was of no use in the last run is forgotten, so that a long document takes no more than it must. */
const FORGET_AFTER = 1;
/** Drawings that may take long are drawn apart first: so many seconds each, so many for all that come at once, and bytes. */
const DRAWING_SECONDS = 8;
const DRAWINGS_SECONDS = 24;
const DRAWING_BYTES = 1_500_000_000;
const LONG_DRAWING = 100_000;
const COSTLY_PARTS = /<(?:\w+:)?(?:filter|mask|pattern|use|symbol|marker|image|clipPath)[\s>]/;
const NO_PICTURE = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="96" height="48"/>');

function fontFolders() {
  const shipped = SHIPPED_FONTS.map((name) => dirname(require.resolve(`@expo-google-fonts/${name}/package.json`)));
  const there = DEBIAN_FONTS.filter((folder) => {
    try {
      return readdirSync(folder).length > 0;
    } catch {
      return false;
    }
  });
  return [...shipped, ...there];
}

/** What went wrong, in the engine's words: `message: "…"` in what it throws. */
const messageOf = (error) => /message: "((?:[^"\\]|\\.)*)"/.exec(String(error?.message ?? error))?.[1] ?? String(error);

/** The engine loses its way among the tags of some tables that go on over pages. */
const isUntaggable = (error) => messageOf(error).includes("PDF tag would be split up");

export class Press {
  #compiler = NodeCompiler.create({ workspace: ROOT, fontArgs: [{ fontPaths: fontFolders() }] });
  /** The key of each section's source, by id. */
  #keys = new Map();
  #pictures = new Set();
  /** Those of them that cannot be drawn. */
  #undrawn = new Set();
  #texts = new Map();
  /** The sources that the compiler has, by path. */
  #held = new Map();
  /** What came of them; nothing when they have changed since. */
  #made = null;

  constructor() {
    for (const name of SHIPPED_SOURCES) {
      this.#compiler.addSource(join(ROOT, name), readFileSync(new URL(`../${name}`, import.meta.url), "utf8"));
    }
  }

  /** What of a request is not there yet: ids of sections, hashes of pictures. */
  take(request) {
    const until = Date.now() + DRAWINGS_SECONDS * 1000;
    for (const [hash, base64] of Object.entries(request.pictures ?? {})) {
      this.#takePicture(hash, Buffer.from(base64, "base64"), until);
    }
    for (const [id, [source, pictures]] of Object.entries(request.sources ?? {})) {
      this.#texts.set(id, { source, pictures });
    }
    const missing = { sections: [], pictures: new Set() };
    for (const [id, key] of Object.entries(request.sections)) {
      const text = this.#texts.get(id);
      if (request.sources?.[id] === undefined && this.#keys.get(id) !== key) {
        missing.sections.push(id);
        continue;
      }
      this.#keys.set(id, key);
      for (const hash of text.pictures) {
        if (!this.#pictures.has(hash)) missing.pictures.add(hash);
      }
      this.#put(`sections/${id}.typ`, text.source);
    }
    return { sections: missing.sections, pictures: [...missing.pictures] };
  }

  /** The pages; `pdf` holds bytes when they were asked for. */
  make(request) {
    this.#forget(request);
    this.#put("look.typ", request.look);
    this.#put("main.typ", request.main);
    this.#made ??= this.#compiled();
    const { document, answer } = this.#made;
    if (request.pdf === undefined) return { answer };
    return { answer, pdf: this.#pdf(document, request.pdf, answer) };
  }

  /** Pages of the sources as they are now. */
  #compiled() {
    const findings = [];
    for (const [id, { pictures }] of this.#undrawn.size === 0 ? [] : this.#texts) {
      if (pictures.some((hash) => this.#undrawn.has(hash))) findings.push({ kind: "undrawn", section: id });
    }
    const began = performance.now();
    const document = this.#set(findings);
    const milliseconds = performance.now() - began;
    this.#compiler.evictCache(FORGET_AFTER);
    const [{ spots }] = this.#compiler.query(document, { selector: "<pages>", field: "value" });
    return { document, answer: { pages: document.numOfPages, spots, findings, milliseconds } };
  }

  #put(path, source) {
    if (this.#held.get(path) === source) return;
    this.#held.set(path, source);
    this.#made = null;
    this.#compiler.addSource(join(ROOT, path), source);
  }

  /** Sections that are gone. */
  #forget(request) {
    for (const id of this.#keys.keys()) {
      if (request.sections[id] !== undefined) continue;
      this.#keys.delete(id);
      this.#texts.delete(id);
      this.#held.delete(`sections/${id}.typ`);
      this.#made = null;
      this.#compiler.unmapShadow(join(ROOT, `sections/${id}.typ`));
    }
  }

  #set(findings) {
    for (let left = 0; ; left++) {
      const result = this.#compiler.compile({ mainFilePath: join(ROOT, "main.typ") });
      if (result.result !== null) {
        const warnings = result.takeWarnings();
        for (const { message } of warnings?.shortDiagnostics ?? []) {
          if (message.includes("did not converge")) findings.push({ kind: "unsteady" });
        }
        return result.result;
      }
      const errors = result.takeError();
      const found = this.#compiler.fetchDiagnostics(errors);
      const guilty = this.#guilty(found);
      if (guilty === null || left >= MOST_LEFT_OUT) {
        throw new Error(found[0]?.message ?? "The engine gave no reason.");
      }
      findings.push({ kind: "left-out", section: guilty, reason: found[0]?.message ?? "" });
      // Set as plain words, so that nothing of the section is lost from the pages.
      this.#put(`sections/${guilty}.typ`, plainSource(guilty, this.#texts.get(guilty).source));
    }
  }

  #guilty(diagnostics) {
    for (const { path } of diagnostics) {
      const id = /sections[/\\](.+)\.typ$/.exec(path ?? "")?.[1];
      if (id !== undefined && this.#texts.has(id)) return id;
    }
    return null;
  }

  #pdf(document, { standard, created }, answer) {
    for (const pdfStandard of standard === "tagged" ? [] : [standard]) {
      try {
        const bytes = this.#written(document, { pdfStandard, creationTimestamp: created }, answer);
        answer.standard = pdfStandard;
        return bytes;
      } catch (error) {
        answer.refused = isUntaggable(error)
          ? "A table that goes on over several pages could not be tagged; the file has no tags"
          : messageOf(error);
      }
    }
    answer.standard = "tagged";
    return this.#written(document, { creationTimestamp: created }, answer);
  }

  /** The engine cannot tag some tables that go on over pages; the pages themselves are right, and come without tags. */
  #written(document, options, answer) {
    try {
      return this.#compiler.pdf(document, options);
    } catch (error) {
      if (options.pdfStandard === "ua-1" || !isUntaggable(error)) throw error;
      answer.findings.push({ kind: "untagged" });
      return this.#compiler.pdf(document, { ...options, pdfTags: false });
    }
  }

  /** A picture that the engine cannot draw must not keep a document from its pages. */
  #takePicture(hash, bytes, until) {
    const path = join(ROOT, `pictures/${hash}`);
    this.#pictures.add(hash);
    if (isDrawnInTime(bytes, until)) {
      this.#compiler.mapShadow(path, bytes);
      if (this.#compiler.compile({ mainFileContent: `#image("/pictures/${hash}")` }).result !== null) return;
    }
    this.#undrawn.add(hash);
    this.#compiler.mapShadow(path, NO_PICTURE);
  }
}

/** Groups by the ten thousand and large filters take minutes, or end the process: those are tried in one of their own. */
function isDrawnInTime(bytes, until) {
  const begin = bytes.subarray(0, 4096).toString("latin1");
  const isDemanding =
    begin.includes("<svg") && (bytes.length > LONG_DRAWING || COSTLY_PARTS.test(bytes.toString("latin1")));
  if (!isDemanding) return true;
  const milliseconds = Math.min(DRAWING_SECONDS * 1000, until - Date.now());
  if (milliseconds <= 0) return false;
  const trial = [`--data=${DRAWING_BYTES}`, process.execPath, fileURLToPath(new URL("./drawing.mjs", import.meta.url))];
  return spawnSync("prlimit", trial, { input: bytes, timeout: milliseconds, killSignal: "SIGKILL" }).status === 0;
}

/** Its words alone: every string literal of the source is a run of them. */
function plainSource(id, source) {
  const literals = source.slice(source.indexOf("\n") + 1).match(/(?<=#)"(?:[^"\\]|\\.)*"(?=;)/g) ?? [];
  return `#import "/book.typ": *\n#section(${JSON.stringify(id)}, 0, "", [], "")\n${literals.map((each) => `#${each};`).join("\n\n")}\n`;
}
