import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import { Commands } from "#core/edit/command";
import { judge } from "#core/judge/judge";
import type { Plan } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { readEditForm } from "../edit-form";
import type { FormFields } from "../fields";
import { zoneFields } from "../zone-form";

const plan = (): Plan =>
  examplePlan({
    shows: "forms",
    ground: "raw timber",
    species: "pine",
    steps: [["brush", "chalk-slate", { coats: 2 }], ["wax", "wax-clear"], ["buff"]],
  });
let made = 0;
const read = (of: Plan, fields: FormFields) =>
  readEditForm(of, { crustId: "c1", zoneId: "z1", ...fields }, () => `new-${++made}`);

function done(of: Plan, fields: FormFields): Plan {
  const form = read(of, fields);
  if (!form.ok) throw new Error(JSON.stringify(form.faults));
  const applied = applyCommands(of, form.commands);
  if (!applied.ok) throw new Error(applied.because);
  return applied.plan;
}

describe("a place drawn on a face", () => {
  const draw = { do: "draw place", place: "motif", points: "10,10 40,10 40,60 10,60" };

  it("is drawn, drawn further, and taken away from the last", () => {
    const one = done(plan(), draw);
    const zone = (of: Plan) => of.pieces[0]!.zones[0]!;
    expect(zone(one).outlines?.motif).toEqual([
      [
        [0.1, 0.1],
        [0.4, 0.1],
        [0.4, 0.6],
        [0.1, 0.6],
      ],
    ]);
    const two = done(one, { ...draw, points: "", form: "round", left: "50", top: "50", width: "20", height: "20" });
    expect(zone(two).outlines?.motif).toHaveLength(2);
    expect(zone(done(two, { ...draw, take: "last" })).outlines).toEqual(zone(one).outlines);
    expect(zone(done(two, { ...draw, take: "all" })).outlines).toBeUndefined();
    expect(zone(done(one, { ...draw, take: "last" })).outlines).toBeUndefined();
  });

  it("outlives a change of the zone, and what undoes it can be kept", () => {
    const form = read(plan(), draw);
    if (!form.ok) throw new Error(JSON.stringify(form.faults));
    const drawn = applyCommands(plan(), form.commands);
    if (!drawn.ok) throw new Error(drawn.because);
    const kept = Commands.parse(JSON.parse(JSON.stringify(drawn.inverse)));
    const back = applyCommands(drawn.plan, kept);
    expect(back.ok && back.plan).toEqual(plan());
    const fields = zoneFields(drawn.plan.pieces[0]!.zones[0]!);
    const renamed = done(drawn.plan, { do: "patch zone", ...fields, zoneName: "Lid" });
    expect(renamed.pieces[0]!.zones[0]!.outlines).toEqual(drawn.plan.pieces[0]!.zones[0]!.outlines);
  });

  it.each([
    ["a line that closes round nothing", { points: "10,10 40,40" }, /not closed/],
    ["points that are none", { points: "here there everywhere" }, /not closed/],
    ["points beside the face", { points: "10,10 140,10 40,60" }, /not closed/],
    ["a line there and back", { points: "10,10 40,40 70,70" }, /goes round something/],
    ["no such place", { place: "sky" }, /which place/],
    ["a round wider than the face", { points: "", left: "60", top: "10", width: "50", height: "10" }, /right edge/],
    ["a round with no width", { points: "", left: "60", top: "10", width: "", height: "10" }, /Width: write per cent/],
  ])("refuses %s", (_name, fields, says) => {
    const form = read(plan(), { ...draw, ...fields });
    expect(form.ok ? "" : Object.values(form.faults).join(" ")).toMatch(says);
  });
});

describe("forms about crusts", () => {
  it("a copy for a zone is laid on it, and judged the same", () => {
    const after = done(plan(), { do: "duplicate crust" });
    expect(after.crusts).toHaveLength(2);
    expect(after.pieces[0]!.zones[0]!.crustId).toBe(after.crusts[1]!.id);
    expect(judge(after).counts).toEqual(judge(plan()).counts);
  });

  it("what lies under a step is kept as a crust of its own", () => {
    const after = done(plan(), { do: "split crust", stepId: "s3" });
    expect(after.crusts[1]!.steps.map((step) => step.id)).toEqual(["s1", "s2"]);
    expect(after.crusts[0]!.steps).toHaveLength(3);
  });

  it("a step left out on one zone is not judged there", () => {
    const after = done(plan(), { do: "override step", stepId: "s2", skip: "yes" });
    expect(judge(after).zones[0]!.phases.some(({ phase }) => phase.step.id === "s2")).toBe(false);
    const again = done(after, { do: "override step", stepId: "s2", skip: "no" });
    expect(again.pieces[0]!.zones[0]!.overrides).toEqual([]);
  });

  it.each([
    ["splitting under the first step", { do: "split crust", stepId: "s1" }, /nothing under the first step/],
    ["taking away a crust that lies on a zone", { do: "remove crust" }, /still used on a zone/],
    [
      "a way that no inspection has",
      { do: "set answer", stepId: "s2", branch: "elsewhere" },
      /does not have that answer/,
    ],
    ["an inspection with one answer", { do: "set answers", stepId: "s2" }, /at least two answers/],
    ["a ready piece nobody knows", { do: "add standard piece", kit: "throne" }, /Choose a standard piece/],
    ["a finish nobody knows", { do: "lay finish", finish: "moonlight" }, /Choose a finish/],
    ["a finish on a zone that is gone", { do: "lay finish", finish: "stone", zones: "gone" }, /no zone to lay it on/],
    ["a test without an answer", { do: "test ground", test: "waterDrop" }, /Choose what you saw/],
    ["a test with another's answer", { do: "test ground", test: "waterDrop", answer: "clean" }, /one of the answers/],
    ["a room of letters", { do: "set room", celsius: "warm", relativeHumidity: "50" }, /./],
    ["a material nobody knows", { do: "own copy", materialId: "moon-paint" }, /not in the job/],
    ["a material in use, taken out", { do: "unpin material", materialId: "chalk-slate" }, /still uses it/],
  ] as [string, FormFields, RegExp][])("%s is refused in a sentence", (_what, fields, says) => {
    const form = read(plan(), fields);
    expect(form.ok).toBe(false);
    if (!form.ok) expect(Object.values(form.faults).join(" ")).toMatch(says);
  });

  it("an inspection comes with two ways, and steps put between them keep to theirs", () => {
    const looked = done(plan(), { do: "add step", pick: "look", at: "1" });
    const inspection = looked.crusts[0]!.steps[1]!;
    expect(inspection.branches).toHaveLength(2);
    const other = inspection.branches![1]!.id;
    const moved = done(looked, { do: "set answer", stepId: "s2", branch: other });
    expect(judge(moved).zones[0]!.phases.some(({ phase }) => phase.step.id === "s2")).toBe(false);
  });

  it("a figure from the label wins and says where it is from", () => {
    const after = done(plan(), { do: "from label", materialId: "chalk-slate", recoat: "3 h" });
    const slate = after.pinned.materials.find((material) => material.id === "chalk-slate")!;
    expect(slate.drying.recoat).toEqual({ typical: 180, safe: 180, origin: "label" });
    expect(slate.drying.touch.origin).toBe("from memory");
  });
});
