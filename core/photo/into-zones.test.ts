import { describe, expect, it } from "vitest";
import { applyCommands } from "../edit/apply.ts";
import { Commands } from "../edit/command.ts";
import type { PhotoFace } from "../plan/photo-marks.ts";
import { Plan, type Zone, zoneArea, zonesOf } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { type Camera, marked, type PointInRoom, photoOf, pictured } from "./camera.ts";
import { newZonesOn, readIntoZones, zoneReadings } from "./into-zones.ts";

const CAMERA: Camera = { stands: [1900, 1350, 2300], turned: 31, tilted: 17, focal: 0.76, width: 1600, height: 1200 };
const [W, H, D] = [1000, 850, 480];
const rectangle = (x: number, y: number, width: number, height: number): PointInRoom[] => [
  [x, y + height, 0],
  [x + width, y + height, 0],
  [x + width, y, 0],
  [x, y, 0],
];
const SIDE: PointInRoom[] = [
  [W, H, 0],
  [W, H, -D],
  [W, 0, -D],
  [W, 0, 0],
];

const BOX: Zone["shape"] = { kind: "box", width: 1, height: 1, depth: 1, count: 1 };

function planWith(faces: PhotoFace[], shape: Zone["shape"]): Plan {
  const plan = examplePlan({ shows: "a photo", ground: "raw timber", steps: [["brush", "chalk-slate"]] });
  plan.pieces[0]!.zones[0]!.shape = shape;
  const from = pictured(CAMERA, [0, 0, 0]);
  const to = pictured(CAMERA, [W, 0, 0]);
  return { ...plan, photos: [photoOf(CAMERA, faces, [{ faceId: "front", from, to, millimetres: W }])] };
}
const front = (more: Partial<PhotoFace> = {}) => marked(CAMERA, "front", "front", rectangle(0, 0, W, H), more);
let made = 0;
const newId = () => `n${++made}`;

const taken = (plan: Plan) => {
  const commands = Commands.parse(JSON.parse(JSON.stringify(readIntoZones(plan, newId))));
  const done = applyCommands(plan, commands);
  if (!done.ok) throw new Error(done.because);
  return done;
};

describe("measures of a photo, taken into zones", () => {
  it("give a box its three sizes, whole millimetres, and undo gives back what was there", () => {
    const plan = planWith([front({ zoneId: "z1" }), marked(CAMERA, "side", "side", SIDE, { zoneId: "z1" })], BOX);
    const done = taken(plan);
    expect(zonesOf(done.plan)[0]!.shape).toEqual({ kind: "box", width: W, height: H, depth: D, count: 1 });
    const back = applyCommands(done.plan, done.inverse);
    expect(back.ok && back.plan).toEqual(plan);
  });

  it("give drawers of unlike height one size that comes to the same area, and as many as are marked", () => {
    const heights = [120, 160, 220];
    let y = 700;
    const drawers = heights.map((height, index) => {
      y -= height + 10;
      return marked(CAMERA, `d${index}`, "front", rectangle(60, y, 880, height), { zoneId: "z1" });
    });
    const plan = planWith([front(), ...drawers], { kind: "panel", width: 1, height: 1, count: 1 });
    const { shape } = zonesOf(taken(plan).plan)[0]!;
    expect(shape).toMatchObject({ kind: "panel", width: 880, count: 3 });
    const area = (880 * heights.reduce((sum, height) => sum + height, 0)) / 1e6;
    expect(Math.abs(zoneArea({ ...zonesOf(plan)[0]!, shape }) / area - 1)).toBeLessThan(0.02);
  });

  it("give a frame its members where its opening is marked, and leave it alone where it is not", () => {
    const shape: Zone["shape"] = { kind: "frame", width: 1, height: 1, member: 0.4, count: 1 };
    const opening = rectangle(90, 90, W - 180, H - 180).map((corner) => pictured(CAMERA, corner));
    const side = marked(CAMERA, "side", "side", SIDE);
    expect(zonesOf(taken(planWith([front({ zoneId: "z1", opening }), side], shape)).plan)[0]!.shape).toEqual({
      kind: "frame",
      width: W,
      height: H,
      member: 90,
      count: 1,
    });
    expect(zoneReadings(planWith([front({ zoneId: "z1" }), side], shape))).toEqual([]);
  });

  it("read a panel off the faces that look the way the largest does: its edges are painted, not measured", () => {
    const edge = marked(CAMERA, "edge", "side", SIDE, { zoneId: "z1" });
    const [reading] = zoneReadings(
      planWith([front({ zoneId: "z1" }), edge], { kind: "panel", width: 1, height: 1, count: 1 }),
    );
    expect(reading!.shape).toEqual({ kind: "panel", width: W, height: H, count: 1 });
  });

  it("make a zone of each face that has none, name it after the face, and tie the face to it", () => {
    const plan = planWith([front({ name: "Carcass" }), marked(CAMERA, "side", "side", SIDE, { name: "End" })], BOX);
    expect(newZonesOn(plan).map(({ face }) => face.name)).toEqual(["Carcass", "End"]);
    const done = taken(plan).plan;
    const added = zonesOf(done).slice(1);
    expect(added.map(({ name, shape }) => [name, shape.kind])).toEqual([
      ["Carcass", "panel"],
      ["End", "panel"],
    ]);
    expect(done.photos![0]!.faces.map(({ zoneId }) => zoneId)).toEqual(added.map(({ id }) => id));
    expect(added[0]!.crustId).toBe("c1");
    // everything is a zone now: there is nothing more to take
    expect(readIntoZones(done, newId)).toEqual([]);
    expect(Plan.safeParse(done).success).toBe(true);
  });

  it("leave what stays as it is, and what has no size, out of it", () => {
    const handle = marked(CAMERA, "handle", "front", rectangle(450, 400, 100, 30), { asItIs: true });
    const plan = planWith([front({ zoneId: "z1" }), handle, marked(CAMERA, "side", "side", SIDE)], BOX);
    expect(newZonesOn({ ...plan, photos: plan.photos!.map((photo) => ({ ...photo, known: [] })) })).toEqual([]);
    expect(newZonesOn(plan).map(({ face }) => face.id)).toEqual(["side"]);
  });
});

describe("marks on a photo are part of the plan", () => {
  it("a face lets go of a zone that is removed, and has it again when that is back", () => {
    const plan = planWith([front({ zoneId: "z1" })], BOX);
    const done = applyCommands(plan, [{ do: "remove zone", zoneId: "z1" }]);
    if (!done.ok) throw new Error(done.because);
    expect(done.plan.photos![0]!.faces[0]!.zoneId).toBeUndefined();
    const back = applyCommands(done.plan, done.inverse);
    expect(back.ok && back.plan.photos).toEqual(plan.photos);
  });

  it("a face of a zone that the plan does not have is refused, with where it is", () => {
    const plan = planWith([front({ zoneId: "z9", name: "Lid" })], BOX);
    const read = Plan.safeParse(plan);
    expect(read.error?.issues[0]).toMatchObject({ path: ["photos", 0, "faces", 0, "zoneId"] });
  });

  it("marks can be forgotten and come back with undo", () => {
    const plan = planWith([front()], BOX);
    const done = applyCommands(plan, [{ do: "set photo", photoId: "photo", photo: null }]);
    if (!done.ok) throw new Error(done.because);
    expect(done.plan.photos).toBeUndefined();
    const back = applyCommands(done.plan, done.inverse);
    expect(back.ok && back.plan).toEqual(plan);
  });
});
