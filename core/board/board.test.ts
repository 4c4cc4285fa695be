import { isDeepStrictEqual } from "node:util";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amounts } from "../../tests/amounts.ts";
import { plan as anyPlan } from "../../tests/random-crusts";
import { colourDifference, labOf } from "../colour/difference.ts";
import { hexOf } from "../colour/screen.ts";
import { findFinish } from "../finishes/finishes.ts";
import { sampleOf } from "../finishes/sample.ts";
import { judge, type ZoneJudgement } from "../judge/judge.ts";
import { CARVED_RELIEF, RELIEF_CLASSES } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { Board } from "./board.ts";
import { boardWorkOf, inCommon, panelFor, USUAL_VIEW } from "./board-work.ts";
import type { Layer } from "./layers.ts";
import { PANEL_IDS, type PanelId } from "./panels/panel.ts";
import { classShares } from "./relief.ts";
import { shownInAll, shownOnBoard } from "./shares.ts";

const WIDTH = 240;
const DAY = 1440;

function judged(
  steps: ExampleStep[],
  ground: Parameters<typeof examplePlan>[0]["ground"] = "old paint",
): ZoneJudgement {
  return judge(examplePlan({ shows: "on a board", ground, steps, zone: { relief: CARVED_RELIEF } })).zones[0]!;
}
const boardOf = (zone: ZoneJudgement, panel: PanelId = "carved", seed = 1, width = WIDTH) =>
  new Board(boardWorkOf(zone, panel, seed), width);
const done = (board: Board) => board.after(board.work.phases.length);
const finished = (board: Board) => board.picture(board.work.phases.length);
const later = (minutes: number) => ({ wait: { kind: "at least", minutes } as const });

function meanLab(pixels: Uint8ClampedArray) {
  const sum = [0, 0, 0];
  for (let at = 0; at < pixels.length; at += 4) for (let c = 0; c < 3; c++) sum[c]! += pixels[at + c]!;
  const hex = sum
    .map((value) =>
      Math.round(value / (pixels.length / 4))
        .toString(16)
        .padStart(2, "0"),
    )
    .join("");
  return labOf(`#${hex}`);
}
const meanIn = (field: Float32Array, weights: Float32Array) => {
  let sum = 0;
  let whole = 0;
  field.forEach((value, index) => {
    sum += value * weights[index]!;
    whole += weights[index]!;
  });
  return sum / whole;
};
const lies = ({ thickness, cover }: Layer, index: number) =>
  thickness[index]! > 0.3 && (cover === null || cover[index]! >= 128);

describe("a sample board", () => {
  const worn = judged([
    ["brush", "tint-base-walnut", { coats: 2 }],
    ["brush", "chalk-duck-egg", { coats: 2 }],
    ["wet-distress"],
    ["wax", "wax-clear", later(DAY)],
    ["wax", "wax-dark", { where: { on: "recess", over: 1 } }],
  ]);

  it("is the same picture each time by its seed, and another by another", () => {
    const one = finished(boardOf(worn));
    expect(isDeepStrictEqual(finished(boardOf(worn)), one)).toBe(true);
    expect(isDeepStrictEqual(finished(boardOf(worn, "carved", 2)), one)).toBe(false);
  });

  it("comes out the same whatever was drawn before it", () => {
    const fresh = finished(boardOf(worn));
    finished(boardOf(judged([["brush", "chalk-slate"], ["sand-150"], ["wax", "wax-black", later(DAY)]])));
    const board = boardOf(worn);
    for (const count of [3, 1, 7, 0, 5]) board.picture(count);
    expect(finished(board)).toEqual(fresh);
  });

  it("takes over the first steps of a board before it, and comes out as if it had not", () => {
    const changed = judged([
      ["brush", "tint-base-walnut", { coats: 2 }],
      ["brush", "chalk-duck-egg", { coats: 2 }],
      ["wet-distress"],
      ["wax", "wax-clear", later(DAY)],
      ["wax", "wax-black", { where: { on: "recess", over: 1 } }],
    ]);
    const before = boardOf(worn);
    finished(before);
    const next = boardOf(changed);
    expect(inCommon(before.work, next.work)).toBe(next.work.phases.length - 1);
    next.takeOver(before);
    expect(next.after(3).layers).toBe(before.after(3).layers);
    expect(finished(next)).toEqual(finished(boardOf(changed)));
    expect(inCommon(before.work, { ...next.work, seed: 9 })).toBe(-1);
  });

  it("shows the same finish rough and fine", () => {
    const rough = meanLab(finished(boardOf(worn, "carved", 1, 192)));
    const fine = meanLab(finished(boardOf(worn, "carved", 1, 480)));
    expect(Math.abs(rough.l - fine.l)).toBeLessThan(2.5);
    expect(Math.hypot(rough.a - fine.a, rough.b - fine.b)).toBeLessThan(2.5);
  });

  it("shows a coat laid unevenly as thick on the whole, and thinner here than there", () => {
    const coat = (uneven: boolean) => {
      const board = boardOf(judged([["brush", "mineral-oyster", uneven ? { uneven } : {}]]), "plain");
      const { thickness } = board.after(1).layers[0]!;
      const mean = thickness.reduce((sum, value) => sum + value, 0) / thickness.length;
      const strays = Math.sqrt(thickness.reduce((sum, value) => sum + (value - mean) ** 2, 0) / thickness.length);
      return { mean, strays: strays / mean };
    };
    const [even, uneven] = [coat(false), coat(true)];
    expect(Math.abs(uneven.mean / even.mean - 1)).toBeLessThan(0.05);
    expect(uneven.strays).toBeGreaterThan(even.strays + 0.15);
  });

  it("begins at the bare ground, in its own colour", () => {
    const board = boardOf(worn);
    expect(board.after(0).layers).toEqual([]);
    const [red, green, blue] = board.colourAt(0, 0.5, 0.06);
    expect(colourDifference(hexOf([red, green, blue]), worn.zone.ground.colour)).toBeLessThan(14);
  });

  it("gives opaque pixels, all of them", () => {
    const pixels = finished(boardOf(worn));
    expect(pixels).toHaveLength(WIDTH * 160 * 4);
    for (let at = 3; at < pixels.length; at += 4) expect(pixels[at]).toBe(255);
  });

  it("looks darker and deeper wet, warmer by lamp, and changes with the place of the light", () => {
    const coat = judged([["brush", "chalk-slate", { coats: 2 }]]);
    const board = boardOf(coat);
    const seen = (view: Partial<typeof USUAL_VIEW>) => meanLab(board.picture(2, { ...USUAL_VIEW, ...view }));
    const dry = labOf(hexOf(board.colourAt(2, 0.3, 0.5)));
    const wet = labOf(hexOf(board.colourAt(2, 0.3, 0.5, { ...USUAL_VIEW, wet: true })));
    expect(wet.l).toBeLessThan(dry.l - 5);
    expect(seen({ light: "lamp" }).b).toBeGreaterThan(seen({}).b + 4);
    expect(board.picture(2, { ...USUAL_VIEW, lighting: { azimuth: 45, elevation: 38 } })).not.toEqual(board.picture(2));
  });

  it("is drawn for any crust at all: every number sound, what shows one whole", () => {
    fc.assert(
      fc.property(anyPlan, fc.constantFrom<PanelId>(...PANEL_IDS), (plan, panel) => {
        const zone = judge(plan).zones[0]!;
        const board = boardOf(zone, panel, 3, 96);
        const { layers } = done(board);
        for (const { thickness } of layers) expect(thickness.every((value) => value >= 0 && value < 1e5)).toBe(true);
        for (const value of board.colourAt(zone.phases.length, 0.4, 0.4)) {
          expect(value).toBeGreaterThanOrEqual(0);
          expect(value).toBeLessThan(1.2);
        }
        const shown = shownOnBoard(layers, board.relief);
        for (const relief of RELIEF_CLASSES) {
          const whole = [...shown[relief].values()].reduce((sum, share) => sum + share, 0);
          if (shown[relief].size > 0) expect(whole).toBeCloseTo(1, 3);
        }
      }),
      { numRuns: 25 },
    );
  });

  it("keeps the films of earlier steps as they were", () => {
    const board = boardOf(worn);
    const before = board.after(4).layers.map(({ thickness }) => thickness.slice());
    done(board);
    board.after(4).layers.forEach(({ thickness }, index) => {
      expect(thickness).toEqual(before[index]);
    });
  });
});

describe("hands on the board", () => {
  it("a brush lays the mean that the technique says in every relief class", () => {
    const board = boardOf(judged([["brush", "chalk-slate"]]));
    const { layers } = done(board);
    const { phase } = board.work.phases[0]!;
    const deposit = phase.effects.find((effect) => effect.does === "deposit")!;
    for (const relief of RELIEF_CLASSES) {
      const mean = meanIn(layers[0]!.thickness, board.relief.belongs[relief]);
      const said = deposit.does === "deposit" ? deposit.micrometres * deposit.profile[relief] : 0;
      expect(Math.abs(mean / said - 1)).toBeLessThan(0.12);
    }
  });

  it("wax and wash stand in grooves and run off what is proud", () => {
    for (const [how, what] of [
      ["wax", "wax-dark"],
      ["wash", "chalk-lamp-black"],
    ] as const) {
      const board = boardOf(
        judged([
          ["brush", "mineral-oyster", { coats: 2 }],
          [how, what, later(3 * DAY)],
        ]),
      );
      const film = done(board).layers.at(-1)!;
      const { recess, high, field } = board.relief.belongs;
      expect(meanIn(film.thickness, recess)).toBeGreaterThan(1.5 * meanIn(film.thickness, field));
      expect(meanIn(film.thickness, high)).toBeLessThan(meanIn(film.thickness, field));
    }
  });

  it("a dry brush catches what stands proud and leaves the grooves", () => {
    const board = boardOf(
      judged([
        ["brush", "mineral-storm"],
        ["dry-brush", "mineral-oyster"],
      ]),
    );
    const film = done(board).layers.at(-1)!;
    const covers = Float32Array.from(film.cover!, (value, index) => (film.thickness[index]! > 0.3 ? value / 255 : 0));
    const { recess, field, high } = board.relief.belongs;
    expect(meanIn(covers, recess)).toBeLessThan(0.06);
    expect(meanIn(covers, high)).toBeGreaterThan(0.3);
    expect(meanIn(covers, field)).toBeGreaterThan(0.3);
    expect(meanIn(covers, field)).toBeLessThan(0.5);
  });

  it("leaf holds on size alone, crumb on what is wet alone", () => {
    const onSize = done(
      boardOf(
        judged([
          ["brush", "chalk-oxide-red"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-imitation-gold"],
        ]),
      ),
    );
    const onPaint = done(
      boardOf(
        judged([
          ["brush", "chalk-oxide-red"],
          ["lay-leaf", "leaf-imitation-gold"],
        ]),
      ),
    );
    const covered = (layer: Layer) => layer.cover!.reduce((sum, value) => sum + value, 0) / 255 / layer.cover!.length;
    expect(covered(onSize.layers.at(-1)!)).toBeGreaterThan(0.93);
    expect(covered(onPaint.layers.at(-1)!)).toBe(0);
    const dry = done(
      boardOf(
        judged([
          ["brush", "chalk-slate"],
          ["sprinkle", "texture-crumb", later(3 * DAY)],
        ]),
      ),
    );
    expect(covered(dry.layers.at(-1)!)).toBe(0);
  });

  it("a scraper takes the crumb and what was laid over it, and leaves the rest alone", () => {
    const zone = judged([
      ["brush", "chalk-slate"],
      ["mist"],
      ["sprinkle", "texture-crumb"],
      ["tap", "chalk-bone-white", later(300)],
      ["scrape", null, later(DAY)],
    ]);
    const board = boardOf(zone);
    const [slate, crumb, white] = done(board).layers as [Layer, Layer, Layer];
    const before = board.after(zone.phases.length - 1).layers;
    let opened = 0;
    for (let at = 0; at < slate.thickness.length; at++) {
      expect(lies(crumb, at)).toBe(false);
      expect(slate.thickness[at]).toBe(before[0]!.thickness[at]);
      if (!lies(before[1]!, at)) expect(lies(white, at)).toBe(lies(before[2]!, at));
      else if (!lies(white, at)) opened++;
    }
    expect(opened / slate.thickness.length).toBeGreaterThan(0.15);
  });
});

describe("what is taken off", () => {
  it("a wet cloth goes down to the first film that holds; that one and all beneath stay bit for bit", () => {
    const zone = judged([
      ["brush", "chalk-oxide-red"],
      ["brush", "clear-coat-matt", later(DAY)],
      ["brush", "chalk-bone-white", later(DAY)],
      ["wet-distress", null, later(120)],
    ]);
    const board = boardOf(zone);
    const before = board.after(3).layers;
    const after4 = board.after(4).layers;
    const same = (at: number) => isDeepStrictEqual(after4[at]!.thickness, before[at]!.thickness);
    expect([same(0), same(1), same(2)]).toEqual([true, true, false]);
    after4[2]!.thickness.forEach((value, index) => {
      expect(value).toBeLessThanOrEqual(before[2]!.thickness[index]!);
    });
  });

  it("opens the more the harder the hand presses", () => {
    for (const take of ["wet-distress", "sand-220"] as const) {
      const zone = judged([
        ["brush", "tint-base-walnut", { coats: 2 }],
        ["brush", "chalk-bone-white"],
        [take, null, later(120)],
      ]);
      const board = boardOf(zone);
      const white = done(board).layers.at(-1)!;
      const { pressure } = board.relief;
      const opened = (from: number, to: number) => {
        let all = 0;
        let open = 0;
        pressure.forEach((value, index) => {
          if (value < from || value >= to) return;
          all++;
          if (!lies(white, index)) open++;
        });
        return open / all;
      };
      expect(opened(0, 0.4)).toBeLessThan(opened(0.8, 1.2) + 0.02);
      expect(opened(0.8, 1.2)).toBeLessThan(opened(1.8, 9));
    }
  });

  it("paper takes from the top: effort spent is film gone, the harder film the less", () => {
    const zone = judged(
      [
        ["brush", "milk-ochre"],
        ["brush", "milk-soot"],
        ["sand-150", null, later(DAY)],
      ],
      "raw timber",
    );
    const board = boardOf(zone);
    const films = (count: number) => [...amounts(board.after(count).layers).values()] as [Float32Array, Float32Array];
    const [under, top] = films(2);
    const [underLeft, topLeft] = films(3);
    const hard = board.after(2).layers.at(-1)!.film.material.hardness.typical / 0.35;
    for (let at = 0; at < top.length; at++) {
      const gone = top[at]! - topLeft[at]! + under[at]! - underLeft[at]!;
      expect(gone).toBeGreaterThanOrEqual(-1e-4);
      expect(gone * hard).toBeLessThanOrEqual(110 + 1);
      // nothing is taken from beneath while there is anything above
      if (topLeft[at]! > 0) expect(underLeft[at]).toBe(under[at]);
    }
  });

  it("chips are whole flakes: hardly a pixel half gone", () => {
    const zone = sampleOf(findFinish("chipped-milk")!, "drawer");
    const chip = zone.phases.findIndex(({ phase }) => phase.technique.id === "chip");
    const board = boardOf(zone, "drawer");
    const before = board.after(chip).layers.at(-1)!;
    const flaked = board.after(chip + 1).layers.find(({ film }) => film.phaseId === before.film.phaseId)!;
    const cover = flaked.cover!;
    const half = cover.filter((value) => value > 40 && value < 215).length;
    const gone = cover.filter((value) => value <= 40).length;
    expect(gone / cover.length).toBeGreaterThan(0.08);
    expect(half / gone).toBeLessThan(0.25);
  });

  it("wiping back leaves most in the grooves, and rags leave their folds", () => {
    const wiped = (how: string) => {
      const zone = judged([["brush", "mineral-oyster", { coats: 2 }], ["brush", "glaze-umber", later(DAY)], [how]]);
      const board = boardOf(zone);
      const before = board.after(zone.phases.length - 1).layers.at(-1)!.thickness;
      const film = done(board).layers.at(-1)!.thickness;
      const left = film.map((value, index) => value / before[index]!);
      const { recess, high, field } = board.relief.belongs;
      return { recess: meanIn(left, recess), high: meanIn(left, high), field: meanIn(left, field), left };
    };
    for (const how of ["wipe-back", "rag-off"]) {
      const { recess, high, field } = wiped(how);
      expect(recess).toBeGreaterThan(field);
      expect(field).toBeGreaterThan(high);
    }
  });
});

describe("panels", () => {
  it("hold all four relief classes where they are carved, and edges and flats where they are plain", () => {
    const shares = (panel: PanelId) => classShares(boardOf(judged([]), panel, 1, 480).relief);
    const carved = shares("carved");
    for (const relief of RELIEF_CLASSES) expect(carved[relief]).toBeGreaterThan(0.015);
    expect(carved.recess).toBeGreaterThan(0.12);
    expect(carved.high).toBeGreaterThan(0.1);
    const plain = shares("plain");
    expect(plain.field).toBeGreaterThan(0.85);
    expect(plain.arris).toBeGreaterThan(0.01);
    expect(shares("drawer").high + shares("drawer").recess).toBeGreaterThan(0.06);
  });

  it.each(PANEL_IDS.map((id) => [id] as const))(
    "%s: has flats, edges and, but for plain ones, beads and grooves",
    (id) => {
      const { relief } = boardOf(judged([]), id, 1, 480);
      const shares = classShares(relief);
      expect(shares.field).toBeGreaterThan(0.2);
      expect(shares.arris).toBeGreaterThan(0.01);
      if (id !== "plain" && id !== "top") expect(shares.high + shares.recess).toBeGreaterThan(0.03);
      // what is measured lies on the thing itself
      if (relief.inside) for (const at of relief.sample) expect(relief.inside[at]).toBeGreaterThan(0.5);
    },
  );

  it("what is not the thing itself is left open in the picture", () => {
    const board = boardOf(judged([["brush", "chalk-slate"]]), "frame", 1, 240);
    const picture = done(board) && board.picture(1);
    const { width, height } = board.grid;
    const opacityAt = (x: number, y: number) =>
      picture[4 * (Math.floor(y * height) * width + Math.floor(x * width)) + 3];
    expect(opacityAt(0.5, 0.5)).toBe(0);
    expect(opacityAt(0.05, 0.5)).toBe(255);
  });

  it("make one whole of the classes at every pixel", () => {
    for (const panel of PANEL_IDS) {
      const { belongs } = boardOf(judged([]), panel).relief;
      belongs.arris.forEach((arris, index) => {
        expect(arris + belongs.field[index]! + belongs.high[index]! + belongs.recess[index]!).toBeCloseTo(1, 4);
      });
    }
  });

  it("are chosen by what a zone is", () => {
    const shape = { kind: "panel", width: 400, height: 300, count: 1 } as const;
    const flat = { arris: 0.06, field: 0.94, high: 0, recess: 0 };
    expect(panelFor({ shape, relief: CARVED_RELIEF })).toBe("carved");
    expect(panelFor({ shape, relief: flat })).toBe("top");
    const place = { x: 0, y: 0, width: 10, height: 10, drawn: "drawer" } as const;
    expect(panelFor({ shape, relief: CARVED_RELIEF, place })).toBe("drawer");
    expect(panelFor({ shape: { kind: "leg", diameter: 60, length: 700, count: 4 }, relief: flat })).toBe("leg");
    expect(panelFor({ shape: { kind: "disc", diameter: 600, count: 1 }, relief: flat })).toBe("disc");
  });

  it("weigh what shows by the zone's own relief", () => {
    const zone = judged([["brush", "chalk-slate", { coats: 2, where: { on: "recess", over: 1 } }]]);
    const board = boardOf(zone);
    const all = shownInAll(shownOnBoard(done(board).layers, board.relief), CARVED_RELIEF);
    expect(all.get("s1")!).toBeGreaterThan(0.8 * CARVED_RELIEF.recess);
    expect(all.get("s1")!).toBeLessThan(1.1 * CARVED_RELIEF.recess);
  });
});
