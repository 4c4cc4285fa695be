import { describe, expect, it } from "vitest";
import { lineAt, planOf } from "../../tests/ledger-lines";
import { applyCommands } from "../edit/apply.ts";
import { judge, judgeZones } from "../judge/judge.ts";
import { findCrust, findZone, type Plan } from "../plan/plan.ts";
import { DEFAULT_SHOP } from "../plan/shop.ts";
import { fittedIn, workOf } from "../schedule/plan-of-work.ts";
import type { PotOnShelf } from "../shelf/stock.ts";
import { TECHNIQUES } from "../surface/techniques.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { benchOf, opensOf, shutsOf } from "./bench.ts";
import { changeWords } from "./change-words.ts";
import { countdownsFor } from "./countdown.ts";
import { type LedgerEvent, TROUBLES, type WorkRef } from "./event.ts";
import { find } from "./find.ts";
import { ownCrust } from "./own-crust.ts";
import { planFromRecipe, recipeOf, scaleOf } from "./recipe.ts";
import { replay } from "./replay.ts";
import { likelyTroubles, waysOn } from "./trouble.ts";
import { usedFor } from "./used.ts";
import { withLedger } from "./with-ledger.ts";

const glazed = planOf(
  [
    ["scuff"],
    ["brush", "mineral-storm"],
    ["brush", "glaze-clear"],
    ["brush", "glaze-umber"],
    ["wipe-back"],
    ["brush", "clear-coat-matt"],
  ],
  { ground: "old paint", groundIs: { lead: "none found" } },
);
const crackled = planOf([
  ["brush", "mineral-storm"],
  ["brush", "crackle-medium"],
  ["brush", "mineral-oyster"],
]);
const on = (phaseId: string): WorkRef[] => [{ zoneId: "z1", phaseId }];
const startOf = (plan: Plan) => readWallTime(plan.start)!;

const bookingsOf = (plan: Plan) => fittedIn(workOf(plan, DEFAULT_SHOP), {}).bookings;
const benchAt = (plan: Plan, minutes: number, events: LedgerEvent[], bookings = bookingsOf(plan)) => {
  const state = replay(events);
  return benchOf([{ plan: withLedger(plan, state), state, bookings }], startOf(plan) + minutes);
};
const done = (plan: Plan, phaseId: string, minutes: number) => lineAt(plan, "end", minutes, on(phaseId), {});

describe("the bench", () => {
  it("shows the first step, then what comes after what was done", () => {
    expect(benchAt(glazed, 0, []).next[0]).toMatchObject({ phaseId: "s1", isNext: true, begun: null });
    expect(benchAt(glazed, 30, [done(glazed, "s1", 20)]).next[0]!.phaseId).toBe("s2");
  });

  it("what was begun is in hand until it is done", () => {
    const begun = lineAt(glazed, "start", 5, on("s1"), { by: "Second painter" });
    const { inHand, next } = benchAt(glazed, 10, [begun]);
    expect(inHand.map(({ phaseId, by }) => [phaseId, by])).toEqual([["s1", "Second painter"]]);
    expect(next.every(({ phaseId }) => phaseId !== "s1")).toBe(true);
  });

  it("what dries has a countdown from when it was really laid, the same on every device and after any reload", () => {
    const events = [done(glazed, "s1", 20), done(glazed, "s2", 50)];
    const first = benchAt(glazed, 55, events).drying;
    const later = benchAt(glazed, 90, [...events].reverse()).drying;
    expect(first[0]!.countdown.film).toMatch(/storm/i);
    expect(later.map(({ countdown }) => countdown.opens)).toEqual(first.map(({ countdown }) => countdown.opens));
    const tenLater = benchAt(glazed, 65, [done(glazed, "s1", 20), done(glazed, "s2", 60)]).drying;
    expect(tenLater[0]!.countdown.opens).toBe(first[0]!.countdown.opens + 10);
  });

  it("a glaze that was laid has a window, and what has to be done in it comes first", () => {
    const events = ["s1", "s2", "s3", "s4"].map((id, index) => done(glazed, id, index * 400));
    const bench = benchAt(glazed, 1205, events);
    const [wipe] = bench.next;
    expect(wipe!.phaseId).toBe("s5");
    expect(shutsOf(wipe!)).not.toBe(null);
    expect(shutsOf(wipe!)!).toBeGreaterThan(startOf(glazed) + 1200);
    expect(shutsOf(wipe!)!).toBeLessThan(startOf(glazed) + 1300);
  });

  it("still tacky: ten more minutes move the gate, and the sign seen opens it before its time", () => {
    const laid = [done(glazed, "s1", 20), done(glazed, "s2", 50)];
    const opens = opensOf(benchAt(glazed, 60, laid).next.find(({ phaseId }) => phaseId === "s3")!);
    const minutes = opens - startOf(glazed);
    const asked = (seen: boolean, index: number, more?: number) =>
      lineAt(glazed, "sign", index, on("s2"), { stage: "recoat", seen, ...(more ? { more } : {}) });
    const opensAfter = (...events: LedgerEvent[]) =>
      opensOf(benchAt(glazed, 60, [...laid, ...events]).next.find(({ phaseId }) => phaseId === "s3")!);
    expect(opensAfter(asked(false, minutes, 10))).toBe(opens + 10);
    expect(opensAfter(asked(true, minutes - 30))).toBe(opens - 30);
    // seen after all: the last word counts
    expect(opensAfter(asked(false, minutes - 20, 60), asked(true, minutes - 5))).toBe(opens - 5);
  });

  it("whatever is laid, taken off or prepared by hand names its tool, so that a new technique cannot leave it out", () => {
    const worked = TECHNIQUES.filter(({ kind, hands }) => hands && ["coat", "take", "prepare"].includes(kind));
    expect(worked.filter(({ bench }) => bench.tool === null).map(({ id }) => id)).toEqual([]);
  });

  it("without a schedule every zone still has its next step", () => {
    expect(benchAt(glazed, 0, [], []).next.map(({ phaseId }) => phaseId)).toEqual(["s1"]);
  });

  it("a card has what to do it with, what is normal and what to stop at, and the cautions where the hazard arises", () => {
    const card = benchAt(crackled, 0, []).next[0]!.card;
    expect(card.tool).toBe("Flat brush");
    expect(card.stop.length).toBeGreaterThan(0);
    expect(benchAt(glazed, 0, []).next[0]!.card.cautions.map(({ danger }) => danger)).toContain("dust");
    const cracks = benchAt(crackled, 500, [done(crackled, "s1", 20), done(crackled, "s2", 400)]).next[0]!;
    expect(cracks.card.normal.join(" ")).toMatch(/hair lines/i);
    expect(cracks.countdowns[0]!.question!.asks).toMatch(/milky with hair lines/);
  });
});

describe("the real line", () => {
  it("work that was done stands where it was, and what comes next waits from there", () => {
    const late = withLedger(glazed, replay([done(glazed, "s1", 2000)]));
    const [first, second] = judge(late).zones[0]!.phases;
    expect(first!.ends).toBe(2000);
    expect(second!.starts).toBeGreaterThanOrEqual(2000);
  });

  it("a coat laid too early is said so; with its sign seen it was no matter", () => {
    const events = [done(glazed, "s1", 10), done(glazed, "s2", 40), done(glazed, "s3", 60)];
    const early = judge(withLedger(glazed, replay(events))).zones[0]!.findings.filter(({ stepId }) => stepId === "s3");
    expect(early.some(({ severity }) => severity !== "note")).toBe(true);
    const sign = lineAt(glazed, "sign", 41, on("s2"), { stage: "through", seen: true });
    const told = judge(withLedger(glazed, replay([...events, sign]))).zones[0]!.findings;
    const bad = (list: typeof told) =>
      list.filter(({ stepId, severity }) => stepId === "s3" && severity !== "note").length;
    expect(bad(told)).toBeLessThan(bad(early));
  });

  it("done in another order, the surface is as it was really laid", () => {
    const plan = planOf([
      ["brush", "chalk-slate"],
      ["brush", "chalk-bone-white"],
    ]);
    const turned = withLedger(plan, replay([done(plan, "s2", 100), done(plan, "s1", 600)]));
    const { phases, after } = judge(turned).zones[0]!;
    expect(phases.map(({ phase }) => phase.id)).toEqual(["s2", "s1"]);
    expect(after.patches.field[0]!.stack!.film.phaseId).toBe("s1");
  });

  it("judging again after an edit above what was done gives what judging from the ground gives", () => {
    const base = withLedger(glazed, replay([done(glazed, "s1", 10), done(glazed, "s2", 200)]));
    const before = judge(base);
    const edit = applyCommands(base, [{ do: "patch step", crustId: "c1", stepId: "s6", patch: { coats: 2 } }]);
    if (!edit.ok) throw new Error(edit.because);
    const shown = ({ zones }: ReturnType<typeof judge>) =>
      zones.map(({ phases, findings }) => [
        phases.map(({ starts, ends }) => [starts, ends]),
        findings.map(({ id }) => id),
      ]);
    expect(shown(judge(edit.plan, { previous: before }))).toEqual(shown(judge(edit.plan)));
  });

  it("with a time of day, nothing that is still to do begins before it", () => {
    const base = withLedger(glazed, replay([done(glazed, "s1", 10)]));
    const now = startOf(base) + 5000;
    const [first, ...others] = judgeZones(base, { now })[0]!.phases;
    expect(first!.ends).toBe(10);
    for (const { starts } of others) expect(starts).toBeGreaterThanOrEqual(5000);
  });

  it("the schedule keeps what was done and plans the rest after it", () => {
    const base = withLedger(glazed, replay([done(glazed, "s1", 10), done(glazed, "s2", 45)]));
    const { bookings } = fittedIn(workOf(base, DEFAULT_SHOP), {});
    const real = bookings.filter((booking) => booking.done);
    expect(real.map(({ phaseId }) => phaseId).sort()).toEqual(["s1", "s2"]);
    expect(sayWallTime(real.find(({ phaseId }) => phaseId === "s2")!.ends)).toBe("2026-11-30T09:45");
    for (const one of bookings.filter((booking) => !booking.done && booking.kind === "zone"))
      expect(one.starts).toBeGreaterThanOrEqual(startOf(base) + 45);
  });
});

describe("the next working day", () => {
  it("is the one after the shop's own midnight, in steady air as in any other", () => {
    // the coat before is done at one in the morning of the second day: the third is the next
    const plan = planOf([
      ["brush", "chalk-slate"],
      ["brush", "chalk-bone-white", { wait: { kind: "next working day" } }],
    ]);
    const night = 16 * 60;
    const late = withLedger(plan, replay([done(plan, "s1", night)]));
    const [first, second] = judge(late).zones[0]!.phases;
    expect(sayWallTime(startOf(plan) + first!.ends)).toBe("2026-12-01T01:00");
    expect(sayWallTime(startOf(plan) + second!.starts)).toBe("2026-12-02T09:00");
  });
});

describe("no edit changes what was done", () => {
  const base = withLedger(glazed, replay([done(glazed, "s1", 10), done(glazed, "s2", 45)]));
  it.each([
    ["removing it", { do: "remove step", crustId: "c1", stepId: "s2" }],
    ["another material", { do: "patch step", crustId: "c1", stepId: "s2", patch: { what: "mineral-oyster" } }],
    ["moving it over another that was done", { do: "move step", crustId: "c1", stepId: "s2", to: 0 }],
    [
      "something under it",
      {
        do: "insert step",
        crustId: "c1",
        at: 1,
        step: { id: "new", kind: "help", how: "tack-off", where: { on: "everywhere", over: 1 }, coats: 1, intents: [] },
      },
    ],
    ["leaving it out here", { do: "patch zone", zoneId: "z1", patch: { overrides: [{ stepId: "s2", skip: true }] } }],
  ] as const)("%s is refused with a sentence", (_what, command) => {
    const edit = applyCommands(base, [command as never]);
    expect(edit.ok ? "" : edit.because).toMatch(/done|on already/);
  });

  it("what lies ahead, notes and further coats stay free", () => {
    for (const command of [
      { do: "remove step", crustId: "c1", stepId: "s6" },
      { do: "patch step", crustId: "c1", stepId: "s2", patch: { note: "two thin ones" } },
      { do: "patch step", crustId: "c1", stepId: "s2", patch: { coats: 2 } },
      { do: "move step", crustId: "c1", stepId: "s6", to: 2 },
    ])
      expect(applyCommands(base, [command as never])).toMatchObject({ ok: true });
  });

  it("fewer coats than are on already are refused", () => {
    const two = applyCommands(glazed, [{ do: "patch step", crustId: "c1", stepId: "s2", patch: { coats: 2 } }]);
    if (!two.ok) throw new Error(two.because);
    const both = withLedger(two.plan, replay([done(glazed, "s2/1", 45), done(glazed, "s2/2", 300)]));
    const applied = applyCommands(both, [{ do: "patch step", crustId: "c1", stepId: "s2", patch: { coats: 1 } }]);
    expect(applied.ok ? "" : applied.because).toMatch(/2 coats .* on already/);
  });
});

describe("trouble at the bench", () => {
  const events = ["s1", "s2", "s3", "s4"].map((id, index) => done(glazed, id, index * 400));
  const base = withLedger(glazed, replay(events));
  const ways = (trouble: (typeof TROUBLES)[number], minutes: number, phaseId = "s4") =>
    waysOn(base, { zoneIds: ["z1"], phaseId, trouble, now: startOf(base) + minutes });

  it("every trouble has a way on, and none of them ends in a new stop", () => {
    const stops = (plan: Plan) =>
      judgeZones(plan, { now: startOf(base) + 1203 })[0]!.findings.filter(({ severity }) => severity === "stop").length;
    for (const trouble of TROUBLES) {
      const found = ways(trouble, 1203);
      expect(found.length, trouble).toBeGreaterThan(0);
      for (const { commands, label } of found) {
        if (commands.length === 0) continue;
        const edit = applyCommands(base, commands);
        expect(edit, `${trouble}: ${label}`).toMatchObject({ ok: true });
        if (edit.ok) expect(stops(edit.plan), `${trouble}: ${label}`).toBeLessThanOrEqual(stops(base));
      }
    }
  });

  it("a glaze can be wiped back while it is open, and not the next day", () => {
    expect(ways("too dark", 1203).map(({ id }) => id)).toContain("wipe");
    expect(ways("too dark", 1203 + 1440).map(({ id }) => id)).not.toContain("wipe");
  });

  it("another coat costs its own time, and of paint its wait besides; what is on already stays done", () => {
    const glaze = ways("too pale", 1203).find(({ id }) => id === "once-more")!;
    expect(glaze.costs).toBeGreaterThan(10);
    const painted = withLedger(glazed, replay(events.slice(0, 2)));
    const [place] = painted.done!.slice(-1);
    const now = startOf(painted) + 403;
    const paint = waysOn(painted, { zoneIds: ["z1"], phaseId: place!.phaseId, trouble: "too pale", now }).find(
      ({ id }) => id === "once-more",
    )!;
    expect(paint.costs).toBeGreaterThan(glaze.costs + 20);
    const again = applyCommands(painted, paint.commands);
    if (!again.ok) throw new Error(again.because);
    expect(again.plan.done).toHaveLength(painted.done!.length);
    // and the ledger, which speaks of the one coat that there was then, agrees
    expect(withLedger(again.plan, replay(events.slice(0, 2))).done).toEqual(again.plan.done);
  });

  it("the likely ones fit what was laid", () => {
    expect(likelyTroubles({ role: "glaze", family: "tinted glaze" }, "brush")[0]).toBe("too dark");
    expect(likelyTroubles(null, "wet-distress")).toContain("took off too much");
    expect(likelyTroubles({ role: "tissue", family: "printed tissue" }, "lay-tissue")).toContain("torn tissue");
  });

  it("on a crust that other zones share, only its own zone goes another way", () => {
    const [piece] = base.pieces;
    const shared = {
      ...base,
      pieces: [{ ...piece!, zones: [...piece!.zones, { ...piece!.zones[0]!, id: "z2", name: "Lid" }] }],
    };
    const [way] = waysOn(shared, {
      zoneIds: ["z1"],
      phaseId: "s4",
      trouble: "lifted",
      now: startOf(base) + 1203,
    }).filter(({ commands }) => commands.length > 0);
    const edit = applyCommands(shared, way!.commands);
    if (!edit.ok) throw new Error(edit.because);
    const crustOf = (id: string) => findCrust(edit.plan, findZone(edit.plan, id)!.crustId)!;
    expect(crustOf("z2").steps).toEqual(findCrust(base, "c1")!.steps);
    expect(crustOf("z1").steps.length).toBe(crustOf("z2").steps.length + 1);
    expect(edit.plan.done).toEqual(shared.done);
    expect(ownCrust(edit.plan, ["z1"])).toMatchObject({ commands: [] });
  });
});

describe("what the ledger says a line changed", () => {
  it("two hours later, because the coat was still tacky", () => {
    const laid = [done(glazed, "s1", 20), done(glazed, "s2", 50)];
    const before = withLedger(glazed, replay(laid));
    const sign = lineAt(glazed, "sign", 170, on("s2"), { stage: "recoat", seen: false, more: 120 });
    const after = withLedger(glazed, replay([...laid, sign]));
    expect(changeWords(before, after, sign)).toMatch(/later, because .* was still tacky after 2 h/);
    expect(changeWords(before, before, sign)).toBe(null);
  });
});

describe("countdowns", () => {
  it("a film without what waits for it has none", () => {
    const plan = planOf([["brush", "chalk-slate"]]);
    const { zones } = judge(plan);
    expect(
      countdownsFor(zones[0]!, zones[0]!.phases[0]!, new Map(), { start: startOf(plan), now: startOf(plan) }),
    ).toEqual([]);
  });
});

describe("the record that outlives the job", () => {
  const events = [
    done(glazed, "s1", 10),
    done(glazed, "s2", 45),
    lineAt(glazed, "trouble", 50, on("s2"), { trouble: "runs", way: "Brush it out now", text: "left edge" }),
    done(glazed, "s3", 300),
    lineAt(glazed, "note", 310, [], { text: "the client liked it milky" }),
  ];
  const state = replay(events);
  const base = withLedger(glazed, state);

  it("a recipe tells how long each coat took and stood, and what went wrong", () => {
    const recipe = recipeOf(base, "z1", state)!;
    const storm = recipe.steps.find(({ phaseId }) => phaseId === "s2")!;
    expect(storm.done).toBe(true);
    expect(storm.stood).toBeGreaterThan(200);
    expect(storm.remarks).toEqual(["Runs and drips: brush it out now. left edge"]);
  });

  it("made again on another ground, it is judged there, with what happened as notes", () => {
    const recipe = recipeOf(base, "z1", state)!;
    const shape = { kind: "panel" as const, width: 500, height: 500, count: 1 };
    const wanted = {
      id: "again",
      title: "Again",
      piece: "Door",
      start: base.start,
      ground: "raw timber" as const,
      shape,
    };
    const made = planFromRecipe(base, recipe, wanted);
    expect(made.done).toBeUndefined();
    expect(made.crusts[0]!.steps.find(({ id }) => id === "s2")!.note).toMatch(/Runs and drips/);
    const rules = (plan: Plan) => judge(plan).zones[0]!.findings.map(({ rule, severity }) => `${rule} ${severity}`);
    expect(rules(made)).not.toEqual(rules(glazed));
    expect(scaleOf(base, "z1", { shape })).toBeCloseTo(0.5);
  });

  it("found by material, by colour, by client and by what went wrong", () => {
    const jobs = [{ plan: { ...base, client: "Museum" }, events }];
    const storm = base.pinned.materials.find(({ id }) => id === "mineral-storm")!;
    expect(find("storm", jobs)[0]).toMatchObject({ what: storm.name, planId: "example" });
    expect(find(storm.colour, jobs)[0]).toMatchObject({ colour: storm.colour, distance: 0 });
    expect(find("museum", jobs).length).toBeGreaterThan(0);
    expect(find("runs", jobs)[0]).toMatchObject({ what: "left edge" });
    expect(find("milky", jobs).map(({ lineId }) => lineId)).toContain(events[4]!.id);
    expect(find("#ff00ff", jobs)).toEqual([]);
    expect(find("   ", jobs)).toEqual([]);
  });
});

describe("what finished work takes off the shelf", () => {
  const end = done(glazed, "s2", 45);
  const pot = (id: string, amount: number, opened: string | null): PotOnShelf => ({
    id,
    goodId: "mineral-storm",
    amount,
    held: 500,
    place: null,
    condition: opened ? "good" : "sealed",
    opened,
    bought: null,
    counted: null,
    paid: null,
    supplierId: null,
  });

  it("the planned amount from the open tin first, the rest from the next, the same ids every time", () => {
    const pots = [pot("sealed", 500, null), pot("open", 10, "2026-11-01")];
    const movements = usedFor(glazed, end, replay([end]), pots);
    expect(movements.map((movement) => movement.potId)).toEqual(["open", "sealed"]);
    expect(movements[0]).toMatchObject({ does: "used", amount: 10, planId: "example" });
    expect(usedFor(glazed, end, replay([end]), pots)).toEqual(movements);
  });

  it("what was measured counts in place of what was planned", () => {
    const amount = lineAt(glazed, "amount", 44, on("s2"), { materialId: "mineral-storm", amount: 77, unit: "ml" });
    const [used] = usedFor(glazed, end, replay([amount, end]), [pot("open", 500, "2026-11-01")]);
    expect(used).toMatchObject({ amount: 77 });
  });

  it("what the shelf does not have is not booked", () => {
    expect(usedFor(glazed, end, replay([end]), [])).toEqual([]);
  });
});
