// @vitest-environment jsdom
import { act } from "react";
import { createRoot } from "react-dom/client";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { KeptField } from "./kept-field";

Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });

let root: ReturnType<typeof createRoot>;
const onKeep = vi.fn();
beforeEach(() => {
  onKeep.mockReset();
  root = createRoot(document.body.appendChild(document.createElement("div")));
});
afterEach(() => act(() => root.unmount()));

const field = () => document.querySelector("input")!;
const show = (value: string) =>
  act(() => root.render(<KeptField value={value} whenEmpty="Gales" aria-label="Line" onKeep={onKeep} />));
function type(words: string): void {
  act(() => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!.call(field(), words);
    field().dispatchEvent(new Event("input", { bubbles: true }));
  });
}
const enter = () =>
  act(() => void field().dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true })));
const leave = () => act(() => void field().dispatchEvent(new FocusEvent("focusout", { bubbles: true })));

test("what was typed is handed over once, by Enter and by leaving together, and not before", () => {
  show("Gales");
  type(" Of gales ");
  expect(onKeep).not.toHaveBeenCalled();
  enter();
  leave();
  expect(onKeep.mock.calls).toEqual([["Of gales"]]);
  expect(field().value).toBe("Of gales");
  show("Of gales");
  leave();
  expect(onKeep).toHaveBeenCalledTimes(1);
});

test("nothing in it says what it says when empty, and words that were there before can be kept again", () => {
  show("Of gales");
  type("");
  enter();
  expect(field().value).toBe("Gales");
  // The answer is still on its way.
  type("Of gales");
  leave();
  expect(onKeep.mock.calls).toEqual([[""], ["Of gales"]]);
});

test("what is refused stays and can be tried again; what comes from elsewhere does not take typed words away", () => {
  show("Gales");
  type("Too long");
  enter();
  enter();
  expect(onKeep.mock.calls).toEqual([["Too long"], ["Too long"]]);
  expect(field().value).toBe("Too long");
  type("Shorter");
  show("Storms");
  expect(field().value).toBe("Shorter");
  leave();
  expect(onKeep).toHaveBeenLastCalledWith("Shorter");
  show("Undone");
  expect(field().value).toBe("Undone");
});

test("an answer that is older than what was handed over does not show, and does not pass for it", async () => {
  const answers: (() => void)[] = [];
  onKeep.mockImplementation(() => new Promise<void>((resolve) => answers.push(resolve)));
  show("Gales");
  type("Of gales");
  enter();
  type("");
  enter();
  // What is read now is what the first of them made; the second is still on its way.
  await act(async () => answers[0]!());
  show("Of gales");
  expect(field().value).toBe("Gales");
  type("Of gales");
  leave();
  expect(onKeep.mock.calls).toEqual([["Of gales"], [""], ["Of gales"]]);
  await act(async () => answers.forEach((answer) => answer()));
  show("Gales");
  expect(field().value).toBe("Gales");
});
