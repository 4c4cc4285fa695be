import { describe, expect, it } from "vitest";
import { DEFAULT_HOURS } from "#core/plan/hours";
import { readWallTime } from "#core/units/wall-time";
import { hourMarks, timeAxis } from "./time-axis";

const monday = readWallTime("2026-11-30T00:00")!;
const axis = timeAxis(DEFAULT_HOURS, monday, monday + 7 * 1440, 100, 800);

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
      .filter((stretch) => stretch.open && stretch.from < monday + 1440)
      .reduce((sum, stretch) => sum + stretch.x1 - stretch.x0, 0);
    expect(opened).toBeGreaterThan(0.75 * (first!.x1 - first!.x0));
    expect(axis.days[6]!.works).toBe(false);
    expect(axis.days[6]!.x1 - axis.days[6]!.x0).toBeLessThan(0.1 * (first!.x1 - first!.x0));
  });

  it("stands even with no working hours at all", () => {
    const idle = timeAxis(
      { ...DEFAULT_HOURS, weekdays: [[], [], [], [], [], [], []] },
      monday,
      monday + 3 * 1440,
      0,
      300,
    );
    expect(idle.at(monday + 3 * 1440)).toBeCloseTo(300, 6);
  });
});

describe("the hours written on it", () => {
  it.each([
    [0.5, 800],
    [1, 800],
    [3, 800],
    [7, 800],
    [21, 800],
    [7, 300],
  ])("stand at even hours and never run together, over %d days on %d pixels", (days, width) => {
    const marks = hourMarks(timeAxis(DEFAULT_HOURS, monday + 480, monday + 480 + days * 1440, 0, width));
    const hours = [...new Set(marks.map(({ wall }) => (wall / 60) % 24))].sort((a, b) => a - b);
    const step = Math.min(...hours.slice(1).map((hour, index) => hour - hours[index]!));
    if (hours.length > 1) for (const hour of hours) expect(hour % step).toBe(0);
    for (const [at, { x }] of marks.entries()) if (at > 0) expect(x - marks[at - 1]!.x).toBeGreaterThanOrEqual(26);
  });

  it("can begin and end inside a day", () => {
    const noon = monday + 720;
    const half = timeAxis(DEFAULT_HOURS, noon, noon + 360, 50, 400);
    expect([half.from, half.to]).toEqual([noon, noon + 360]);
    expect(half.stretches[0]!).toMatchObject({ from: noon, x0: 50, open: true });
    expect(half.stretches.at(-1)!).toMatchObject({ to: noon + 360, open: true });
    expect(half.at(noon - 100)).toBe(50);
    expect(half.wallAt(half.at(noon + 200))).toBe(noon + 200);
  });
});
