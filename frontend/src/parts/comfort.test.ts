import { expect, test } from "vitest";
import { sound, USUAL } from "./comfort";

test("what was kept is taken as far as it makes sense", () => {
  expect(sound({}, USUAL)).toEqual(USUAL);
  expect(
    sound(
      { size: 20, theme: "night", face: "figtree", line: 0.4, notes: false, invisibles: true, byHand: true },
      USUAL,
    ),
  ).toEqual({
    ...USUAL,
    size: 20,
    theme: "night",
    face: "figtree",
    line: 0.4,
    notes: false,
    invisibles: true,
    byHand: true,
  });
  expect(sound({ size: 400, leading: "2", measure: -1, theme: "pink", line: 3, setOff: 1 }, USUAL)).toEqual({
    ...USUAL,
    line: 0.5,
  });
});
