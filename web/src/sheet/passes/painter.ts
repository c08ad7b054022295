import type { Frame, Pass } from "./pass";

interface Run {
  rests: boolean;
  passes: Pass[];
  bitmap: HTMLCanvasElement | null;
  key: unknown[];
}

const same = (a: unknown[], b: unknown[]) => a.length === b.length && a.every((value, i) => value === b[i]);

/**
 * Draws passes one over the other. Those that rest, one after the other, are painted once and kept as one bitmap until
 * an input of theirs changes.
 */
export class Painter {
  private readonly runs: Run[] = [];
  /** how often a bitmap was painted anew, for tests */
  painted = 0;

  constructor(passes: Pass[]) {
    for (const pass of passes) {
      const last = this.runs.at(-1);
      if (last?.rests === pass.rests) last.passes.push(pass);
      else this.runs.push({ rests: pass.rests, passes: [pass], bitmap: null, key: [] });
    }
  }

  paint(frame: Frame) {
    for (const run of this.runs) {
      if (run.rests) this.paintResting(run, frame);
      else run.passes.forEach((pass) => pass.draw(frame));
    }
  }

  private paintResting(run: Run, frame: Frame) {
    const { width, height } = frame.context.canvas;
    const key = [
      width,
      height,
      frame.ratio,
      frame.view.scale,
      frame.view.x,
      frame.view.y,
      frame.colors,
      ...run.passes.flatMap((pass) => pass.inputs()),
    ];
    run.bitmap ??= document.createElement("canvas");
    if (!same(key, run.key)) {
      run.key = key;
      Object.assign(run.bitmap, { width, height }); // clears it, too
      const context = run.bitmap.getContext("2d")!;
      run.passes.forEach((pass) => pass.draw({ ...frame, context }));
      this.painted += 1;
    }
    frame.context.setTransform(1, 0, 0, 1, 0, 0);
    if (width > 0 && height > 0) frame.context.drawImage(run.bitmap, 0, 0);
  }
}
