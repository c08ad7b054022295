import { describe, expect, it } from "vitest";
import { axisNames } from "@/stages/deliver/axes";

describe("the axes of a delivered model", () => {
  it("are named by where the model's right, up and front go", () => {
    expect(axisNames({ up: "y", front: "z", leftHanded: false })).toEqual(["x", "y", "z"]);
    expect(axisNames({ up: "z", front: "z", leftHanded: false })).toEqual(["x", "z", "−y"]);
    expect(axisNames({ up: "y", front: "x", leftHanded: false })).toEqual(["−z", "y", "x"]);
    expect(axisNames({ up: "y", front: "-z", leftHanded: false })).toEqual(["−x", "y", "−z"]);
    expect(axisNames({ up: "y", front: "z", leftHanded: true })).toEqual(["−x", "y", "z"]);
  });
});
