import type { Triple } from "@/api/types";
import type { Surface } from "@/stores/surface";

/** Triangles that a small picture is drawn of at the most; of more, every so manieth. */
const MOST = 6000;
const PAPER: Triple = [233, 225, 209];

const dot = (a: Triple, b: Triple) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Triple, b: Triple): Triple => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: Triple): Triple => {
  const length = Math.hypot(...a) || 1;
  return [a[0] / length, a[1] / length, a[2] / length];
};

/** Right, up and towards the eye, of a picture seen from a direction. */
export function frameOf(from: Triple): [Triple, Triple, Triple] {
  const out = unit(from);
  const up: Triple = Math.abs(out[1]) > 0.99 ? [0, 0, -Math.sign(out[1])] : [0, 1, 0];
  const right = unit(cross(up, out));
  return [right, cross(out, right), out];
}

/** A small picture of the model in paper, seen from a direction without perspective; the far faces first. */
export function drawModel(canvas: HTMLCanvasElement, { positions }: Surface, from: Triple) {
  const context = canvas.getContext("2d");
  if (!context || positions.length === 0) return;
  const [right, up, out] = frameOf(from);
  const count = positions.length / 9;
  const step = Math.ceil(count / MOST);
  const corner = (at: number): Triple => [positions[at]!, positions[at + 1]!, positions[at + 2]!];
  const triangles = Array.from({ length: Math.ceil(count / step) }, (_, k) => {
    const places = [0, 3, 6].map((of) => corner(9 * k * step + of)) as [Triple, Triple, Triple];
    const [a, b, c] = places;
    const edge = (to: Triple): Triple => [to[0] - a[0], to[1] - a[1], to[2] - a[2]];
    return {
      at: places.map((place) => [dot(place, right), -dot(place, up)] as const),
      depth: dot(a, out) + dot(b, out) + dot(c, out),
      light:
        0.55 + 0.45 * Math.abs(dot(unit(cross(edge(b), edge(c))), unit([out[0] + 0.4, out[1] + 0.6, out[2] + 0.3]))),
    };
  }).sort((a, b) => a.depth - b.depth);
  const all = triangles.flatMap(({ at }) => at);
  const [left, top] = [0, 1].map((axis) => Math.min(...all.map((place) => place[axis]!))) as [number, number];
  const [wide, high] = [Math.max(...all.map(([x]) => x)) - left, Math.max(...all.map(([, y]) => y)) - top];
  const scale = Math.min(canvas.width / (wide || 1), canvas.height / (high || 1)) * 0.86;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.setTransform(
    scale,
    0,
    0,
    scale,
    canvas.width / 2 - (left + wide / 2) * scale,
    canvas.height / 2 - (top + high / 2) * scale,
  );
  context.lineWidth = 0.7 / scale;
  for (const { at, light } of triangles) {
    context.beginPath();
    at.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
    context.closePath();
    context.fillStyle = context.strokeStyle = `rgb(${PAPER.map((value) => Math.round(value * light)).join(" ")})`;
    context.fill();
    context.stroke();
  }
}
