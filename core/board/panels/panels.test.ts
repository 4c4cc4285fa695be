import { describe, expect, it } from "vitest";
import { RELIEF_CLASSES } from "../../plan/plan.ts";
import { type Field, type Grid, gridOf, gridOver } from "../grid.ts";
import { type PanelRelief, reliefOf } from "../relief.ts";
import { PANEL_IDS, PANEL_NAMES, type PanelId } from "./panel.ts";
import { panelNamed } from "./panels.ts";

const made = new Map<string, PanelRelief>();
const on = (id: PanelId, width: number): PanelRelief => {
  const key = `${id} ${width}`;
  const relief = made.get(key) ?? reliefOf(panelNamed(id), gridOf(width));
  made.set(key, relief);
  return relief;
};

const isInside = ({ inside }: PanelRelief, at: number) => inside === null || inside[at]! > 0.9;

/** The mean of a field where each pixel counts by so much. */
function meanBy(field: Field, weight: Field, relief: PanelRelief): number {
  let [sum, whole] = [0, 0];
  for (let at = 0; at < field.length; at++) {
    if (!isInside(relief, at)) continue;
    sum += field[at]! * weight[at]!;
    whole += weight[at]!;
  }
  return whole === 0 ? Number.NaN : sum / whole;
}

const shareOf = (field: Field, relief: PanelRelief) => {
  const one = new Float32Array(field.length).fill(1);
  return meanBy(field, one, relief);
};

/** How much lower each place lies than the face within a thumb's breadth of it. */
function sunk({ height }: PanelRelief, { width, height: rows, millimetres }: Grid): Field {
  const reach = Math.max(1, Math.round(6 / millimetres));
  return Float32Array.from(height, (own, at) => {
    const [column, row] = [at % width, Math.floor(at / width)];
    let [sum, count] = [0, 0];
    for (const [dx, dy] of [
      [-reach, 0],
      [reach, 0],
      [0, -reach],
      [0, reach],
    ] as const) {
      const [x, y] = [column + dx, row + dy];
      if (x < 0 || y < 0 || x >= width || y >= rows) continue;
      sum += height[y * width + x]!;
      count++;
    }
    return sum / count - own;
  });
}

/** Flat faces with mouldings; a turned leg and a disc are round all over. */
const MOULDED: readonly PanelId[] = ["carved", "drawer", "frame"];

describe.each(PANEL_IDS.map((id) => [PANEL_NAMES[id].full, id] as const))("%s", (_name, id) => {
  it("belongs to the four classes of relief, at every place as a whole", () => {
    const { belongs, grid } = on(id, 192);
    let [least, off] = [0, 0];
    for (let at = 0; at < grid.width * grid.height; at++) {
      const parts = RELIEF_CLASSES.map((name) => belongs[name][at]!);
      least = Math.min(least, ...parts);
      off = Math.max(off, Math.abs(parts.reduce((sum, part) => sum + part, 0) - 1));
    }
    expect(least).toBeGreaterThanOrEqual(-1e-6);
    expect(off).toBeLessThan(1e-4);
  });

  it("has grooves that lie lower than what is round them, and what stands proud higher", () => {
    const relief = on(id, 384);
    const lower = sunk(relief, relief.grid);
    const flat = meanBy(lower, relief.belongs.field, relief);
    if (!MOULDED.includes(id)) return;
    expect(meanBy(lower, relief.belongs.recess, relief)).toBeGreaterThan(flat);
    expect(meanBy(lower, relief.belongs.high, relief)).toBeLessThan(flat);
  });

  it("is pressed on by a flat hand where it stands out, and hardly in its grooves", () => {
    const relief = on(id, 384);
    const pressed = (name: "arris" | "field" | "recess") => meanBy(relief.pressure, relief.belongs[name], relief);
    if (MOULDED.includes(id)) expect(pressed("recess")).toBeLessThan(pressed("field"));
    expect(relief.pressure.every((value) => value >= 0)).toBe(true);
  });

  it("has the same classes whatever the size of the picture, nearly", () => {
    const [small, large] = [on(id, 192), on(id, 384)];
    for (const name of RELIEF_CLASSES)
      expect(Math.abs(shareOf(small.belongs[name], small) - shareOf(large.belongs[name], large)), name).toBeLessThan(
        0.06,
      );
  });

  it("is measured on places of its own, spread over all of it", () => {
    const relief = on(id, 384);
    const { sample, grid, sampledClasses } = relief;
    expect(sampledClasses).toHaveLength(4 * sample.length);
    const quarters = new Set(
      Array.from(sample, (at) => {
        const [x, y] = [at % grid.width, Math.floor(at / grid.width)];
        return `${Math.floor((4 * x) / grid.width)} ${Math.floor((4 * y) / grid.height)}`;
      }),
    );
    expect(quarters.size).toBeGreaterThanOrEqual(relief.inside === null ? 16 : 8);
    expect(sample.every((at) => (relief.inside?.[at] ?? 1) > 0.5)).toBe(true);
  });

  it("fits a long face and a small one: its mouldings stay as broad as they are", () => {
    for (const [wide, tall] of [
      [900, 120],
      [60, 60],
      [400, 1600],
    ] as const) {
      const { belongs, height, grid } = reliefOf(panelNamed(id), gridOver(wide, tall, Math.max(wide, tall) / 220));
      expect(height).toHaveLength(grid.width * grid.height);
      for (const field of [height, ...RELIEF_CLASSES.map((name) => belongs[name])])
        expect(field.every(Number.isFinite)).toBe(true);
    }
  });
});

describe("what panels are for", () => {
  const share = (id: PanelId, name: (typeof RELIEF_CLASSES)[number]) => {
    const relief = on(id, 384);
    return shareOf(relief.belongs[name], relief);
  };

  it("a carved panel has more grooves and more that stands proud than a plain top", () => {
    expect(share("carved", "recess")).toBeGreaterThan(share("top", "recess") + 0.05);
    expect(share("carved", "high")).toBeGreaterThan(share("top", "high") + 0.05);
  });

  it("a plain top is nearly all flat, and boards edge to edge have their joints besides", () => {
    expect(share("top", "field")).toBeGreaterThan(0.85);
    expect(share("plain", "recess")).toBeGreaterThan(share("top", "recess"));
  });

  it("every panel has arrises, where paint wears first", () => {
    for (const id of PANEL_IDS) expect(share(id, "arris"), id).toBeGreaterThan(0.002);
  });

  it("the grain runs up and down on the stiles of a frame, and along its rails", () => {
    const { upright, grid } = on("frame", 384);
    const middle = Math.floor(grid.height / 2) * grid.width;
    expect(upright[middle + 4]).toBe(1);
    expect(upright[4 * grid.width + Math.floor(grid.width / 2)]).toBe(0);
  });
});
