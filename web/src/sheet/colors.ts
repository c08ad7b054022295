export interface SheetColors {
  mat: string;
  matLine: string;
  matLineStrong: string;
  paper: string;
  ink: string;
  line: string;
  picked: string;
  warning: string;
  seam: string;
  ruler: string;
  rulerInk: string;
}

const known = new Map<string, SheetColors>();

/** The sheet's colours, from the theme's tokens. */
export function sheetColors(theme: string): SheetColors {
  const found = known.get(theme);
  if (found) return found;
  const style = getComputedStyle(document.documentElement);
  const token = (name: string) => style.getPropertyValue(`--${name}`).trim();
  const colors = {
    mat: token("mat"),
    matLine: token("mat-line"),
    matLineStrong: token("mat-line-strong"),
    paper: token("paper"),
    ink: token("paper-ink"),
    line: token("sheet-line"),
    picked: token("sheet-picked"),
    warning: token("sheet-warning"),
    seam: token("sheet-seam"),
    ruler: token("bs-body-bg"),
    rulerInk: token("bs-secondary-color"),
  };
  known.set(theme, colors);
  return colors;
}
