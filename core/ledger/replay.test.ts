import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lineAt, planOf } from "../../tests/ledger-lines";
import { readWallTime } from "../units/wall-time.ts";
import { LedgerEvent, type WorkRef } from "./event.ts";
import { replay } from "./replay.ts";
import { withLedger } from "./with-ledger.ts";

const plan = planOf([
  ["scuff"],
  ["brush", "chalk-slate", { coats: 2 }],
  ["brush", "chalk-bone-white"],
  ["wax", "wax-clear"],
]);
const on = (phaseId: string): WorkRef[] => [{ zoneId: "z1", phaseId }];
const at = (minutes: number) => (readWallTime(plan.start)! + minutes) * 60_000;

describe("what was written down at the bench", () => {
  it("a coat has its beginning, its end and whose hands it was", () => {
    const { work } = replay([
      lineAt(plan, "start", 0, on("s1"), { by: "First painter" }),
      lineAt(plan, "end", 24, on("s1"), {}),
    ]);
    expect(work.get("z1 s1")).toMatchObject({ begun: at(0), ended: at(24), by: "First painter" });
  });

  it("two devices log the same step: the first counts, the second stays in sight with a word", () => {
    const state = replay([
      lineAt(plan, "end", 30, on("s1"), { device: "phone" }),
      lineAt(plan, "end", 24, on("s1"), { device: "tablet" }),
    ]);
    expect(state.work.get("z1 s1")!.ended).toBe(at(24));
    expect(state.lines.map(({ remark }) => remark)).toEqual([null, "done already at 09:24"]);
  });

  it("a line handed in twice counts once", () => {
    const end = lineAt(plan, "end", 24, on("s1"), {});
    expect(replay([end, end, { ...end }])).toEqual(replay([end]));
  });

  it("a correction is a line of its own: the first one stays, the last word counts", () => {
    const end = lineAt(plan, "end", 90, on("s1"), {});
    const state = replay([
      end,
      lineAt(plan, "correction", 100, [], { corrects: end.id, when: at(60), why: "wrote it down after lunch" }),
      lineAt(plan, "correction", 110, [], { corrects: end.id, when: at(50) }),
    ]);
    expect(state.work.get("z1 s1")!.ended).toBe(at(50));
    expect(state.lines[0]!.first).toEqual(end);
    expect(state.lines[0]!.corrections).toHaveLength(2);
  });

  it("what did not happen is struck, and can happen after all", () => {
    const end = lineAt(plan, "end", 24, on("s1"), {});
    const struck = lineAt(plan, "correction", 30, [], { corrects: end.id, withdrawn: true });
    expect(replay([end, struck]).work.size).toBe(0);
    expect(replay([end, struck]).lines[0]!.withdrawn).toBe(true);
    const after = lineAt(plan, "correction", 40, [], { corrects: end.id, withdrawn: false });
    expect(replay([end, struck, after]).work.get("z1 s1")!.ended).toBe(at(24));
  });

  it("sections of a go are counted through", () => {
    const section = (n: number, minutes: number) => lineAt(plan, "section", minutes, on("s2/1"), { section: n, of: 3 });
    const { work } = replay([section(1, 0), section(2, 9), section(2, 9.1)]);
    expect(work.get("z1 s2/1")!.section).toEqual({ through: 2, of: 3 });
    expect(work.get("z1 s2/1")!.ended).toBe(null);
  });
});

describe("what the ledger makes of the plan", () => {
  const doneOf = (...events: LedgerEvent[]) => withLedger(plan, replay(events)).done;

  it("done before it was begun, or left running overnight, it took as long as planned", () => {
    const wrongWay = doneOf(lineAt(plan, "start", 60, on("s1"), {}), lineAt(plan, "end", 30, on("s1"), {}));
    const overnight = doneOf(lineAt(plan, "start", 0, on("s1"), {}), lineAt(plan, "end", 60 * 26, on("s1"), {}));
    for (const done of [wrongWay, overnight]) {
      const took = readWallTime(done![0]!.ends)! - readWallTime(done![0]!.starts)!;
      expect(took).toBeGreaterThan(0);
      expect(took).toBeLessThan(60);
    }
  });

  it("what is only begun is not done", () => {
    expect(doneOf(lineAt(plan, "start", 0, on("s1"), {}))).toBeUndefined();
  });

  it("a coat that the plan does not have is left out and stays in the ledger", () => {
    const gone = lineAt(plan, "end", 5, on("s9"), {});
    expect(doneOf(gone)).toBeUndefined();
    expect(replay([gone]).lines).toHaveLength(1);
  });

  it("what was marked as done before there was a ledger stays", () => {
    const marked = { ...plan, done: [{ zoneId: "z1", phaseId: "s1", starts: plan.start, ends: "2026-11-30T09:20" }] };
    const state = replay([lineAt(plan, "end", 90, on("s2/1"), {})]);
    expect(withLedger(marked, state).done!.map(({ phaseId }) => phaseId)).toEqual(["s1", "s2/1"]);
    // taken back in the ledger, it is not done any more
    const end = lineAt(plan, "end", 20, on("s1"), {});
    const struck = lineAt(plan, "correction", 30, [], { corrects: end.id, withdrawn: true });
    expect(withLedger(marked, replay([end, struck])).done).toBeUndefined();
  });
});

const place = fc.constantFrom(...["s1", "s2/1", "s2/2", "s3", "s4"].map((phaseId) => ({ zoneId: "z1", phaseId })));
const base = {
  at: fc.integer({ min: at(-600), max: at(6000) }),
  offset: fc.constant(0),
  on: fc.array(place, { maxLength: 2 }),
};
const anyLine = fc.oneof(
  fc.record({ ...base, kind: fc.constantFrom("start" as const, "end" as const) }),
  fc.record({
    ...base,
    kind: fc.constant("section" as const),
    section: fc.integer({ min: 1, max: 3 }),
    of: fc.constant(3),
  }),
  fc.record({
    ...base,
    kind: fc.constant("sign" as const),
    stage: fc.constantFrom("recoat" as const, "touch" as const, "buff" as const),
    seen: fc.boolean(),
  }),
  fc.record({ ...base, kind: fc.constant("note" as const), text: fc.constantFrom("matt", "milky", "runs") }),
  fc.record({
    ...base,
    kind: fc.constant("correction" as const),
    corrects: fc.integer({ min: 0, max: 30 }).map((n) => `id${n}`),
    withdrawn: fc.option(fc.boolean(), { nil: undefined }),
    when: fc.option(fc.integer({ min: at(-600), max: at(6000) }), { nil: undefined }),
  }),
);
const ledgers = fc
  .array(anyLine, { maxLength: 30 })
  .map((lines) => lines.map((line, n) => LedgerEvent.parse({ ...line, id: `id${n}` })));

describe("any ledger", () => {
  it("gives the same state in any order of arrival, however often a line arrives", () => {
    fc.assert(
      fc.property(ledgers, fc.infiniteStream(fc.nat()), (events, order) => {
        const keyed = events.map((event) => ({ event, key: order.next().value as number }));
        const shuffled = keyed.sort((a, b) => a.key - b.key).map(({ event }) => event);
        const twice = [...shuffled, ...events.filter((_, n) => n % 3 === 0)];
        expect(replay(twice)).toEqual(replay(events));
      }),
      { numRuns: 400 },
    );
  });

  it("keeps every line but corrections, in the order in which it happened", () => {
    fc.assert(
      fc.property(ledgers, (events) => {
        const { lines } = replay(events);
        expect(lines).toHaveLength(events.filter(({ kind }) => kind !== "correction").length);
        const times = lines.map(({ event }) => event.at);
        expect(times).toEqual([...times].sort((a, b) => a - b));
      }),
    );
  });

  it("gives a plan that can be judged, with no work that ends before it begins", () => {
    fc.assert(
      fc.property(ledgers, (events) => {
        for (const { starts, ends } of withLedger(plan, replay(events)).done ?? [])
          expect(readWallTime(ends)!).toBeGreaterThanOrEqual(readWallTime(starts)!);
      }),
      { numRuns: 60 },
    );
  });
});
