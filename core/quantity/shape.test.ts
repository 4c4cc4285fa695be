import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { areaOf, Shape } from "./shape.ts";

const one = { count: 1 } as const;

describe("area of a zone from its shape", () => {
  it.each<[string, Shape, number]>([
    ["a panel of 1000 × 500", { kind: "panel", width: 1000, height: 500, ...one }, 0.5],
    ["eight drawer fronts of 900 × 78", { kind: "panel", width: 900, height: 78, count: 8 }, 0.5616],
    [
      "a frame of 1000 × 800 with rails of 100",
      { kind: "frame", width: 1000, height: 800, member: 100, ...one },
      0.8 - 0.8 * 0.6,
    ],
    ["a frame whose rails meet", { kind: "frame", width: 200, height: 300, member: 150, ...one }, 0.06],
    ["a round top of 1 m", { kind: "disc", diameter: 1000, ...one }, Math.PI / 4],
    ["four legs of 50 × 700", { kind: "leg", diameter: 50, length: 700, count: 4 }, 4 * Math.PI * 0.05 * 0.7],
    [
      "a box of 800 × 400 × 500, no bottom",
      { kind: "box", width: 800, height: 400, depth: 500, ...one },
      2 * (0.32 + 0.2) + 0.4,
    ],
  ])("%s", (_what, shape, squareMetres) => {
    expect(areaOf(shape)).toBeCloseTo(squareMetres, 9);
  });

  it("grows by carving and by both faces", () => {
    const panel: Shape = { kind: "panel", width: 1000, height: 1000, ...one };
    expect(areaOf(panel, 1.22)).toBeCloseTo(1.22, 9);
    expect(areaOf(panel, 1, 2)).toBeCloseTo(2, 9);
  });

  it("is never nothing and grows with every size", () => {
    const size = fc.integer({ min: 1, max: 10_000 });
    fc.assert(
      fc.property(size, size, size, (width, height, depth) => {
        const box = (more: number) => areaOf({ kind: "box", width: width + more, height, depth, ...one });
        expect(box(0)).toBeGreaterThan(0);
        expect(box(100)).toBeGreaterThan(box(0));
        // a frame is part of its panel
        const frame = areaOf({ kind: "frame", width, height, member: depth, ...one });
        const panel = areaOf({ kind: "panel", width, height, ...one });
        expect(frame).toBeLessThanOrEqual(panel + 1e-12);
      }),
    );
  });

  it.each([
    [{ kind: "panel", width: 0, height: 10, count: 1 }, "a size must be more than 0 mm"],
    [{ kind: "panel", width: -5, height: 10, count: 1 }, "a size must be more than 0 mm"],
    [{ kind: "panel", width: 90_000, height: 10, count: 1 }, "a size over 20 m is not furniture"],
    [{ kind: "disc", diameter: 300, count: 0 }, "at least one"],
    [{ kind: "disc", diameter: 300, count: 1.5 }, "a whole number of pieces"],
    [{ kind: "panel", width: "wide", height: 10, count: 1 }, "give this size in millimetres"],
  ])("refuses %j and says why", (shape, says) => {
    const read = Shape.safeParse(shape);
    expect(read.success).toBe(false);
    expect(read.error?.issues[0]?.message).toBe(says);
  });
});
