import type { Object3D } from "three";

/** One thing that the proof shows. Each asks for its own inputs; only it is made anew when one of them changes. */
export interface Pass {
  object: Object3D;
  /** what the drawing depends on */
  inputs: () => unknown[];
  draw: () => void;
}

/** A pass with its inputs. */
export function pass<I extends unknown[]>(object: Object3D, inputs: () => [...I], draw: (...values: I) => void): Pass {
  return { object, inputs, draw: () => draw(...inputs()) };
}
