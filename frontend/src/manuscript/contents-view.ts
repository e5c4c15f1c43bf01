import type { Node as TextNode } from "@tiptap/pm/model";
import type { NodeView } from "@tiptap/pm/view";
import type { Session } from "../document/session";
import { followTarget } from "../places/places";
import { lineLooks } from "../generated/body-schema.json";
import { setUpInPlace } from "../pages/open-contents";

type Line = {
  section: string;
  level: number;
  number: string;
  heading: string;
  /** By the writer’s hand. */
  words?: string;
  out?: true;
  bookmark?: string;
};

const LOOKS: Record<string, string> = lineLooks;

/** Contents in the text: a block of links that says when the outline has moved on, and follows it when asked. */
export class ContentsView implements NodeView {
  readonly dom: HTMLElement;
  private readonly stop: () => void;
  private readonly notice: HTMLElement;

  constructor(node: TextNode, session: Session, section: string) {
    this.dom = document.createElement("nav");
    this.dom.className = "my-4 rounded-lg border border-line bg-paper px-5 py-4";
    this.dom.contentEditable = "false";
    this.dom.dataset["contents"] = "";
    this.dom.setAttribute("aria-label", String(node.attrs["title"]) || "Contents");
    this.notice = document.createElement("p");
    this.notice.className = "font-sans text-[12.5px] text-ochre flex items-center gap-3 mb-2";
    this.dom.append(
      headOf(node, () => this.setUp(section)),
      this.notice,
      listOf(node, session),
    );
    this.stop = session.store.subscribe(() => this.sayState(session, section));
    this.sayState(session, section);
  }

  stopEvent(event: Event): boolean {
    return event.target instanceof Element && event.target.closest("a, button") !== null;
  }

  ignoreMutation(): boolean {
    return true;
  }

  destroy(): void {
    this.stop();
  }

  /** Beside where they stand. */
  private setUp(section: string): void {
    const all = this.dom.closest("[data-section]")?.querySelectorAll("nav[data-contents]") ?? [];
    setUpInPlace({ section, index: [...all].indexOf(this.dom), beside: this.dom.getBoundingClientRect() });
  }

  /** What was pressed is gone then, and the keys are the text’s. */
  private async refresh(session: Session, section: string): Promise<void> {
    const text = this.dom.closest<HTMLElement>(".manuscript");
    await session.changes.perform({ name: "refresh-contents", section });
    if (document.activeElement === document.body || this.dom.contains(document.activeElement)) text?.focus();
  }

  private sayState(session: Session, section: string): void {
    const isStale = session.state.staleContents.has(section);
    if (this.notice.hidden !== isStale && this.notice.dataset["state"] !== undefined) return;
    this.notice.dataset["state"] = "";
    this.notice.hidden = !isStale;
    const refresh = document.createElement("button");
    refresh.type = "button";
    refresh.className = "font-semibold text-stem underline underline-offset-4";
    refresh.textContent = "Refresh";
    refresh.addEventListener("click", () => void this.refresh(session, section));
    this.notice.replaceChildren("The headings have changed since.", refresh);
  }
}

/** The title, and the way to where they are set up. */
function headOf(node: TextNode, onSetUp: () => void): HTMLElement {
  const head = document.createElement("div");
  head.className = "flex items-baseline gap-3";
  const setUp = document.createElement("button");
  setUp.type = "button";
  setUp.className = "font-sans text-[12.5px] text-soft hover:text-ink";
  setUp.textContent = "Change…";
  setUp.setAttribute("aria-label", "Change these contents");
  setUp.addEventListener("click", onSetUp);
  head.append(titleOf(node), setUp);
  return head;
}

function titleOf(node: TextNode): HTMLElement {
  const title = document.createElement("p");
  title.dataset["part"] = "contents-title";
  title.className = "font-text text-[17px] font-semibold mb-2 flex-1";
  title.textContent = String(node.attrs["title"]);
  return title;
}

function listOf(node: TextNode, session: Session): HTMLElement {
  const list = document.createElement("ul");
  list.style.cssText = "list-style: none; margin: 0";
  const lines = (node.attrs["lines"] as Line[]).filter((line) => line.out !== true);
  const from = Math.min(9, ...lines.map((line) => line.level));
  const looks = (node.attrs["looks"] ?? {}) as Record<number, string>;
  for (const line of lines) {
    const item = document.createElement("li");
    item.dataset["level"] = String(line.level);
    item.style.cssText = LOOKS[looks[line.level] ?? ""] ?? "";
    const isByHand = line.words !== undefined || line.bookmark !== undefined;
    item.style.paddingLeft = `${(line.level - from) * 20 + (isByHand ? 10 : 0)}px`;
    const link = document.createElement("a");
    const target = line.bookmark === undefined ? `section:${line.section}` : `bookmark:${line.bookmark}`;
    link.href = `#${target}`;
    link.className = "!no-underline hover:!underline";
    link.textContent = [node.attrs["numbers"] ? line.number : "", line.words ?? line.heading]
      .filter(Boolean)
      .join("  ");
    link.addEventListener("click", (event) => {
      event.preventDefault();
      followTarget(session, target);
    });
    if (isByHand) {
      item.className = "border-l-2 border-ochre -ml-3";
      item.title = line.bookmark === undefined ? `Worded by hand, for “${line.heading}”` : "Added by hand";
    }
    item.append(link);
    list.append(item);
  }
  if (lines.length === 0) list.append("No heading lies within these levels.");
  return list;
}
