import type { Node as TextNode } from "@tiptap/pm/model";
import type { NodeView } from "@tiptap/pm/view";
import { api, read } from "../api/client";

const PAUSE = 250;

/** A calculation in the text with its exact result beside it, worked out anew as it is typed. */
export class CalculationView implements NodeView {
  readonly dom: HTMLElement;
  readonly contentDOM: HTMLElement;
  private readonly result: HTMLElement;
  private expression = "";
  private timer: number | undefined;

  constructor(
    node: TextNode,
    private readonly language: () => string,
  ) {
    this.dom = document.createElement("div");
    this.dom.className = "calculation";
    this.contentDOM = document.createElement("code");
    this.result = document.createElement("output");
    this.result.contentEditable = "false";
    this.dom.append(this.contentDOM, this.result);
    this.show(node.textContent, 0);
  }

  update(node: TextNode): boolean {
    if (node.type.name !== "calculation") return false;
    this.show(node.textContent, PAUSE);
    return true;
  }

  ignoreMutation(mutation: { target: Node }): boolean {
    return !this.contentDOM.contains(mutation.target);
  }

  destroy(): void {
    window.clearTimeout(this.timer);
  }

  private show(expression: string, pause: number): void {
    if (expression === this.expression) return;
    this.expression = expression;
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.workOut(expression), pause);
  }

  private async workOut(expression: string): Promise<void> {
    const answer = await read(api.POST("/api/calculations", { body: { expression, language: this.language() } })).catch(
      () => null,
    );
    // An answer to what has been typed over since is no answer.
    if (answer === null || expression !== this.expression) return;
    this.result.textContent =
      expression.trim() === "" ? "" : answer.result !== null ? `= ${answer.result}` : (answer.problem ?? "");
    this.result.classList.toggle("unsolved", answer.result === null);
  }
}
