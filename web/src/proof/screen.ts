import * as THREE from "three";

/** ms until it is looked again whether a picture is done */
const LOOK_AGAIN_MS = 4;

/** Whether there is no graphics card, as far as the browser tells. */
function drawnBySoftware(context: WebGL2RenderingContext): boolean {
  const info = context.getExtension("WEBGL_debug_renderer_info");
  const name = String(context.getParameter(info ? info.UNMASKED_RENDERER_WEBGL : context.RENDERER));
  return /swiftshader|llvmpipe|software|basic render/i.test(name);
}

/**
 * What the proof is drawn on. Without a graphics card a picture takes much longer than a frame: then it is drawn beside
 * the canvas and shown when it is done, and the page listens meanwhile.
 */
export class ProofScreen {
  private readonly renderer: THREE.WebGLRenderer;
  private readonly context: WebGL2RenderingContext;
  /** shows what was drawn beside; null where the canvas itself is drawn on */
  private readonly shown: ImageBitmapRenderingContext | null;
  private looksAgain: number | undefined;
  /** whether there is no graphics card */
  readonly slow: boolean;
  /** steepness up to which the texture stays sharp; 0 where that costs more than it shows */
  readonly anisotropy: number;

  constructor(canvas: HTMLCanvasElement) {
    const beside = new OffscreenCanvas(1, 1);
    // Without a graphics card, smooth edges cost more than they show.
    const software = beside.getContext("webgl2", { antialias: false });
    this.slow = software !== null && drawnBySoftware(software);
    const context = this.slow ? software : canvas.getContext("webgl2", { antialias: true });
    if (!context) throw new Error("WebGL 2 is off");
    this.context = context;
    this.shown = this.slow ? canvas.getContext("bitmaprenderer") : null;
    this.renderer = new THREE.WebGLRenderer({ canvas: this.slow ? beside : canvas, context, alpha: true });
    this.renderer.setPixelRatio(window.devicePixelRatio);
    this.anisotropy = this.slow ? 0 : this.renderer.capabilities.getMaxAnisotropy();
  }

  /** whether a picture is on its way */
  get busy(): boolean {
    return this.looksAgain !== undefined;
  }

  /** Draws a picture, and tells when it is shown. */
  draw(scene: THREE.Scene, camera: THREE.Camera, done: () => void) {
    this.renderer.render(scene, camera);
    if (!this.shown) return done();
    const drawn = this.context.fenceSync(this.context.SYNC_GPU_COMMANDS_COMPLETE, 0)!;
    this.context.flush();
    const look = () => {
      if (this.context.getSyncParameter(drawn, this.context.SYNC_STATUS) === this.context.UNSIGNALED) {
        this.looksAgain = window.setTimeout(look, LOOK_AGAIN_MS);
        return;
      }
      this.looksAgain = undefined;
      this.context.deleteSync(drawn);
      this.shown!.transferFromImageBitmap(
        (this.renderer.domElement as unknown as OffscreenCanvas).transferToImageBitmap(),
      );
      done();
    };
    this.looksAgain = window.setTimeout(look, LOOK_AGAIN_MS);
  }

  /** @param width CSS px */
  resize(width: number, height: number) {
    this.renderer.setSize(width, height, false);
  }

  dispose() {
    window.clearTimeout(this.looksAgain);
    this.renderer.dispose();
  }
}
