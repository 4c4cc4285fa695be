import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Shape } from "../quantity/shape.ts";
import {
  drawnAs,
  type FrontPlace,
  frontMeasure,
  frontSize,
  linedUp,
  movedTo,
  shapeDrawn,
  WAYS,
  withFrontMeasure,
  withFrontPlace,
} from "./front.ts";

const at = (width: number, height: number, drawn: FrontPlace["drawn"] = "panel"): FrontPlace => ({
  x: 100,
  y: 50,
  width,
  height,
  drawn,
});
const panel = (width: number, height: number, count = 1): Shape => ({ kind: "panel", width, height, count });

describe("measures on the front of a piece", () => {
  it("a door's width lies across and its height up; a measure typed there is the door's own", () => {
    const door = { shape: panel(420, 640), place: at(420, 640) };
    expect(frontMeasure(door, "across")).toEqual({ millimetres: 420, size: "width", times: 1 });
    expect(frontMeasure(door, "up")).toEqual({ millimetres: 640, size: "height", times: 1 });
    const wider = withFrontMeasure(door, "across", 450);
    expect(wider.shape).toEqual(panel(450, 640));
    expect(wider.place).toEqual({ ...at(450, 640) });
  });

  it("three drawers one above the other are measured by one of them", () => {
    const drawers = { shape: panel(800, 160, 3), place: at(800, 484, "drawer") };
    expect(frontMeasure(drawers, "up")).toEqual({ millimetres: 160, size: "height", times: 3 });
    // as high together as they are wide: it is still the height of one
    const square = { shape: panel(500, 250, 2), place: at(500, 500, "drawer") };
    expect(frontMeasure(square, "up")).toMatchObject({ size: "height", times: 2 });
    const higher = withFrontMeasure(drawers, "up", 180);
    expect(higher.shape).toEqual(panel(800, 180, 3));
    expect(higher.place.height).toBe(540);
  });

  it("a top seen on its edge shows its width, and a thickness that is none of its sizes", () => {
    const top = { shape: panel(1900, 420), place: at(1900, 46, "top") };
    expect(frontMeasure(top, "across")?.size).toBe("width");
    expect(frontMeasure(top, "up")).toEqual({ millimetres: 46, size: null, times: 1 });
    const thicker = withFrontMeasure(top, "up", 60);
    expect(thicker.shape).toEqual(top.shape);
    expect(thicker.place.height).toBe(60);
  });

  it("legs are as long as they are seen, and as far apart as they stand", () => {
    const legs = { shape: { kind: "leg", diameter: 85, length: 460, count: 6 } as const, place: at(1790, 460, "leg") };
    expect(frontMeasure(legs, "up")).toMatchObject({ size: "length", millimetres: 460 });
    expect(frontMeasure(legs, "across")).toMatchObject({ size: null, millimetres: 1790 });
  });

  it("a disc is as wide as it is high, and stays so", () => {
    const disc = { shape: { kind: "disc", diameter: 300, count: 1 } as const, place: at(300, 300, "disc") };
    const larger = withFrontMeasure(disc, "up", 340);
    expect(larger.shape.diameter).toBe(340);
    expect(larger.place).toMatchObject({ width: 340, height: 340 });
  });

  it("a zone that has no place is measured by its shape, where that says something", () => {
    expect(frontMeasure({ shape: panel(500, 300) }, "across")).toMatchObject({ size: "width" });
    expect(frontMeasure({ shape: { kind: "leg", diameter: 60, length: 400, count: 4 } }, "across")).toBeNull();
    expect(withFrontMeasure({ shape: panel(500, 300) }, "across", 520)).toEqual({ shape: panel(520, 300) });
  });

  it("what has been typed is what is read there again, whatever the shape", () => {
    const millimetres = fc.integer({ min: 20, max: 3000 });
    const count = fc.integer({ min: 1, max: 6 });
    const shape: fc.Arbitrary<Shape> = fc.oneof(
      fc.record({ kind: fc.constant("panel" as const), width: millimetres, height: millimetres, count }),
      fc.record({ kind: fc.constant("disc" as const), diameter: millimetres, count }),
      fc.record({
        kind: fc.constant("leg" as const),
        diameter: millimetres,
        length: millimetres,
        count: fc.integer({ min: 2, max: 8 }),
      }),
    );
    fc.assert(
      fc.property(shape, fc.constantFrom(...WAYS), millimetres, (one, way, typed) => {
        const zone = { shape: one, place: { ...frontSize({ shape: one }), x: 0, y: 0 } };
        const after = withFrontMeasure(zone, way, typed);
        expect(frontMeasure(after, way)?.millimetres).toBeCloseTo(typed, 6);
      }),
      { numRuns: 1000 },
    );
  });

  it("a door put elsewhere, and wider there, has become wider; a set of drawers higher, each by its part", () => {
    const door = withFrontPlace({ shape: panel(420, 640), place: at(420, 640) }, { ...at(500, 640), x: 900 });
    expect(door.shape).toEqual(panel(500, 640));
    expect(door.place.x).toBe(900);
    const drawers = withFrontPlace(
      { shape: panel(800, 160, 3), place: at(800, 480, "drawer") },
      at(800, 600, "drawer"),
    );
    expect(drawers.shape).toEqual(panel(800, 200, 3));
    const moved = withFrontPlace(
      { shape: panel(1900, 420), place: at(1900, 46, "top") },
      { ...at(1900, 46, "top"), y: 0 },
    );
    expect(moved.shape).toEqual(panel(1900, 420));
  });

  it("what is drawn has the shape it is said to have", () => {
    expect(shapeDrawn({ width: 400, height: 300, drawn: "panel" })).toEqual(panel(400, 300));
    expect(shapeDrawn({ width: 60, height: 700, drawn: "leg" })).toMatchObject({ diameter: 60, length: 700 });
    expect(shapeDrawn({ width: 300, height: 280, drawn: "disc" })).toMatchObject({ diameter: 280 });
    const frame = shapeDrawn({ width: 500, height: 900, drawn: "frame" });
    expect(frame).toMatchObject({ kind: "frame", width: 500, height: 900 });
    expect((frame as { member: number }).member).toBeLessThan(250);
  });

  it("mouldings and carving are drawn on flat shapes only", () => {
    expect(drawnAs(panel(400, 300), "carved")).toBe("carved");
    expect(drawnAs(panel(400, 300), "plain")).toBe("panel");
    expect(drawnAs({ kind: "leg", diameter: 60, length: 700, count: 4 }, "moulded")).toBe("leg");
  });
});

describe("lines that fall in with others", () => {
  it("go to an edge within reach, the nearest one, and to whole five millimetres elsewhere", () => {
    expect(linedUp(303, [300, 306.5], 10)).toBe(300);
    expect(linedUp(305, [300, 306.5], 10)).toBe(306.5);
    expect(linedUp(352, [300], 10)).toBe(350);
  });

  it("what is moved lines up at whichever end is nearer to an edge", () => {
    expect(movedTo(96, 200, [100, 700], 10)).toBe(100);
    expect(movedTo(497, 200, [100, 700], 10)).toBe(500);
    expect(movedTo(252, 200, [100, 700], 10)).toBe(250);
    // its right end is 2 from an edge, its left 8 from another
    expect(movedTo(108, 200, [100, 310], 10)).toBe(110);
  });
});
