import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import type { PhotoFace } from "#core/plan/photo-marks";
import type { Plan } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { readEditForm } from "../edit-form";
import type { FormFields } from "../fields";
import { cornersOf, sayMarks } from "./photo";

const PHOTO = { photoId: "p1", width: "1600", height: "1200" };
const plan = () => examplePlan({ shows: "a photo", ground: "raw timber", steps: [["brush", "chalk-slate"]] });

let made = 0;
const read = (on: Plan, fields: FormFields) => readEditForm(on, { ...PHOTO, ...fields }, () => `n${++made}`);
function done(on: Plan, fields: FormFields): Plan {
  const edit = read(on, fields);
  if (!edit.ok) throw new Error(JSON.stringify(edit.faults));
  const applied = applyCommands(on, edit.commands);
  if (!applied.ok) throw new Error(applied.because);
  return applied.plan;
}
const faultsOf = (on: Plan, fields: FormFields) => {
  const edit = read(on, fields);
  return edit.ok ? null : edit.faults;
};

const FACE = { do: "mark face", faceId: "", shows: "z1", looks: "front" };
const CORNERS = "10,10 90,12 12,80 88,78";
const withFace = () => done(plan(), { ...FACE, points: CORNERS });
const faceIn = (on: Plan): PhotoFace => on.photos![0]!.faces[0]!;

describe("marking a face by a form", () => {
  it("puts a new face in the middle of the photo, called after its zone", () => {
    const face = faceIn(done(plan(), FACE));
    expect(face).toMatchObject({ name: "Panel", zoneId: "z1", looks: "front", across: 1, down: 1 });
    expect(cornersOf(face)).toEqual([
      [0.35, 0.35],
      [0.65, 0.35],
      [0.65, 0.65],
      [0.35, 0.65],
    ]);
  });

  it("takes corners in per cent, and says them the same way", () => {
    expect(sayMarks(faceIn(withFace()).points)).toBe(CORNERS);
  });

  it("says what is wrong with corners, and where", () => {
    const on = withFace();
    const about = { do: "mark face", faceId: faceIn(on).id };
    expect(faultsOf(on, { ...about, points: "10,10 90" })).toEqual({
      points: "Write each corner as from the left, from the top: 12.5,40 30,41",
    });
    expect(faultsOf(on, { ...about, points: "10,10 90,12 12,80" })?.points).toMatch(/a point at every corner/);
    expect(faultsOf(on, { ...about, points: "10,10 90,12 12,80 88,990" })?.points).toMatch(/no further from the photo/);
    expect(faultsOf(on, { ...about, shows: "z9" })).toEqual({ shows: "This zone is no longer in the plan." });
    expect(faultsOf(on, { ...about, looks: "down" })).toEqual({ looks: "Choose which way it looks." });
    expect(faultsOf(on, { ...about, across: "9" })).toEqual({ across: "8 cells at most." });
    expect(faultsOf(on, { do: "mark face", faceId: "gone" })).toEqual({ "": "This face is no longer on the photo." });
    expect(faultsOf(plan(), { ...FACE, photoId: "no such id!" })?.[""]).toMatch(/photo is no longer there/);
  });

  it("keeps the corners of a face that is made to bow, and lays the points between them in perspective", () => {
    const on = withFace();
    const bowed = faceIn(done(on, { do: "mark face", faceId: faceIn(on).id, across: "4" }));
    expect(bowed.points).toHaveLength(10);
    for (const [at, [x, y]] of cornersOf(bowed).entries()) {
      expect(x).toBeCloseTo(cornersOf(faceIn(on))[at]![0], 4);
      expect(y).toBeCloseTo(cornersOf(faceIn(on))[at]![1], 4);
    }
    const flat = faceIn(
      done(done(on, { do: "mark face", faceId: faceIn(on).id, across: "4" }), {
        do: "mark face",
        faceId: faceIn(on).id,
        across: "1",
      }),
    );
    expect(cornersOf(flat).map(([x]) => x)).toEqual([0.1, 0.9, 0.88, 0.12]);
  });

  it("gives a frame an opening inside it, and takes it away again", () => {
    const on = withFace();
    const about = { do: "mark face", faceId: faceIn(on).id };
    const framed = done(on, { ...about, hasOpening: "yes" });
    expect(faceIn(framed).opening).toHaveLength(4);
    expect(faceIn(done(framed, { ...about, hasOpening: "no" })).opening).toBeUndefined();
    // other changes leave it alone
    expect(faceIn(done(framed, { ...about, name: "Door" })).opening).toEqual(faceIn(framed).opening);
  });

  it("leaves a handle as it is, and makes what shows no zone into a new one", () => {
    expect(faceIn(done(plan(), { ...FACE, shows: "as it is" }))).toMatchObject({ asItIs: true, name: "Left as it is" });
    const fresh = faceIn(done(plan(), { ...FACE, shows: "" }));
    expect(fresh.name).toBe("New zone");
    expect(fresh.zoneId).toBeUndefined();
  });
});

describe("lengths by tape", () => {
  it("lie along the lower edge until they are dragged, and move", () => {
    const on = withFace();
    const marked = done(on, { do: "mark length", faceId: faceIn(on).id, millimetres: "980" });
    expect(marked.photos![0]!.known).toEqual([
      { faceId: faceIn(on).id, from: [0.12, 0.8], to: [0.88, 0.78], millimetres: 980 },
    ]);
    const moved = done(marked, { do: "mark length", length: "0", ends: "20,50 60,50" });
    expect(moved.photos![0]!.known[0]).toMatchObject({ from: [0.2, 0.5], to: [0.6, 0.5], millimetres: 980 });
    expect(done(moved, { do: "forget length", length: "0" }).photos![0]!.known).toEqual([]);
  });

  it("are refused where they are no lengths", () => {
    const on = withFace();
    const about = { do: "mark length", faceId: faceIn(on).id };
    expect(faultsOf(on, { ...about, millimetres: "" })).toEqual({
      millimetres: "Measure it with a tape, in millimetres.",
    });
    expect(faultsOf(on, { ...about, millimetres: "wide" })?.millimetres).toMatch(/Measure it/);
    expect(faultsOf(on, { ...about, millimetres: "-3" })).toEqual({ millimetres: "A length is more than nothing." });
    expect(faultsOf(on, { ...about, millimetres: "30000" })?.millimetres).toMatch(/20000 mm at most/);
    expect(faultsOf(on, { ...about, millimetres: "100", ends: "1,1" })?.ends).toMatch(/both ends/);
    expect(faultsOf(on, { do: "mark length", millimetres: "100" })).toEqual({
      faceId: "Choose the face that the length lies on.",
    });
    expect(faultsOf(on, { do: "mark length", length: "7", millimetres: "100" })?.[""]).toMatch(
      /no longer on the photo/,
    );
  });

  it("go with their face", () => {
    const on = withFace();
    const marked = done(on, { do: "mark length", faceId: faceIn(on).id, millimetres: "980" });
    expect(done(marked, { do: "forget face", faceId: faceIn(on).id }).photos![0]).toMatchObject({
      faces: [],
      known: [],
    });
  });
});

describe("taking the measures", () => {
  it("says what is missing, one thing at a time", () => {
    expect(faultsOf(plan(), { do: "read measures" })).toEqual({ "": "Mark the corners of a face first." });
    const on = withFace();
    expect(faultsOf(on, { do: "read measures" })?.[""]).toMatch(/^Mark a length first/);
    const crossed = done(on, { do: "mark face", faceId: faceIn(on).id, points: "90,10 10,10 12,80 88,78" });
    expect(faultsOf(crossed, { do: "read measures" })?.[""]).toMatch(/^Put the corners in order first/);
  });

  it("changes the zone once, and then has nothing more to do", () => {
    const on = withFace();
    const measured = done(done(on, { do: "mark length", faceId: faceIn(on).id, millimetres: "980" }), {
      do: "read measures",
    });
    expect(measured.pieces[0]!.zones[0]!.shape).toMatchObject({ kind: "panel", width: 980 });
    expect(faultsOf(measured, { do: "read measures" })).toEqual({ "": "The zones have these measures already." });
  });
});

describe("how light the finish is shown", () => {
  it("is set in stops, within one either way", () => {
    expect(done(withFace(), { do: "set lighter", lighter: "0.4" }).photos![0]!.lighter).toBe(0.4);
    expect(faultsOf(withFace(), { do: "set lighter", lighter: "3" })?.lighter).toMatch(/one stop/);
  });
});
