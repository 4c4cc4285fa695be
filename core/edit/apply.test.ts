import { isDeepStrictEqual } from "node:util";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as anyPlan, zone as anyZone, steps } from "../../tests/random-crusts.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { DEFAULT_HOURS } from "../plan/hours.ts";
import { type DryingFactors, LIMITS, type Plan, type Step, zonesOf } from "../plan/plan.ts";
import { REFERENCE_ROOM } from "../plan/room.ts";
import { examplePlan } from "../rules/example.ts";
import { applyCommand, applyCommands } from "./apply.ts";
import { Command } from "./command.ts";

const plain = (): Plan =>
  examplePlan({
    shows: "three steps",
    ground: "raw timber",
    species: "pine",
    steps: [["brush", "mineral-storm"], ["sand-220"], ["wax", "wax-clear"]],
  });

/** A plan as a file would hold it. */
const written = (plan: Plan): unknown => JSON.parse(JSON.stringify(plan));

const newStep = (id: string): Step => ({
  id,
  kind: "coat",
  how: "brush",
  what: "mineral-oyster",
  where: { on: "everywhere", over: 1 },
  coats: 1,
  intents: [],
});

/** Any command, aimed at what is in the plan more often than not. */
const markedFace = (zoneId: string | undefined) => ({
  id: "front",
  name: "Front",
  ...(zoneId ? { zoneId } : {}),
  looks: "front" as const,
  across: 1,
  down: 1,
  points: [
    [0.1, 0.1],
    [0.9, 0.1],
    [0.1, 0.9],
    [0.9, 0.9],
  ] satisfies [number, number][],
});

function commandsFor(plan: Plan): fc.Arbitrary<Command> {
  const crust = fc.constantFrom(...plan.crusts);
  const ofCrust = crust.chain((one) =>
    fc.record({ crustId: fc.constant(one.id), stepId: fc.constantFrom("nobody", ...one.steps.map((step) => step.id)) }),
  );
  const zone = fc.constantFrom(...zonesOf(plan));
  const at = fc.integer({ min: 0, max: 6 });
  const name = fc.constantFrom("Plinth", "Cornice", "Pale idea");
  return fc.oneof(
    fc.record({
      do: fc.constant("set job" as const),
      patch: fc.record(
        {
          title: name,
          client: fc.constantFrom(undefined, null, "Harbour office"),
          due: fc.constantFrom(undefined, null, "2026-12-24T12:00"),
          state: fc.constantFrom(undefined, null, "under way"),
          hoursFrom: fc.constantFrom(undefined, null, "shop"),
        },
        { requiredKeys: ["client", "due", "state", "hoursFrom"] },
      ),
    }),
    fc.record({
      do: fc.constant("set house rules" as const),
      houseRules: fc.constantFrom(
        { ...plan.pinned.houseRules, buff: "at once" as const },
        { ...plan.pinned.houseRules, waitBeforeClear: "touch dry" as const },
      ),
    }),
    fc
      .constantFrom(DEFAULT_HOURS, { ...DEFAULT_HOURS, weekdays: [[[480, 720]], [], [], [], [], [], []] })
      .map((hours) => ({
        do: "set hours" as const,
        hours,
      })),
    fc.constantFrom(REFERENCE_ROOM, { celsius: 14, relativeHumidity: 80, draught: true }).map((room) => ({
      do: "set room" as const,
      room,
    })),
    fc.record({
      do: fc.constant("set time" as const),
      zoneId: fc.constantFrom("z1", "z2", "nowhere"),
      phaseId: fc.constantFrom("s0", "s1/2"),
      starts: fc.constantFrom("2026-12-01T10:00", "2026-12-02T15:30", null),
    }),
    fc.record({
      do: fc.constant("set done" as const),
      zoneId: fc.constantFrom("z1", "z2", "nowhere"),
      phaseId: fc.constantFrom("s0", "s1/2"),
      when: fc.constantFrom(
        { starts: "2026-12-01T10:00", ends: "2026-12-01T10:40" },
        { starts: "2026-12-01T10:00", ends: "2026-12-01T09:00" },
        null,
      ),
    }),
    fc
      .constantFrom<DryingFactors>({}, { "chalk-type paint": 1.2 }, { "clear wax": 0.8, "milk paint": 1.5 })
      .map((drying) => ({ do: "set drying" as const, drying })),
    fc.subarray(["lead", "heat"]).map((dangers) => ({ do: "acknowledge" as const, dangers })),
    fc
      .subarray([
        { name: "duck egg", colour: "#a9bdb3" },
        { name: "night", colour: "#10131a" },
      ])
      .map((palette) => ({ do: "set palette" as const, palette })),
    fc
      .tuple(fc.constantFrom("photo", "other"), fc.constantFrom("z1", "nowhere", undefined), fc.boolean())
      .map(([photoId, zoneId, forget]) => ({
        do: "set photo" as const,
        photoId,
        photo: forget ? null : { id: "photo", width: 1600, height: 1200, known: [], faces: [markedFace(zoneId)] },
      })),
    fc.record({
      do: fc.constant("insert step" as const),
      crustId: crust.map((one) => one.id),
      at,
      step: steps(1).map(([step]) => ({ ...step!, id: "fresh" })),
    }),
    ofCrust.map((place) => ({ do: "remove step" as const, ...place })),
    fc.tuple(ofCrust, at).map(([place, to]) => ({ do: "move step" as const, ...place, to })),
    fc
      .tuple(
        ofCrust,
        fc.record({
          coats: fc.integer({ min: 1, max: 5 }),
          what: fc.constantFrom(undefined, null, "wax-dark"),
          wait: fc.constantFrom(undefined, null, { kind: "at least" as const, minutes: 90 }),
          reveals: fc.constantFrom(undefined, null, "s0"),
        }),
      )
      .map(([place, patch]) => ({ do: "patch step" as const, ...place, patch })),
    fc.record({ do: fc.constant("rename crust" as const), crustId: crust.map((one) => one.id), name }),
    fc.record({
      do: fc.constant("insert crust" as const),
      at: fc.integer({ min: 0, max: plan.crusts.length }),
      crust: fc.constantFrom({ id: "fresh-crust", name: "Fresh", steps: [] }, plan.crusts[0]!),
    }),
    crust.map((one) => ({ do: "remove crust" as const, crustId: one.id })),
    fc.record({
      do: fc.constant("insert piece" as const),
      at: fc.integer({ min: 0, max: plan.pieces.length }),
      piece: fc.constantFrom({ id: "fresh-piece", name: "Fresh", zones: [] }, plan.pieces[0]!),
    }),
    fc.constantFrom("p1", "nobody").map((pieceId) => ({ do: "remove piece" as const, pieceId })),
    fc
      .tuple(fc.constantFrom("p1", "nobody"), name)
      .map(([pieceId, to]) => ({ do: "rename piece" as const, pieceId, name: to })),
    fc
      .tuple(anyZone("fresh-zone", plan.crusts[0]!.id), at)
      .map(([fresh]) => ({ do: "insert zone" as const, pieceId: "p1", at: 0, zone: fresh })),
    zone.map((one) => ({ do: "remove zone" as const, zoneId: one.id })),
    fc
      .tuple(
        zone,
        fc.record(
          {
            name,
            carving: fc.constantFrom(1, 1.3),
            crustId: fc.constantFrom(undefined, plan.crusts[0]!.id, "nowhere"),
          },
          { requiredKeys: [] },
        ),
      )
      .map(([one, patch]) => ({ do: "patch zone" as const, zoneId: one.id, patch })),
    fc.constantFrom(...CATALOGUE).map((material) => ({
      do: "pin material" as const,
      material: { ...material, name: `${material.name} of ours` },
    })),
    fc.constantFrom("wax-dark", "moon-dust").map((materialId) => ({ do: "unpin material" as const, materialId })),
  ) as fc.Arbitrary<Command>;
}

describe("every edit", () => {
  it("followed by its inverse gives the same plan", () => {
    const done = new Map<string, number>();
    fc.assert(
      fc.property(
        anyPlan.chain((plan) => fc.tuple(fc.constant(plan), commandsFor(plan))),
        ([plan, command]) => {
          const before = written(plan);
          const there = applyCommand(plan, command);
          expect(isDeepStrictEqual(written(plan), before)).toBe(true);
          if (!there.ok) {
            expect(there.because).toMatch(/\.$/);
            return;
          }
          const back = applyCommands(there.plan, there.inverse);
          if (!back.ok) throw new Error(`${command.do} cannot be taken back: ${back.because}`);
          // printed in full only where it differs
          if (!isDeepStrictEqual(written(back.plan), before)) expect(written(back.plan)).toEqual(before);
          done.set(command.do, (done.get(command.do) ?? 0) + 1);
        },
      ),
      { numRuns: 800 },
    );
    // each kind of command was really done and undone
    const kinds = Command.options.map((option) => option.shape.do.value);
    for (const kind of kinds) expect(done.get(kind) ?? 0, kind).toBeGreaterThan(0);
  });

  it("redone after being undone gives what it gave", () => {
    fc.assert(
      fc.property(
        anyPlan.chain((plan) =>
          fc.tuple(fc.constant(plan), fc.array(commandsFor(plan), { minLength: 1, maxLength: 4 })),
        ),
        ([plan, commands]) => {
          const there = applyCommands(plan, commands);
          if (!there.ok) return;
          const back = applyCommands(there.plan, there.inverse);
          if (!back.ok) throw new Error(back.because);
          const again = applyCommands(back.plan, commands);
          if (!again.ok) throw new Error(again.because);
          expect(written(again.plan)).toEqual(written(there.plan));
        },
      ),
      { numRuns: 150 },
    );
  });

  it("and its inverse can be written down and read again", () => {
    fc.assert(
      fc.property(
        anyPlan.chain((plan) => fc.tuple(fc.constant(plan), commandsFor(plan))),
        ([plan, command]) => {
          const there = applyCommand(plan, command);
          if (!there.ok) return;
          for (const inverse of there.inverse) {
            const read = Command.safeParse(JSON.parse(JSON.stringify(inverse)));
            expect(read.success, JSON.stringify(read.error?.issues)).toBe(true);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe("an edit that cannot be done says why and changes nothing", () => {
  it.each<[string, Command, RegExp]>([
    ["a step that is gone", { do: "remove step", crustId: "c1", stepId: "nobody" }, /no longer in the crust/],
    ["a crust that is gone", { do: "remove step", crustId: "nobody", stepId: "s1" }, /crust is no longer in the plan/],
    ["a place that is not there", { do: "move step", crustId: "c1", stepId: "s1", to: 3 }, /does not exist/],
    ["a step put in twice", { do: "insert step", crustId: "c1", at: 0, step: newStep("s1") }, /already in the crust/],
    ["a step past the top", { do: "insert step", crustId: "c1", at: 9, step: newStep("s9") }, /does not exist/],
    ["a crust that still lies on a zone", { do: "remove crust", crustId: "c1" }, /still used on Panel/],
    [
      "a zone on no crust",
      { do: "patch zone", zoneId: "z1", patch: { crustId: "nobody" } },
      /This crust is not in the plan/,
    ],
    ["a zone that is gone", { do: "patch zone", zoneId: "nobody", patch: {} }, /zone is no longer/],
    ["a piece that is gone", { do: "rename piece", pieceId: "nobody", name: "X" }, /piece is no longer/],
    ["a material that is not pinned", { do: "unpin material", materialId: "moon-dust" }, /not in the plan/],
  ])("%s", (_what, command, says) => {
    const plan = plain();
    const done = applyCommand(plan, command);
    expect(done).toMatchObject({ ok: false });
    expect(done.ok ? "" : done.because).toMatch(says);
    expect(plan).toEqual(plain());
  });

  it("all of several commands are done, or none", () => {
    const plan = plain();
    const done = applyCommands(plan, [
      { do: "rename crust", crustId: "c1", name: "Half done" },
      { do: "remove step", crustId: "c1", stepId: "nobody" },
    ]);
    expect(done.ok).toBe(false);
    expect(plan).toEqual(plain());
  });

  it("the 81st step, the 41st zone and the 13th piece", () => {
    let plan = plain();
    for (let count = plan.crusts[0]!.steps.length; count < LIMITS.steps; count++) {
      const done = applyCommand(plan, { do: "insert step", crustId: "c1", at: 0, step: newStep(`n${count}`) });
      if (!done.ok) throw new Error(done.because);
      plan = done.plan;
    }
    const more = applyCommand(plan, { do: "insert step", crustId: "c1", at: 0, step: newStep("more") });
    expect(more).toMatchObject({ ok: false, because: "A crust holds 80 steps at most." });

    const zone = plan.pieces[0]!.zones[0]!;
    const full = {
      ...plan,
      pieces: [
        {
          ...plan.pieces[0]!,
          zones: Array.from({ length: LIMITS.zones }, (_, index) => ({ ...zone, id: `z${index}` })),
        },
      ],
    };
    expect(
      applyCommand(full, { do: "insert zone", pieceId: "p1", at: 0, zone: { ...zone, id: "more" } }),
    ).toMatchObject({ ok: false, because: "A plan holds 40 zones at most." });
    const pieces = {
      ...plan,
      pieces: Array.from({ length: LIMITS.pieces }, (_, index) => ({ id: `p${index}`, name: "P", zones: [] })),
    };
    expect(
      applyCommand(pieces, { do: "insert piece", at: 0, piece: { id: "more", name: "More", zones: [] } }),
    ).toMatchObject({ ok: false, because: "A plan holds 12 pieces at most." });
  });
});

describe("what an edit leaves alone it shares", () => {
  it("untouched crusts and pieces are the same objects, so that judging can tell", () => {
    const plan = plain();
    const done = applyCommand(plan, { do: "patch step", crustId: "c1", stepId: "s1", patch: { coats: 2 } });
    if (!done.ok) throw new Error(done.because);
    expect(done.plan.pieces).toBe(plan.pieces);
    expect(done.plan.crusts[0]!.steps[1]).toBe(plan.crusts[0]!.steps[1]);
    expect(done.plan.crusts[0]!.steps[0]).not.toBe(plan.crusts[0]!.steps[0]);
  });
});
