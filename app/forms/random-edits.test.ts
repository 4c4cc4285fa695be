import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import { frontMeasure, WAYS } from "#core/plan/front";
import { findZone, type Plan, zoneArea, zonesOf } from "#core/plan/plan";
import * as random from "../../tests/random-crusts";
import { readEditForm } from "./edit-form";
import type { FormFields } from "./fields";
import { readZoneFields, zoneFields } from "./zone-form";

// What forms make of plans of every kind: nothing that was not asked for, and nothing that cannot be undone.

const names = () => {
  let made = 0;
  return () => `made-${++made}`;
};

/** The plan after a form, undone once on the way; null where the form says what is wrong with it. */
function afterForm(plan: Plan, fields: FormFields): Plan | null {
  const read = readEditForm(plan, fields, names());
  if (!read.ok) {
    for (const says of Object.values(read.faults)) expect(says).toMatch(/^[A-Z0-9"].*[.!?]$/);
    return null;
  }
  const done = applyCommands(plan, read.commands);
  if (!done.ok) throw new Error(done.because);
  const undone = applyCommands(done.plan, done.inverse);
  expect(undone.ok && undone.plan).toEqual(plan);
  return done.plan;
}

describe("forms on plans of every kind", () => {
  it("a zone's form left as it is changes nothing of the zone", () => {
    fc.assert(
      fc.property(random.plan, (plan) => {
        for (const zone of zonesOf(plan)) {
          const { id: _id, crustId: _crustId, ...own } = zone;
          const read = readZoneFields(zoneFields(zone), zone);
          expect(read.ok && { ...own, ...read.zone }).toEqual(own);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("a zone that is measured on the front covers as much more as it is wider or higher, and the rest of the plan stays", () => {
    fc.assert(
      fc.property(
        random.plan,
        fc.constantFrom(...WAYS),
        fc.integer({ min: 20, max: 3000 }),
        (plan, way, millimetres) => {
          const zone = zonesOf(plan)[0]!;
          const measure = frontMeasure(zone, way);
          const measured = afterForm(plan, {
            do: "measure zone",
            zoneId: zone.id,
            way,
            millimetres: String(millimetres),
          });
          const then = findZone(measured!, zone.id)!;
          expect(frontMeasure(then, way)?.millimetres).toBeCloseTo(millimetres, 6);
          expect(zoneArea(then) / zoneArea(zone)).toBeCloseTo(millimetres / measure!.millimetres, 6);
          expect(zonesOf(measured!).slice(1)).toEqual(zonesOf(plan).slice(1));
          expect(measured!.crusts).toEqual(plan.crusts);
        },
      ),
      { numRuns: 100 },
    );
  });

  it("a zone drawn anywhere is one more zone with an empty crust of its own, and every other stays as it is", () => {
    const millimetres = fc.integer({ min: 10, max: 4000 });
    fc.assert(
      fc.property(random.plan, millimetres, millimetres, millimetres, (plan, left, width, height) => {
        const fields = { left: String(left), floor: "0", width: String(width), height: String(height) };
        const drawn = afterForm(plan, { do: "draw zone", pieceId: plan.pieces[0]!.id, ...fields, drawn: "frame" });
        expect(zonesOf(drawn!).length).toBe(zonesOf(plan).length + 1);
        const known = new Set(zonesOf(plan).map(({ id }) => id));
        const [fresh] = zonesOf(drawn!).filter(({ id }) => !known.has(id));
        expect(drawn!.crusts.find(({ id }) => id === fresh!.crustId)?.steps).toEqual([]);
        expect(fresh!.shape).toMatchObject({ kind: "frame", width, height });
        expect(zonesOf(drawn!).filter(({ id }) => known.has(id))).toEqual(zonesOf(plan));
      }),
      { numRuns: 100 },
    );
  });

  it("steps of any crust move one up, and are removed, and come back by undo where they were", () => {
    fc.assert(
      fc.property(random.plan, fc.nat(), fc.constantFrom("move step", "remove step"), (plan, which, does) => {
        const crust = plan.crusts[0]!;
        const step = crust.steps[which % crust.steps.length]!;
        const at = crust.steps.indexOf(step);
        const then = afterForm(plan, { do: does, crustId: crust.id, stepId: step.id, to: "up" });
        const steps = then?.crusts[0]?.steps.map(({ id }) => id);
        if (does === "remove step")
          expect(steps).toEqual(crust.steps.filter((one) => one !== step).map(({ id }) => id));
        else if (at === crust.steps.length - 1) expect(then).toBeNull();
        else expect(steps?.indexOf(step.id)).toBe(at + 1);
      }),
      { numRuns: 100 },
    );
  });
});
