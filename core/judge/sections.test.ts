import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Zone } from "../plan/plan.ts";
import type { Room } from "../plan/room.ts";
import { examplePlan } from "../rules/example.ts";
import { judge } from "./judge.ts";

// A glaze is wiped while it is open. What is too large for that is worked in sections, each laid and wiped before the next.

const board = (width: number, height: number, count = 1): Partial<Zone> => ({
  shape: { kind: "panel", width, height, count },
});

function glazed(zone: Partial<Zone>, room: Partial<Room> = {}) {
  const plan = examplePlan({
    shows: "x",
    ground: "raw timber",
    steps: [
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["brush", "glaze-umber", { wait: { kind: "at least", minutes: 1440 } }],
      ["wipe-back"],
    ],
    zone,
    room,
  });
  const { phases } = judge(plan).zones[0]!;
  const [laid, wiped] = phases.slice(-2);
  return { laid: laid!.phase, wiped: wiped!.phase, sections: laid!.phase.go?.sections ?? 1 };
}

describe("a glaze and its wiping", () => {
  it("are one piece of work on a small panel, section by section on a wall", () => {
    expect(glazed(board(300, 200)).sections).toBe(1);
    expect(glazed(board(2400, 2000)).sections).toBeGreaterThan(2);
  });

  it("are in one session, whatever the number of sections", () => {
    for (const side of [300, 900, 2000]) {
      const { laid, wiped } = glazed(board(side, side));
      expect(laid.go?.ids).toEqual([laid.id, wiped.id]);
      expect(wiped.go?.sections).toBe(laid.go?.sections);
    }
  });

  it("need no fewer sections on a larger face", () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 2400 }), fc.integer({ min: 0, max: 800 }), (side, more) => {
        expect(glazed(board(side + more, side)).sections).toBeGreaterThanOrEqual(glazed(board(side, side)).sections);
      }),
      { numRuns: 25 },
    );
  });

  it("need no fewer where it is warm and dry, for there it shuts earlier", () => {
    const face = board(1800, 1200);
    const cool = glazed(face, { celsius: 14, relativeHumidity: 70 }).sections;
    const warm = glazed(face, { celsius: 30, relativeHumidity: 35 }).sections;
    expect(warm).toBeGreaterThanOrEqual(cool);
    expect(warm).toBeGreaterThan(1);
  });

  it("end between the boards, where there are several: whole boards, or equal parts of each", () => {
    for (const count of [2, 3, 4, 6])
      for (const [width, height] of [
        [400, 300],
        [900, 700],
        [1600, 1200],
      ] as const) {
        const { sections } = glazed(board(width, height, count));
        const whole = sections >= count ? sections % count === 0 : true;
        expect(whole, `${sections} sections of ${count} boards`).toBe(true);
        // fewer sections than boards: none of them holds more boards than it must
        if (sections < count) expect(Math.ceil(count / sections) * (sections - 1)).toBeLessThan(count);
      }
  });

  it("share out the hands of the whole between the sections", () => {
    const face = board(2400, 2000);
    const { laid, sections } = glazed(face);
    const alone = judge(
      examplePlan({
        shows: "x",
        ground: "raw timber",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["brush", "glaze-umber", { wait: { kind: "at least", minutes: 1440 } }],
        ],
        zone: face,
      }),
    ).zones[0]!.phases.at(-1)!.phase;
    const whole = alone.hands * (alone.go ? alone.go.sections : 1);
    expect(laid.hands * sections).toBeGreaterThan(0.85 * whole);
    expect(laid.hands * sections).toBeLessThan(1.15 * whole + sections);
  });
});
