// Packs rectangles with a general-purpose packer, at the largest scale that fits, for the reference values in
// test/lib/sheet_trace/layout/pack_test.rb. Run once, in a scratch folder after `npm install maxrects-packer@2.7.4`:
//   echo '{"boxes": [[w, h], ...], "width": 1024, "height": 1024, "gutter": 4, "margin": 4}' | node rectangles.mjs
import { readFileSync } from "node:fs";
import { pathToFileURL } from "node:url";

const { MaxRectsPacker } = await import(pathToFileURL("node_modules/maxrects-packer/dist/maxrects-packer.mjs"));
const { boxes, width, height, gutter, margin } = JSON.parse(readFileSync(0, "utf8"));

function fits(scale) {
  const packer = new MaxRectsPacker(width, height, gutter, { smart: true, pot: false, square: false, allowRotation: true, border: margin });
  packer.addArray(boxes.map(([w, h]) => ({ width: Math.ceil(w * scale), height: Math.ceil(h * scale), data: 0 })));
  return packer.bins.length <= 1 && !packer.rects.some((one) => one.oversized);
}

let low = 0;
let high = 1;
while (fits(high)) [low, high] = [high, high * 1.5];
for (let i = 0; i < 30; i += 1) {
  const middle = (low + high) / 2;
  if (fits(middle)) low = middle;
  else high = middle;
}
console.log(low);
