import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { KERNELS_FILE, kernelsFile } from "../../scripts/compile-kernels";
import { blurred } from "./blur.ts";
import { gridOf } from "./grid.ts";
import { Memory, reckon } from "./kernels.ts";
import { clouds, noise, streaks } from "./noise.ts";
import { hashed, randomFrom } from "./random.ts";

const grid = gridOf(96);
const COUNT = grid.width * grid.height;

function randomField(seed: number, low = -2, high = 2): Float32Array {
  const random = randomFrom(seed);
  return Float32Array.from({ length: COUNT }, () => low + (high - low) * random());
}

const mean = (field: ArrayLike<number>) => Array.from(field).reduce((sum, value) => sum + value, 0) / field.length;
const spread = (field: ArrayLike<number>) => {
  const middle = mean(field);
  return Math.sqrt(mean(Array.from(field, (value) => (value - middle) ** 2)));
};

describe("the compiled kernels", () => {
  it("are what kernels/kernels.ts compiles to", async () => {
    expect(readFileSync(KERNELS_FILE, "utf8")).toBe(await kernelsFile());
  });

  it("reckon sums, products, bounds and powers as plain arithmetic does, to the last odd pixel", () => {
    const [one, two] = [randomField(1), randomField(2)];
    for (const count of [1, 3, 4, 7, 250, 251]) {
      const small = { width: count, height: 1 };
      const [a, b] = [one.slice(0, count), two.slice(0, count)];
      const got = reckon(small, 0.5).plus(2, a).times(b).held(-3, 3).raised().field();
      for (let at = 0; at < count; at++) {
        const plain = Math.exp(Math.min(3, Math.max(-3, (0.5 + 2 * a[at]!) * b[at]!)));
        expect(Math.abs(got[at]! / plain - 1)).toBeLessThan(1e-4);
      }
    }
  });

  it("leave nothing of one reckoning in the next", () => {
    const field = randomField(3);
    reckon(grid, 7).plus(5, field).field();
    expect(reckon(grid).plus(1, field).field()).toEqual(field);
  });

  it("grow memory for what is laid into it", () => {
    const memory = new Memory();
    const large = new Float32Array(6_000_000).fill(0.25);
    const address = memory.put(large);
    expect(memory.floats(address, large.length).every((value) => value === 0.25)).toBe(true);
  });
});

describe("what the kernels do to films", () => {
  const SOME = 403;
  const some = (seed: number, low: number, high: number) => randomField(seed, low, high).slice(0, SOME);
  const bytes = (seed: number) => Uint8Array.from(some(seed, 0, 255.99));
  const thick = some(11, -4, 30).map((value) => Math.max(0, value));
  const TRACE = 0.3;

  it("scale, choose and bytes are plain arithmetic", () => {
    const memory = new Memory();
    const [one, two] = [some(21, -2, 2), some(22, -2, 2)];
    const upright = Uint8Array.from(one, (value) => (value > 0 ? 1 : 0));
    const to = memory.copied(one);
    memory.run.scale(to, SOME, 3, -1);
    memory.floats(to, SOME).forEach((value, index) => {
      expect(value).toBeCloseTo(3 * one[index]! - 1, 4);
    });
    const sum = memory.room(4 * SOME);
    memory.run.addChosen(sum, memory.put(one), memory.put(two), memory.put(upright), SOME, 2);
    memory.floats(sum, SOME).forEach((value, index) => {
      expect(value).toBeCloseTo(2 * (upright[index] === 1 ? two : one)[index]!, 5);
    });
    const mask = memory.room(SOME);
    memory.run.toBytes(memory.put(one), mask, SOME);
    memory.bytes(mask, SOME).forEach((value, index) => {
      expect(value).toBe(Math.floor(Math.min(1, Math.max(0, one[index]!)) * 255 + 0.5));
    });
  });

  it("the film on top is the highest that covers and is more than a trace", () => {
    const films = [1, 2, 3].map((seed) => ({
      thickness: some(seed, -4, 30).map((value) => Math.max(0, value)),
      cover: seed === 2 ? null : bytes(seed),
    }));
    const memory = new Memory();
    const tops = memory.copied(new Int16Array(SOME).fill(-1));
    let found = 0;
    for (let index = films.length - 1; index >= 0; index--) {
      const { thickness, cover } = films[index]!;
      found += memory.run.findTops(tops, memory.put(thickness), memory.putOrNone(cover), SOME, index, TRACE);
    }
    let expected = 0;
    memory.shorts(tops, SOME).forEach((top, index) => {
      const own = films.findLastIndex(
        ({ thickness, cover }) => thickness[index]! > TRACE && (cover === null || cover[index]! >= 128),
      );
      expect(top).toBe(own);
      if (own >= 0) expected++;
    });
    expect(found).toBe(expected);
  });

  it("pixels with the same films have the same sign and fall in the same group", () => {
    const cover = bytes(5);
    const memory = new Memory();
    const signs = memory.room(4 * SOME);
    const film = memory.put(thick);
    memory.run.sign(signs, film, memory.put(cover), SOME, 12345, TRACE);
    const set = memory.ints(signs, SOME);
    set.forEach((sign, index) => {
      expect(sign).toBe(thick[index]! > TRACE && cover[index]! >= 128 ? 12345 : 0);
    });
    const groups = memory.room(SOME);
    memory.run.group(signs, groups, SOME, memory.put(Int32Array.of(12345)), 1);
    memory.bytes(groups, SOME).forEach((group, index) => {
      expect(group).toBe(set[index] === 12345 ? 0 : 1);
    });
    // a sign that is set twice is taken out again
    memory.run.sign(signs, film, memory.put(cover), SOME, 12345, TRACE);
    expect(memory.ints(signs, SOME).every((sign) => sign === 0)).toBe(true);
  });

  it("paper spends its effort on the film, the more the harder it is, and passes on what is over", () => {
    const cover = bytes(6);
    const effort = some(7, 0, 40);
    const memory = new Memory();
    const left = memory.copied(effort);
    const film = memory.copied(thick);
    const goesOn = memory.run.abrade(left, film, memory.put(cover), SOME, 1.7, TRACE);
    const [rest, over] = [memory.floats(film, SOME), memory.floats(left, SOME)];
    rest.forEach((value, index) => {
      const cost = (thick[index]! * 1.7 * cover[index]!) / 255;
      if (cost <= effort[index]!) {
        expect(value).toBe(0);
        expect(over[index]).toBeCloseTo(effort[index]! - cost, 3);
      } else {
        const kept = thick[index]! * (1 - effort[index]! / cost);
        expect(value).toBeCloseTo(kept < TRACE ? 0 : kept, 2);
        expect(over[index]).toBe(0);
      }
    });
    expect(goesOn).toBe(1);
  });

  it("a cloth takes by the square of what it leaves, where nothing above held", () => {
    const mask = some(8, -0.5, 1).map((value) => Math.max(0, value));
    const above = some(9, -2, 4).map((value) => Math.max(0, value));
    const memory = new Memory();
    const held = memory.room(SOME);
    memory.run.holdBack(held, memory.put(above), 0, SOME, 1);
    const film = memory.copied(thick);
    memory.run.dissolve(held, memory.put(mask), film, SOME, TRACE);
    memory.floats(film, SOME).forEach((value, index) => {
      const rest = above[index]! > 1 || mask[index] === 0 ? thick[index]! : thick[index]! * (1 - mask[index]!) ** 2;
      if (rest === thick[index]) expect(value).toBe(thick[index]);
      else if (Math.abs(rest - TRACE) > 0.01) expect(value).toBeCloseTo(rest < TRACE ? 0 : rest, 3);
    });
  });

  it("films add up to their sum, each by how much it covers", () => {
    const cover = bytes(10);
    const memory = new Memory();
    const total = memory.room(4 * SOME);
    memory.run.addFilm(total, memory.put(thick), 0, SOME);
    memory.run.addFilm(total, memory.put(thick), memory.put(cover), SOME);
    memory.floats(total, SOME).forEach((value, index) => {
      expect(value).toBeCloseTo(thick[index]! * (1 + cover[index]! / 255), 3);
    });
  });
});

describe("noise", () => {
  it("has mean 0 and spread 1, whatever its size", () => {
    for (const source of [noise(grid, 4, 4), clouds(grid, 5, 12, 4), streaks(grid, 6, 20, 1, new Uint8Array(COUNT))]) {
      const made = source.field();
      expect(Math.abs(mean(made))).toBeLessThan(0.2);
      expect(spread(made)).toBeGreaterThan(0.75);
      expect(spread(made)).toBeLessThan(1.25);
    }
  });

  it("is laid out in millimetres: a finer picture shows the same noise", () => {
    const coarse = noise(gridOf(120), 8, 9).field();
    const fine = noise(gridOf(360), 8, 9).field();
    for (let row = 0; row < 80; row += 7)
      for (let column = 0; column < 120; column += 11)
        expect(fine[(3 * row + 1) * 360 + 3 * column + 1]).toBeCloseTo(coarse[row * 120 + column]!, 3);
  });

  it("is smooth: neighbours differ little", () => {
    const made = noise(gridOf(600), 9, 6).field();
    for (let at = 1; at < 600; at++) expect(Math.abs(made[at]! - made[at - 1]!)).toBeLessThan(0.5);
  });

  it("runs along the stroke", () => {
    const along = streaks(grid, 10, 60, 3, new Uint8Array(COUNT)).field();
    const upright = streaks(grid, 10, 60, 3, new Uint8Array(COUNT).fill(1)).field();
    const steps = (field: Float32Array, by: number) => {
      let sum = 0;
      for (let at = 0; at < COUNT - grid.width - 1; at++) sum += Math.abs(field[at + by]! - field[at]!);
      return sum;
    };
    expect(steps(along, grid.width)).toBeGreaterThan(3 * steps(along, 1));
    expect(steps(upright, 1)).toBeGreaterThan(3 * steps(upright, grid.width));
  });

  it("gives a place of a lattice the same number each time, and neighbours unlike ones", () => {
    expect(hashed(3, -5, 7)).toBe(hashed(3, -5, 7));
    const row = Array.from({ length: 400 }, (_, x) => hashed(x, 2, 1));
    expect(new Set(row).size).toBe(400);
    expect(mean(row)).toBeCloseTo(0.5, 1);
    expect(Math.min(...row)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...row)).toBeLessThan(1);
  });
});

describe("a blur", () => {
  it("keeps what is even as it is, to the border", () => {
    for (const value of blurred(new Float32Array(COUNT).fill(3), grid, 8)) expect(value).toBeCloseTo(3, 4);
  });

  it("spreads a point by about its sigma, and loses none of it", () => {
    const point = new Float32Array(COUNT);
    const [row, column] = [32, 48];
    point[row * grid.width + column] = 1;
    const millimetres = 5 * grid.millimetres;
    const soft = blurred(point, grid, millimetres);
    let whole = 0;
    let second = 0;
    soft.forEach((value, index) => {
      whole += value;
      second += value * ((index % grid.width) - column) ** 2;
    });
    expect(whole).toBeCloseTo(1, 3);
    expect(Math.sqrt(second / whole)).toBeCloseTo(5, 0);
  });
});
