import type { Node as TextNode } from "@tiptap/pm/model";
import type { NodeView } from "@tiptap/pm/view";
import { drawnFormula } from "../editor/formula";

/** A formula in the text; where it cannot be drawn, its source stands for it. */
export class FormulaView implements NodeView {
  readonly dom: HTMLElement;
  private source = "";

  constructor(
    node: TextNode,
    private readonly isBlock: boolean,
    change: () => void,
  ) {
    this.dom = document.createElement(isBlock ? "div" : "span");
    this.dom.className = isBlock ? "formula-block" : "formula";
    this.dom.contentEditable = "false";
    this.dom.addEventListener("dblclick", (event) => (event.preventDefault(), change()));
    void this.draw(String(node.attrs["source"]));
  }

  update(node: TextNode): boolean {
    if (node.type.name !== (this.isBlock ? "formulaBlock" : "formula")) return false;
    void this.draw(String(node.attrs["source"]));
    return true;
  }

  ignoreMutation(): boolean {
    return true;
  }

  private async draw(source: string): Promise<void> {
    if (source === this.source && this.dom.childNodes.length > 0) return;
    this.source = source;
    // Its words are there at once, for the height of the line and for who reads by ear.
    this.dom.replaceChildren(source);
    const { element, problem } = await drawnFormula(source, this.isBlock);
    if (source !== this.source) return;
    this.dom.classList.toggle("unsolved", element === null);
    this.dom.title = problem ?? "";
    if (element) this.dom.replaceChildren(element);
  }
}
