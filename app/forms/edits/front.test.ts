import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import { type Plan, zonesOf } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { readEditForm } from "../edit-form";
import type { FormFields } from "../fields";
import { zoneFields } from "../zone-form";

const plan = (): Plan =>
  examplePlan({ shows: "the front", ground: "raw timber", species: "oak", steps: [["brush", "chalk-slate"]] });
let made = 0;
const read = (of: Plan, fields: FormFields) => readEditForm(of, fields, () => `new-${++made}`);

function done(of: Plan, fields: FormFields): Plan {
  const form = read(of, fields);
  if (!form.ok) throw new Error(JSON.stringify(form.faults));
  const applied = applyCommands(of, form.commands);
  if (!applied.ok) throw new Error(applied.because);
  const back = applyCommands(applied.plan, applied.inverse);
  expect(back.ok && back.plan).toEqual(of);
  return applied.plan;
}
const faultsOf = (of: Plan, fields: FormFields) => {
  const form = read(of, fields);
  return form.ok ? {} : form.faults;
};

const drawn = { do: "draw zone", left: "100", floor: "0", width: "400", height: "250" };
const lastZone = (of: Plan) => zonesOf(of).at(-1)!;

describe("a zone drawn on the front", () => {
  it("has the size it is drawn, the piece's ground, a name of its own and a crust to itself", () => {
    const before = plan();
    const after = done(before, { ...drawn, drawn: "moulded" });
    const zone = lastZone(after);
    expect(zone.shape).toEqual({ kind: "panel", width: 400, height: 250, count: 1 });
    expect(zone.place).toEqual({ x: 100, y: 0, width: 400, height: 250, drawn: "moulded" });
    expect(zone.ground).toEqual(before.pieces[0]!.zones[0]!.ground);
    expect(zone.carving).toBeGreaterThan(1);
    expect(zonesOf(after).filter(({ crustId }) => crustId === zone.crustId)).toHaveLength(1);
    const again = done(after, drawn);
    expect(new Set(zonesOf(again).map(({ name }) => name)).size).toBe(3);
  });

  it("says which figure is wrong, and what to write", () => {
    expect(faultsOf(plan(), { ...drawn, width: "wide" }).width).toMatch(/millimetres/);
    expect(faultsOf(plan(), { ...drawn, height: "0" }).height).toMatch(/more than 0/);
    expect(faultsOf(plan(), { ...drawn, left: "-6000" }).left).toMatch(/5 m/);
    expect(faultsOf(plan(), { ...drawn, floor: "" }).floor).toMatch(/millimetres/);
  });
});

describe("a zone put elsewhere, and measured there", () => {
  it("stands where it is put; its sizes follow, its crust and ground do not change", () => {
    const one = done(plan(), drawn);
    const { id, crustId } = lastZone(one);
    const two = done(one, { do: "place zone", zoneId: id, left: "0", floor: "60", width: "500", height: "250" });
    expect(lastZone(two)).toMatchObject({ shape: { width: 500, height: 250 }, place: { y: 60, width: 500 }, crustId });
  });

  it("a figure on a dimension line is the zone's own size, by comma or by point", () => {
    const one = done(plan(), drawn);
    const { id } = lastZone(one);
    const measured = done(one, { do: "measure zone", zoneId: id, way: "up", millimetres: "262,5" });
    expect(lastZone(measured)).toMatchObject({ shape: { height: 262.5 }, place: { height: 262.5 } });
    const wrong = { do: "measure zone", zoneId: id, way: "up" };
    expect(faultsOf(one, { ...wrong, millimetres: "-3" }).millimetres).toMatch(/Measure it/);
    expect(faultsOf(one, { ...wrong, millimetres: "30000" }).millimetres).toMatch(/20 m/);
    expect(faultsOf(one, { ...wrong, way: "askew", millimetres: "3" })[""]).toMatch(/across or up/);
  });

  it("drawn as a panel, it is drawn as a leg once it is said to be one, and as it was if only its name changes", () => {
    const one = done(plan(), drawn);
    const fields = { do: "patch zone", zoneId: lastZone(one).id, ...zoneFields(lastZone(one)) };
    expect(lastZone(done(one, { ...fields, zoneName: "Door" })).place).toEqual(lastZone(one).place);
    const leg = done(one, { ...fields, shape: "leg", size1: "60", size2: "250" });
    expect(lastZone(leg).place?.drawn).toBe("leg");
    expect(lastZone(done(one, { ...fields, reliefKind: "carved" })).place?.drawn).toBe("carved");
  });
});
