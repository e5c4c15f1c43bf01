import type { Node as TextNode } from "@tiptap/pm/model";
import type { NodeView } from "@tiptap/pm/view";
import type { Session } from "../document/session";
import { innerId } from "../editor/target";
import { followTarget } from "../places/places";

/** A cross-reference in the text: its words follow the outline, whatever is renamed or moved. */
export class CrossReferenceView implements NodeView {
  readonly dom: HTMLElement;
  private readonly stops: (() => void)[];

  constructor(
    node: TextNode,
    private readonly session: Session,
    private readonly sectionOf: (place: string) => string | null,
  ) {
    const place = String(node.attrs["href"]);
    this.dom = document.createElement("a");
    this.dom.className = "cross-reference";
    this.dom.dataset["target"] = place;
    this.dom.setAttribute("href", `#${place}`);
    this.dom.addEventListener("click", (event) => {
      event.preventDefault();
      if (event.ctrlKey || event.metaKey) followTarget(session, place);
    });
    const shows = String(node.attrs["shows"]);
    this.stops = [session.store.subscribe(() => this.draw(place, shows))];
    if (shows === "page")
      this.stops.push(
        session.pages.want(),
        session.pages.store.subscribe(() => this.draw(place, shows)),
      );
    this.draw(place, shows);
  }

  ignoreMutation(): boolean {
    return true;
  }

  destroy(): void {
    for (const stop of this.stops) stop();
  }

  /** The page of a place, as far as pages are known. */
  private page(place: string): string | null {
    const { sections, bookmarks, pageWord } = this.session.pages.store.getState();
    const id = innerId(place) ?? "";
    const spot = sections.get(id) ?? bookmarks.get(id);
    return spot ? `${pageWord}\u00a0${spot.label}` : null;
  }

  private draw(place: string, shows: string): void {
    const section = this.sectionOf(place);
    const position = section === null ? undefined : this.session.state.positions.get(section);
    const number = position === undefined ? "" : (this.session.state.numbers[position] ?? "");
    const heading = section === null ? "" : (this.session.state.facts.get(section)?.heading ?? "");
    const words =
      { number: number || heading, heading, both: [number, heading].filter(Boolean).join(" ") }[shows] ?? heading;
    const caption = this.session.state.namedCaptions.get(innerId(place) ?? "");
    const inCaption =
      caption &&
      ({ number: caption.label || caption.words, heading: caption.words }[shows] ??
        [caption.label, caption.words].filter(Boolean).join(" "));
    const page = shows === "page" ? this.page(place) : null;
    const shown =
      position === undefined ? "a place that is gone" : (page ?? inCaption ?? (words || "a heading without words"));
    if (this.dom.textContent !== shown) this.dom.textContent = shown;
    this.dom.classList.toggle("broken", position === undefined);
    this.dom.title =
      position === undefined ? "This reference leads nowhere: its target is gone." : "Ctrl-click goes there";
  }
}
