import { describe, expect, it } from "vitest";
import { Board } from "../board/board.ts";
import { boardWorkOf } from "../board/board-work.ts";
import { colourDifference, lightness } from "../colour/difference.ts";
import { hexOf } from "../colour/screen.ts";
import { findFinish } from "../finishes/finishes.ts";
import { sampleOf } from "../finishes/sample.ts";
import { RELIEF_CLASSES } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { bareSurface } from "../surface/surface.ts";
import { judge, surfaceAfter } from "./judge.ts";
import { coloursSeen } from "./look.ts";

const seenAfter = (steps: ExampleStep[]) => {
  const zone = judge(examplePlan({ shows: "look", ground: "old paint", steps })).zones[0]!;
  return coloursSeen(zone.after);
};

describe("colours seen of a surface", () => {
  it("of the bare ground are the ground's own", () => {
    const { zone } = judge(examplePlan({ shows: "bare", ground: "old paint", steps: [] })).zones[0]!;
    for (const colour of Object.values(coloursSeen(bareSurface(zone.ground))))
      expect(colourDifference(colour, zone.ground.colour)).toBeLessThan(1);
  });

  it("go towards the paint with every coat", () => {
    const apart = [1, 2, 3].map((coats) =>
      colourDifference(seenAfter([["brush", "milk-curd", { coats }]]).field, "#e9e2d0"),
    );
    expect(apart[1]).toBeLessThan(apart[0]!);
    expect(apart[2]).toBeLessThan(apart[1]!);
    expect(apart[2]).toBeLessThan(3);
  });

  it("are darker in the grooves where dark wax was wiped", () => {
    const later = { wait: { kind: "at least", minutes: 1440 } as const };
    const seen = seenAfter([
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["wax", "wax-clear", later],
      ["wax", "wax-dark", later],
    ]);
    expect(lightness(seen.recess)).toBeLessThan(lightness(seen.field) - 8);
    expect(lightness(seen.field)).toBeLessThan(lightness(seen.high));
  });

  it("after each step are what the step leaves, and do not change what was seen before", () => {
    const zone = sampleOf(findFinish("worn-to-dark")!);
    const first = zone.phases.map((_, index) => coloursSeen(surfaceAfter(zone, index)));
    const again = zone.phases.map((_, index) => coloursSeen(surfaceAfter(zone, index)));
    expect(again).toEqual(first);
  });

  it.each(["worn-to-dark", "two-colour-milk", "softened-blue", "wax-blend", "brown-on-milk"])(
    "come near the mean of the sample board: %s",
    (id) => {
      const finish = findFinish(id)!;
      const zone = sampleOf(finish);
      const board = new Board(boardWorkOf(zone, finish.panels[0], 1), 384);
      const seen = coloursSeen(zone.after);
      const { belongs, grid } = board.relief;
      for (const relief of RELIEF_CLASSES) {
        if (zone.zone.relief[relief] < 0.1) continue;
        const sum = [0, 0, 0];
        let whole = 0;
        for (let row = 4; row < grid.height; row += 5)
          for (let column = 4; column < grid.width; column += 5) {
            // the mean of a few pixels around: they should all belong there
            const weight = belongs[relief][row * grid.width + column]!;
            if (weight < 0.98) continue;
            const light = board.colourAt(zone.phases.length, (column + 0.5) / grid.width, (row + 0.5) / grid.height);
            light.forEach((value, channel) => {
              sum[channel]! += value;
            });
            whole++;
          }
        const mean = hexOf(sum.map((value) => value / whole) as [number, number, number]);
        expect(colourDifference(mean, seen[relief]), `${relief} ${mean} ${seen[relief]}`).toBeLessThan(12);
      }
    },
  );
});
