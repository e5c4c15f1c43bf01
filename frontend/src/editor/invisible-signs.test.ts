// @vitest-environment jsdom
import { EditorState } from "@tiptap/pm/state";
import { EditorView } from "@tiptap/pm/view";
import { expect, test } from "vitest";
import { REDRAW } from "./decorations";
import { invisibleSigns } from "./invisible-signs";
import { schema } from "./schema";

test("signs that nobody sees are drawn on wish, and are no part of the text", () => {
  let areShown = false;
  const paragraph = (...content: unknown[]) => ({ type: "paragraph", content });
  const doc = schema.nodeFromJSON({
    type: "doc",
    content: [
      {
        type: "section",
        attrs: { id: "a" },
        content: [
          { type: "heading", content: [{ type: "text", text: "No.\u00a03" }] },
          paragraph(
            { type: "text", text: "Ten\u202fknots\tand" },
            { type: "hardBreak" },
            { type: "text", text: "more" },
          ),
          { type: "paragraph" },
        ],
      },
    ],
  });
  const view = new EditorView(document.body, {
    state: EditorState.create({ doc, plugins: [invisibleSigns(() => areShown)] }),
  });
  const signs = () => [...view.dom.querySelectorAll<HTMLElement>(".sign")].map(({ dataset }) => dataset["sign"]);
  expect(signs()).toEqual([]);
  areShown = true;
  view.dispatch(view.state.tr.setMeta(REDRAW, true));
  expect(signs()).toEqual(["°", "°", "→", "↵"]);
  expect([...view.dom.querySelectorAll("p")].map(({ className }) => className)).toEqual(["ends", "ends blank"]);
  view.dispatch(view.state.tr.insertText("\u00a0", 1 + 1));
  expect(signs()).toEqual(["°", "°", "°", "→", "↵"]);
  expect(view.state.doc.textContent).toBe("\u00a0No.\u00a03Ten\u202fknots\tandmore");
  view.destroy();
});
