/** Elements that take the focus in a way of their own, such as a text that puts its cursor back where it was. */
const ownWays = new WeakMap<Element, () => void>();

export function focusBy(element: HTMLElement, focus: () => void): void {
  ownWays.set(element, focus);
}

function giveFocus(element: HTMLElement): void {
  const focus = ownWays.get(element);
  if (focus) focus();
  else element.focus({ preventScroll: true });
}

/** What has the keys as a whole; the signs on its rows come and go with the hand. */
const WHOLES = "[role=tree], [role=treegrid], .manuscript";

/** What comes and goes over or beside where the writer is; the library sets guards of its own around it. */
const OVER = "[role=dialog], [role=menu], [data-radix-focus-guard], [data-passing]";

/** Where the writer was last, and within what, besides dialogs and menus, which come and go over it. */
let places: (HTMLElement | null)[] = [];

document.addEventListener("focusin", ({ target }) => {
  if (target instanceof HTMLElement && target.closest(OVER) === null) comesTo(target);
});

/** The writer goes on there, even if a dialog that is about to close keeps the focus within itself until then. */
export function comesTo(target: HTMLElement): void {
  places = [target, target.closest<HTMLElement>(WHOLES)];
}

/** Back to where the writer was, unless something else has taken the focus. */
export function giveFocusBack(): void {
  const isTaken = document.activeElement !== null && document.activeElement !== document.body;
  const isAnotherOpen = document.querySelector("[role=dialog][data-state=open]") !== null;
  const place =
    places.find((each) => each?.isConnected) ?? document.querySelector<HTMLElement>(".manuscript[contenteditable]");
  if (!isTaken && !isAnotherOpen && place) giveFocus(place);
}

/** A key pressed into nothing, such as right after a dialog has gone, is meant for where the writer was. */
document.addEventListener(
  "keydown",
  (event) => {
    if (document.activeElement !== document.body) return;
    giveFocusBack();
    const now = document.activeElement;
    if (!(now instanceof HTMLElement) || now === document.body) return;
    const { key, code, keyCode, ctrlKey, shiftKey, altKey, metaKey } = event;
    const held = { key, code, keyCode, ctrlKey, shiftKey, altKey, metaKey };
    const again = new KeyboardEvent("keydown", { ...held, bubbles: true, cancelable: true });
    if (now.dispatchEvent(again)) return;
    event.preventDefault();
    event.stopPropagation();
  },
  true,
);
