import { describe, expect, it } from "vitest";
import { type Bench, type BenchTask, benchOf } from "#core/ledger/bench";
import { TROUBLES } from "#core/ledger/event";
import { replay } from "#core/ledger/replay";
import { signQuestion } from "#core/ledger/sign-words";
import { TROUBLE_WORDS } from "#core/ledger/trouble";
import { withLedger } from "#core/ledger/with-ledger";
import { SIGN_STAGES } from "#core/plan/plan";
import { readWallTime } from "#core/units/wall-time";
import { lineAt, planOf } from "../../tests/ledger-lines";
import { sayCountdown } from "./ring";
import { pressing, readOut, ringOf, sayAt, whenWords } from "./task-words";
import { warningsOf } from "./warnings";

const plan = planOf([["brush", "mineral-storm"], ["brush", "glaze-clear"], ["brush", "glaze-umber"], ["wipe-back"]]);
const start = readWallTime(plan.start)!;
const on = (phaseId: string) => [{ zoneId: "z1", phaseId }];
const laid = ["s1", "s2", "s3"].map((id, index) => lineAt(plan, "end", index * 400, on(id), {}));

function benchAt(minutes: number, more: Parameters<typeof replay>[0] = [], count = laid.length): Bench {
  const state = replay([...laid.slice(0, count), ...more]);
  return benchOf([{ plan: withLedger(plan, state), state, bookings: [] }], start + Math.floor(minutes));
}
const ms = (minutes: number) => (start + minutes) * 60_000;
const ring = (task: BenchTask, minutes: number) => ringOf(task, start + minutes, ms(minutes));

describe("a countdown as it is read", () => {
  it.each([
    [11.34, "11:20"],
    [0.5, "0:30"],
    [-3, "0:00"],
    [59.99, "59:59"],
    [185, "3 h 05"],
    [60 * 24 * 2, "2 days"],
  ])("%s minutes are %s", (minutes, says) => expect(sayCountdown(minutes)).toBe(says));

  it("a time of another day has its day", () => {
    expect(sayAt(start + 30, start)).toBe("09:30");
    expect(sayAt(start + 1440, start)).toBe("Tue 09:00");
  });
});

describe("the ring", () => {
  it("a coat that dries: it opens in so long, and the ring empties", () => {
    const waiting = benchAt(410, [], 1);
    const [task] = waiting.next;
    const early = { ...task!, countdowns: task!.countdowns.map((countdown) => ({ ...countdown, opens: start + 430 })) };
    const first = ring(early, 410)!;
    expect(first).toMatchObject({ above: "opens in", figure: "20:00" });
    expect(ring(early, 420)!.left).toBeLessThan(first.left);
    expect(whenWords(early, start + 410)).toMatch(/^not before/);
  });

  it("a window that is open shuts in so long; near its end it presses, after it it is shut", () => {
    const [task] = benchAt(805).next;
    expect(task!.phaseId).toBe("s4");
    const { shuts } = pressing(task!, start + 805)!;
    const end = shuts! - start;
    expect(ring(task!, 805)).toMatchObject({ above: "gate shuts in", presses: "no" });
    expect(ring(task!, end - 2)).toMatchObject({ presses: "soon", figure: "2:00" });
    expect(ring(task!, end + 3)).toMatchObject({ above: "shut since", presses: "shut" });
    expect(whenWords(task!, start + 805)).toBe("ready now");
  });

  it("what is in hand shows for how long, and what has not been begun shows nothing", () => {
    const begun = benchAt(12, [lineAt(plan, "start", 10, on("s1"), {})], 0);
    expect(ring(begun.inHand[0]!, 12)).toMatchObject({ above: "in hand for", figure: "2:00" });
    expect(ring(benchAt(12, [], 0).next[0]!, 12)).toBe(null);
  });
});

describe("warnings", () => {
  const [task] = benchAt(805).next;
  const end = pressing(task!, start + 805)!.shuts! - start;
  const warned = (minutes: number) => warningsOf(benchAt(805), start + minutes);

  it("come within five minutes of the end, once for a window, and stop when it has shut", () => {
    expect(warned(end - 20)).toEqual([]);
    expect(warned(end - 4)).toHaveLength(1);
    expect(warned(end - 4)[0]!.says).toMatch(/Wipe back, panel: the window shuts in 4 min/);
    expect(warned(end + 0.5)[0]!.says).toMatch(/has shut/);
    expect(warned(end + 10)).toEqual([]);
  });

  it("keep their name from one look to the next, so that each is said once", () => {
    expect(warned(end - 4)[0]!.id).toBe(warned(end - 1)[0]!.id);
  });
});

describe("words at the bench", () => {
  it("a step is read out with where, what, how and what to stop at", () => {
    const said = readOut(benchAt(805).next[0]!, start + 805, ms(805));
    expect(said).toMatch(/^Panel, Example piece\. Wipe back\. /);
    expect(said).toMatch(/gate shuts in .* Stop if: /);
  });

  it("every stage but a habit has a question with two answers that differ", () => {
    for (const stage of SIGN_STAGES) {
      const question = signQuestion(stage, null);
      if (stage === "habit") expect(question).toBe(null);
      else {
        expect(question!.asks).toMatch(/\?$/);
        expect(question!.yes).not.toBe(question!.notYet);
      }
    }
  });

  it("signs are those of the material: size whistles, medium is milky, wax smears", () => {
    expect(signQuestion("tack", { role: "size" })!.asks).toMatch(/whistle/);
    expect(signQuestion("tack", { role: "medium" })!.asks).toMatch(/milky/);
    expect(signQuestion("recoat", { role: "wax" })!.asks).toMatch(/smear/);
    expect(signQuestion("tack", { role: "glaze" })!.asks).toMatch(/drag/);
  });

  it("every trouble has words of its own", () => {
    expect(new Set(TROUBLES.map((trouble) => TROUBLE_WORDS[trouble])).size).toBe(TROUBLES.length);
  });
});
