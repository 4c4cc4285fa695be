import { describe, expect, it } from "vitest";
import type { DrawnAs } from "#core/plan/front";
import type { Zone } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { arranged, type FrontZone, facesOf, legsOf, memberOf } from "./arrange";

const [zone] = examplePlan({ shows: "a zone", ground: "raw timber", steps: [] }).pieces[0]!.zones;
const like = (id: string, shape: Zone["shape"], place?: Zone["place"]): Zone => {
  const { place: _, ...rest } = zone!;
  return { ...rest, id, shape, ...(place ? { place } : {}) };
};
const at = (drawn: DrawnAs, width: number, height: number, x = 0) => ({ x, y: 0, width, height, drawn }) as const;
const panel = (count: number): Zone["shape"] => ({ kind: "panel", width: 900, height: 180, count });
const BOX = { x: 10, y: 20, width: 300, height: 200 };

describe("zones on the front of a piece", () => {
  it("stand where they are, larger ones beneath; what has no place stands beside them, and nothing lies over it", () => {
    const list = arranged([
      like("knob", panel(1), at("knob", 30, 30, 400)),
      like("carcass", panel(1), at("panel", 1000, 850)),
      like("leaf", panel(1)),
      like("legs", { kind: "leg", diameter: 60, length: 400, count: 4 }),
    ]);
    expect(list.map(({ id }) => id).indexOf("carcass")).toBeLessThan(list.map(({ id }) => id).indexOf("knob"));
    const placeOf = (id: string) => list.find((frontZone) => frontZone.id === id)!.place;
    expect(placeOf("leaf").x).toBeGreaterThan(1000);
    expect(placeOf("legs").x).toBeGreaterThanOrEqual(placeOf("leaf").x + placeOf("leaf").width);
    expect(placeOf("legs").drawn).toBe("leg");
  });

  it("drawers lie one above the other and fill their box, twelve at most", () => {
    const faces = (count: number) => facesOf(like("d", panel(count), at("drawer", 900, 800)) as FrontZone, BOX);
    expect(faces(4).length).toBe(4);
    expect(faces(40).length).toBe(12);
    const [first, second] = faces(4);
    expect(second!.y).toBeGreaterThan(first!.y + first!.height);
    const last = faces(4).at(-1)!;
    expect(last.y + last.height).toBeCloseTo(BOX.y + BOX.height, 6);
  });

  it("panels stand side by side, and the leaves of a frame touch", () => {
    const panels = facesOf(like("p", panel(3), at("moulded", 900, 800)) as FrontZone, BOX);
    expect(panels.map(({ y }) => y)).toEqual([20, 20, 20]);
    expect(panels[1]!.x).toBeGreaterThan(panels[0]!.x + panels[0]!.width);
    const frame: Zone["shape"] = { kind: "frame", width: 400, height: 800, member: 60, count: 2 };
    const [left, right] = facesOf(like("f", frame, at("frame", 800, 800)) as FrontZone, BOX);
    expect(right!.x).toBeCloseTo(left!.x + left!.width, 6);
  });

  it("a frame's members are to scale, and always leave an opening", () => {
    const frame: Zone["shape"] = { kind: "frame", width: 400, height: 800, member: 60, count: 1 };
    expect(memberOf(like("f", frame), BOX, 0.5)).toBe(30);
    expect(memberOf(like("f", frame), BOX, 20)).toBeLessThan(BOX.height / 2);
  });

  it("two of four legs are seen, at the ends; a single one stands in the middle", () => {
    const legs = (count: number) =>
      legsOf(like("l", { kind: "leg", diameter: 60, length: 400, count }, at("leg", 900, 400)) as FrontZone, BOX, 0.5);
    expect(legs(4).map(({ x }) => x)).toEqual([10, 280]);
    expect(legs(1)).toEqual([{ x: 145, y: 20, width: 30, height: 200 }]);
  });
});
