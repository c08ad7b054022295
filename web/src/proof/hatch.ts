import type { MeshBasicMaterial } from "three";

/** Ways that stripes run, by number. */
export const HATCHES = 4;

/**
 * Stripes on the screen over what a material paints, so that a pattern tells what the colour tells. The geometry's
 * attribute hatch says which way they run: rising, falling, upright or level.
 *
 * @param between opacity between the stripes, as a share of the material's own
 */
export function hatched(material: MeshBasicMaterial, between: number): MeshBasicMaterial {
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = `attribute float hatch;\nvarying float vHatch;\n${shader.vertexShader}`.replace(
      "#include <begin_vertex>",
      "#include <begin_vertex>\nvHatch = hatch;",
    );
    shader.fragmentShader = `varying float vHatch;\n${shader.fragmentShader}`.replace(
      "#include <dithering_fragment>",
      `#include <dithering_fragment>
      vec2 at = gl_FragCoord.xy;
      float along = vHatch < 0.5 ? at.x - at.y : vHatch < 1.5 ? at.x + at.y : 1.41 * (vHatch < 2.5 ? at.x : at.y);
      if (fract(along / 12.0) > 0.4) gl_FragColor.a *= ${between.toFixed(2)};`,
    );
  };
  return material;
}
