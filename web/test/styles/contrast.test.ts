import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

const read = (name: string) => readFileSync(`src/styles/${name}`, "utf8");
const [light, dark] = read("tokens.css").split('[data-bs-theme="dark"]');
const tokensOf = (css: string) =>
  Object.fromEntries([...css.matchAll(/--([\w-]+):\s*(#[0-9a-f]{6})/g)].map(([, name, color]) => [name!, color!]));
const THEMES = { light: tokensOf(light!), dark: { ...tokensOf(light!), ...tokensOf(dark!) } };

/** Relative luminance and contrast as WCAG 2.2 defines them, from sRGB (IEC 61966-2-1). */
function luminance(color: string) {
  const [r, g, b] = [1, 3, 5]
    .map((at) => parseInt(color.slice(at, at + 2), 16) / 255)
    .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
function contrast(a: string, b: string) {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (high! + 0.05) / (low! + 0.05);
}

/** Art of any colour: a grid over the cube of sRGB, and the darkest and lightest mats. */
const grounds = [0, 51, 102, 153, 204, 255]
  .flatMap((r, _, steps) => steps.flatMap((g) => steps.map((b) => [r, g, b])))
  .map((rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, "0")).join("")}`);

describe("marks on the sheet", () => {
  for (const [theme, tokens] of Object.entries(THEMES)) {
    for (const mark of ["sheet-line", "sheet-picked", "sheet-warning", "sheet-seam", "paper-ink"]) {
      // The line stands out from its casing, and one of the two from the ground: 3 : 1 (WCAG 2.2, 1.4.11).
      it(`stand out from any ground: ${mark}, ${theme}`, () => {
        expect(contrast(tokens[mark]!, tokens.paper!)).toBeGreaterThanOrEqual(3);
        for (const ground of [...grounds, tokens.mat!])
          expect(
            Math.max(contrast(tokens[mark]!, ground), contrast(tokens.paper!, ground)),
            `${mark} on ${ground}`,
          ).toBeGreaterThanOrEqual(3);
      });
    }
  }

  it("has the same colours on the model", () => {
    const objects = readFileSync("src/proof/objects.ts", "utf8");
    const { light } = THEMES;
    for (const [name, token] of Object.entries({
      PICKED: light["sheet-picked"],
      SEAM: light["sheet-seam"],
      WARNING: light["sheet-warning"],
      INK: light["paper-ink"],
      PAPER: light.paper,
    }))
      expect(objects).toMatch(new RegExp(`const ${name} = 0x${token!.slice(1)};`));
  });

  it("tells contrast as the standard does: black on white is 21 : 1, #777777 on white 4.48 : 1", () => {
    expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
    expect(contrast("#777777", "#ffffff")).toBeCloseTo(4.48, 2);
  });
});

describe("controls", () => {
  const scss = read("bootstrap.scss");
  const value = (name: string) => scss.match(new RegExp(`\\$${name}: (#[0-9a-f]{6});`))![1]!;

  it("are read where they can't be pressed: 4.5 : 1", () => {
    expect(contrast(value("body-secondary-color"), value("body-secondary-bg"))).toBeGreaterThanOrEqual(4.5);
    expect(contrast(value("body-secondary-color-dark"), value("body-secondary-bg-dark"))).toBeGreaterThanOrEqual(4.5);
  });

  it("show their focus on panels, and beside dark buttons by a light ring between: 3 : 1", () => {
    expect(contrast(THEMES.light.focus!, value("body-tertiary-bg"))).toBeGreaterThanOrEqual(3);
    expect(contrast(THEMES.dark.focus!, value("body-tertiary-bg-dark"))).toBeGreaterThanOrEqual(3);
    expect(contrast(value("body-color"), value("body-tertiary-bg"))).toBeGreaterThanOrEqual(3);
  });
});
