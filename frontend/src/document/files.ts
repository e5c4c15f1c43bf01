import type { StoreApi } from "zustand/vanilla";
import { api, read, sentenceOf, UNREACHABLE } from "../api/client";
import type { operations } from "../generated/api";
import type { Scope } from "../outline/scope";
import type { Messages } from "./messages";
import { fetchPages } from "./fetch-pages";
import { documentName, sectionName } from "./section-name";
import type { DocumentState } from "./state";

export type FileFormat = operations["exportDocument"]["parameters"]["query"]["format"];

export type PdfStandard = NonNullable<NonNullable<operations["readPdf"]["parameters"]["query"]>["standard"]>;

const STANDARDS: Record<PdfStandard, string> = {
  "ua-1": "PDF/UA-1, for everyone to read",
  "a-2u": "PDF/A-2u, for an archive",
  tagged: "tagged",
};

/** By then the browser has taken a file that was handed to it (milliseconds). */
const TAKEN = 60_000;

/** The document, or a part of it, as a file, on paper or as a starter; always with what was typed last. */
export class Files {
  constructor(
    private readonly store: StoreApi<DocumentState>,
    private readonly messages: Messages,
    private readonly flush: () => Promise<void>,
    private readonly show: (section: string) => void,
  ) {}

  async write(format: FileFormat, scope?: Scope): Promise<void> {
    if (format === "pdf") return this.writePdf("ua-1", scope);
    await this.flush();
    window.location.assign(this.address(format, scope));
    const query = { params: { path: { id: this.id }, query: { format } } };
    const passedOver = await read(api.GET("/api/documents/{id}/passed-over", query)).catch(() => []);
    if (passedOver.length > 0) this.messages.say(passedOver.join(" "));
  }

  /** The pages as a file that keeps to a standard; when the structure does not allow it, that is told. */
  async writePdf(standard: PdfStandard, scope?: Scope): Promise<void> {
    await this.flush();
    const query = new URLSearchParams({ ...scopeQuery(scope), standard });
    const answer = await fetchPages(`/api/documents/${this.id}/pages.pdf?${query}`);
    if (!answer?.ok) return this.messages.say(await problemOf(answer), "warning");
    this.download(await answer.blob(), scope?.heads[0]);
    const reason = answer.headers.get("Stemmata-Not-As-Asked");
    if (reason === null) return;
    const said = `Written as a PDF that is not yet ${STANDARDS[standard]}. ${decodeURIComponent(reason)}`;
    const place = answer.headers.get("Stemmata-Place");
    if (place === null) this.messages.say(said);
    else this.messages.offer(said, "Show the place", () => this.show(place));
  }

  /** Links that would be words only in a file: how many lead to what is gone, and which kept files others lead to. */
  async deadLinks(scope?: Scope): Promise<{ count: number; keptFiles: string[] }> {
    await this.flush();
    const params = { path: { id: this.id }, query: scopeQuery(scope) };
    const none = { count: 0, keptFiles: [] };
    return read(api.GET("/api/documents/{id}/dead-links", { params })).catch(() => none);
  }

  /** The pages, as the browser prints a PDF. */
  async print(scope?: Scope, keepsPageNumbers = false): Promise<void> {
    await this.flush();
    const query = new URLSearchParams({ ...scopeQuery(scope), ...(keepsPageNumbers ? { pageNumbers: "kept" } : {}) });
    const address = `/api/documents/${this.id}/pages.pdf?${query}`;
    const answer = await fetchPages(address);
    if (!answer?.ok) return this.messages.say(await problemOf(answer), "warning");
    this.printPages(await answer.blob());
  }

  /** Pages that are at hand, as a file named like the document, or like the branch that they are. */
  download(pages: Blob, branch?: string): void {
    const state = this.store.getState();
    const name = branch === undefined ? documentName(state) : sectionName(state, branch);
    const link = document.createElement("a");
    link.href = URL.createObjectURL(pages);
    link.download = `${name.replace(/[^\p{L}\p{N}’]+/gu, " ").trim() || "Untitled"}.pdf`;
    link.click();
    window.setTimeout(() => URL.revokeObjectURL(link.href), TAKEN);
  }

  /** Pages that are at hand, as the browser prints a PDF. */
  printPages(pages: Blob): void {
    const file = URL.createObjectURL(pages);
    // What was printed before is done with by now; when, no browser says.
    const before = document.querySelector<HTMLIFrameElement>("[data-printed]");
    if (before) URL.revokeObjectURL(before.src);
    before?.remove();
    const page = document.createElement("iframe");
    page.hidden = true;
    page.title = "What is printed";
    page.dataset["printed"] = "";
    page.src = file;
    page.addEventListener("load", () => {
      try {
        page.contentWindow?.print();
      } catch {
        // Some browsers show a PDF in a window that belongs to them.
        window.open(file, "_blank", "noopener");
      }
    });
    document.body.append(page);
  }

  /** Keeps branches, or words of a section, to be put into any document. */
  async keepStanding(part: { sections: string; from?: number; to?: number }): Promise<void> {
    await this.flush();
    const answer = await read(api.POST("/api/standing", { body: { document: this.id, ...part } })).catch(
      (failure: unknown) => failure,
    );
    if (answer instanceof Error) this.messages.say(answer.message, "warning");
    else this.messages.say("Kept as standing text: it can be put into any document, and lies on the Desk.");
  }

  async keepAsStarter(name: string): Promise<void> {
    const params = { path: { id: this.id } };
    const answer = await read(api.POST("/api/documents/{id}/starter", { params, body: { name } })).catch(
      (failure: unknown) => failure,
    );
    if (answer instanceof Error) this.messages.say(answer.message, "warning");
    else this.messages.say(`“${name}” is among the starters now.`);
  }

  private get id(): string {
    return this.store.getState().id;
  }

  private address(format: FileFormat, scope: Scope | undefined): string {
    const query = new URLSearchParams({ format, ...scopeQuery(scope) });
    return `/api/documents/${this.id}/export?${query}`;
  }
}

/** A part of the document as it is asked for. */
function scopeQuery(scope: Scope | undefined): { sections?: string; extent?: Scope["extent"] } {
  return scope ? { sections: scope.heads.join(","), extent: scope.extent } : {};
}

/** What a refused request says of itself. */
async function problemOf(answer: Response | null): Promise<string> {
  return answer === null ? UNREACHABLE : sentenceOf(await answer.json().catch(() => null));
}
