import { RULER, roundStep } from "../viewport";
import { onScreen, type Frame } from "./pass";

/** Rulers along the top and the left, in px or in mm at the job's mean density. */
export function drawRulers(frame: Frame, unit: "px" | "mm", density: number) {
  const { context, width, height, view, colors } = frame;
  onScreen(frame);
  const perUnit = view.scale * (unit === "mm" ? density : 1);
  const step = roundStep(perUnit, 56);
  const small = step / 5;
  context.fillStyle = colors.ruler;
  context.fillRect(0, 0, width, RULER);
  context.fillRect(0, 0, RULER, height);
  context.strokeStyle = colors.rulerInk;
  context.fillStyle = colors.rulerInk;
  context.lineWidth = 1;
  context.font = "10px 'JetBrains Mono Variable', monospace";
  context.textBaseline = "alphabetic";
  context.textAlign = "left";
  for (const along of ["x", "y"] as const) {
    const start = view[along];
    const end = along === "x" ? width : height;
    const first = Math.floor((RULER - start) / perUnit / step) * step;
    context.beginPath();
    for (let i = 0; ; i += 1) {
      const value = first + i * small;
      const at = Math.round(start + value * perUnit) + 0.5;
      if (at > end) break;
      if (at < RULER) continue;
      const long = i % 5 === 0;
      const from = long ? 5 : 15;
      if (along === "x") {
        context.moveTo(at, from);
        context.lineTo(at, RULER - 2);
      } else {
        context.moveTo(from, at);
        context.lineTo(RULER - 2, at);
      }
      if (long) rulerNumber(context, along, at, label(value, step));
    }
    context.stroke();
  }
  context.fillStyle = colors.ruler;
  context.fillRect(0, 0, RULER, RULER);
}

function label(value: number, step: number): string {
  return step < 1 ? value.toFixed(Math.ceil(-Math.log10(step))) : String(Math.round(value));
}

function rulerNumber(context: CanvasRenderingContext2D, along: "x" | "y", at: number, text: string) {
  if (along === "x") {
    context.fillText(text, at + 3, 12);
    return;
  }
  context.save();
  context.translate(12, at - 3);
  context.rotate(-Math.PI / 2);
  context.fillText(text, 0, 0);
  context.restore();
}
