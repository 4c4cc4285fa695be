import { describe, expect, it } from "vitest";
import { DEFAULT_HOURS } from "#core/plan/hours";
import { readWallTime } from "#core/units/wall-time";
import { timeAxis } from "./time-axis";

const monday = readWallTime("2026-11-30T00:00")!;
const axis = timeAxis(DEFAULT_HOURS, monday, 7, 100, 800);

describe("the axis of the days", () => {
  it("fills its width, left to right, without gaps", () => {
    expect(axis.stretches[0]!.x0).toBe(100);
    expect(axis.stretches.at(-1)!.x1).toBeCloseTo(900, 6);
    for (const [index, stretch] of axis.stretches.entries())
      if (index > 0) expect(stretch.x0).toBeCloseTo(axis.stretches[index - 1]!.x1, 9);
  });

  it("never turns back", () => {
    let before = Number.NEGATIVE_INFINITY;
    for (let wall = monday - 60; wall < monday + 8 * 1440; wall += 37) {
      expect(axis.at(wall)).toBeGreaterThanOrEqual(before);
      before = axis.at(wall);
    }
  });

  it("gives a working day far more room than its night, and the weekend least", () => {
    const [first] = axis.days;
    const opened = axis.stretches
      .filter((one) => one.open && one.from < monday + 1440)
      .reduce((sum, one) => sum + one.x1 - one.x0, 0);
    expect(opened).toBeGreaterThan(0.75 * (first!.x1 - first!.x0));
    expect(axis.days[6]!.works).toBe(false);
    expect(axis.days[6]!.x1 - axis.days[6]!.x0).toBeLessThan(0.1 * (first!.x1 - first!.x0));
  });

  it("stands even with no working hours at all", () => {
    const idle = timeAxis({ ...DEFAULT_HOURS, weekdays: [[], [], [], [], [], [], []] }, monday, 3, 0, 300);
    expect(idle.at(monday + 3 * 1440)).toBeCloseTo(300, 6);
  });
});
