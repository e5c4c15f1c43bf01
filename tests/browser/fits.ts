import { expect, type Locator, type Page } from "@playwright/test";

/** A desktop, a small window, a telephone, and the desktop at 200 %. */
export const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 640 },
  { width: 390, height: 700 },
  { width: 640, height: 400 },
];

/**
 * What is open over the text lies within the window in every size, and the last control in it can be had by hand: in
 * sight, or scrolled to, and covered by nothing.
 */
export async function expectFits(page: Page, part: Locator, name: string, sizes = SIZES): Promise<void> {
  for (const size of sizes) {
    await page.setViewportSize(size);
    await page.waitForTimeout(150);
    const at = `${name} at ${size.width} by ${size.height}`;
    await expect(part, at).toBeVisible();
    await expect(async () => {
      const box = (await part.boundingBox())!;
      expect(box.x, at).toBeGreaterThanOrEqual(-1);
      expect(box.y, at).toBeGreaterThanOrEqual(-1);
      expect(box.x + box.width, at).toBeLessThanOrEqual(size.width + 1);
      expect(box.y + box.height, at).toBeLessThanOrEqual(size.height + 1);
    }).toPass({ timeout: 3000 });
    const hidden = await part.evaluate((element) => {
      const controls = [
        ...element.querySelectorAll<HTMLElement>(
          "button, input, select, textarea, a[href], [role=menuitem], [tabindex='0']",
        ),
      ].filter((each) => each.offsetParent !== null && !each.hasAttribute("disabled"));
      const last = controls.at(-1);
      if (!last) return null;
      last.scrollIntoView({ block: "nearest" });
      const { left, top, width, height } = last.getBoundingClientRect();
      const over = document.elementFromPoint(left + width / 2, top + height / 2);
      return over && (last.contains(over) || over.contains(last)) ? null : (last.textContent ?? last.outerHTML);
    });
    expect(hidden, at).toBeNull();
  }
  if (sizes === SIZES) await page.setViewportSize(SIZES[0]!);
}
