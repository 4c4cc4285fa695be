import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CONSUMABLE_IDS, CONSUMABLES, isConsumable } from "./consumables.ts";
import { areaOf, largestFace, perimeterOf, type Shape } from "./shape.ts";

const size = fc.integer({ min: 20, max: 3000 });
const shape: fc.Arbitrary<Shape> = fc.oneof(
  fc.record({ kind: fc.constant("panel" as const), width: size, height: size, count: fc.constant(1) }),
  fc
    .record({
      kind: fc.constant("frame" as const),
      width: size,
      height: size,
      member: fc.constant(20),
      count: fc.constant(1),
    })
    .map((frame) => ({ ...frame, member: Math.max(1, Math.floor(Math.min(frame.width, frame.height) / 4)) })),
  fc.record({ kind: fc.constant("disc" as const), diameter: size, count: fc.constant(1) }),
  fc.record({
    kind: fc.constant("leg" as const),
    diameter: fc.integer({ min: 20, max: 120 }),
    length: size,
    count: fc.constant(1),
  }),
  fc.record({ kind: fc.constant("box" as const), width: size, height: size, depth: size, count: fc.constant(1) }),
);

describe("the faces of a shape", () => {
  it("the largest is a part of the whole, and the whole of what has one face", () => {
    fc.assert(
      fc.property(shape, (of) => {
        const part = largestFace(of);
        expect(part).toBeGreaterThan(0);
        expect(part).toBeLessThanOrEqual(1 + 1e-9);
        if (of.kind === "panel" || of.kind === "disc" || of.kind === "leg") expect(part).toBe(1);
      }),
    );
  });

  it("of a cube of one metre each is a fifth: four sides and a top", () => {
    expect(largestFace({ kind: "box", width: 1000, height: 1000, depth: 1000, count: 1 })).toBeCloseTo(1 / 5, 9);
  });

  it.each<[string, Shape, number]>([
    ["a panel of 1 m by half a metre", { kind: "panel", width: 1000, height: 500, count: 1 }, 3],
    ["two of them", { kind: "panel", width: 1000, height: 500, count: 2 }, 6],
    ["a round top of 1 m", { kind: "disc", diameter: 1000, count: 1 }, Math.PI],
    ["a frame, outside and inside", { kind: "frame", width: 1000, height: 800, member: 100, count: 1 }, 3.6 + 2.8],
  ])("%s is taped round its edges", (_what, of, metres) => {
    expect(perimeterOf(of)).toBeCloseTo(metres, 6);
  });

  it("no face has more edge than its area allows, and none has too little to go round it", () => {
    fc.assert(
      fc.property(size, size, (width, height) => {
        const panel: Shape = { kind: "panel", width, height, count: 1 };
        // of all rectangles of an area the square has the least edge
        expect(perimeterOf(panel)).toBeGreaterThanOrEqual(4 * Math.sqrt(areaOf(panel)) - 1e-9);
      }),
    );
  });
});

describe("what is used up at the bench", () => {
  it("has a name, and words for one and several", () => {
    for (const id of CONSUMABLE_IDS) {
      const { name, one, many, lasts } = CONSUMABLES[id];
      expect(name, id).toMatch(/^[A-Z]/);
      expect(many, id).not.toBe(one);
      if (lasts !== null) expect(lasts, id).toBeGreaterThan(0);
    }
    expect(new Set(CONSUMABLE_IDS.map((id) => CONSUMABLES[id].name)).size).toBe(CONSUMABLE_IDS.length);
  });

  it("brushes are cleaned and kept, paper and rags are not; each colour has its own brush", () => {
    expect(CONSUMABLES["paint-brush"]).toMatchObject({ keeps: true, forEachColour: true });
    expect(CONSUMABLES["paper-220"].keeps).toBe(false);
    expect(CONSUMABLES["dry-rag"].keeps).toBe(false);
    // dark wax never leaves its brush
    expect(CONSUMABLES["dark-wax-brush"]).not.toEqual(CONSUMABLES["wax-brush"]);
  });

  it("fine paper goes over more than coarse", () => {
    expect(CONSUMABLES["paper-320"].lasts!).toBeGreaterThan(CONSUMABLES["paper-150"].lasts!);
  });

  it("is nothing that every object has", () => {
    expect(isConsumable("gloves")).toBe(true);
    for (const name of ["constructor", "toString", "", "Gloves"]) expect(isConsumable(name)).toBe(false);
  });
});
