import type { Triple } from "@/api/types";

export interface Axes {
  up: "y" | "z";
  front: "z" | "x" | "-z" | "-x";
  leftHanded: boolean;
}
const QUARTERS = { z: 0, x: 1, "-z": 2, "-x": 3 } as const;

/** Where a direction of the model (right, up, to the front) points in the file that is delivered. */
export function delivered([x, y, z]: Triple, { up, front, leftHanded }: Axes): Triple {
  let [right, out] = [x, z];
  for (let i = 0; i < QUARTERS[front]; i += 1) [right, out] = [out, -right];
  const turned: Triple = up === "z" ? [right, -out, y] : [right, y, out];
  return leftHanded ? [-turned[0], turned[1], turned[2]] : turned;
}

/** Which axis of the file runs to the model's right, up and to its front, such as "-y". */
export function axisNames(axes: Axes): [string, string, string] {
  const directions: Triple[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  return directions.map((direction) => {
    const found = delivered(direction, axes);
    const at = found.findIndex((part) => part !== 0);
    return `${found[at]! < 0 ? "−" : ""}${"xyz"[at]}`;
  }) as [string, string, string];
}
