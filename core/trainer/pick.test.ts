import { describe, expect, it } from "vitest";
import type { DrillSource } from "./drill.ts";
import { type Known, pickNext } from "./pick.ts";

const source = (id: string, kind: DrillSource["kind"], family: string): DrillSource => ({
  id,
  kind,
  family,
  make: () => null,
});
const SOURCES = [
  source("fault/W1", "fault", "Wax"),
  source("fault/G1", "fault", "Glaze"),
  source("wait/chalk", "wait", "Waits and windows"),
  source("mix/slate", "mix", "Mixing"),
];
const known = (id: string, change: Partial<Known>): Known => ({
  id,
  kind: "fault",
  family: "Wax",
  due: 0,
  seen: 1,
  right: 1,
  ...change,
});
const NOW = 1_000_000;

describe("what is practised next", () => {
  it("what is due comes before anything new, the longest due first", () => {
    const picked = pickNext(
      SOURCES,
      [known("fault/W1", { due: NOW - 5 }), known("fault/G1", { due: NOW - 50, family: "Glaze" })],
      NOW,
    );
    expect(picked?.id).toBe("fault/G1");
  });

  it("what is not due yet waits, and something new of the least practised kind comes", () => {
    const picked = pickNext(SOURCES, [known("fault/W1", { due: NOW + 5, seen: 3, right: 3 })], NOW);
    expect(picked?.kind).not.toBe("fault");
  });

  it("a family that went wrong comes back with something new of it", () => {
    const list = [
      known("fault/W1", { due: NOW + 5, seen: 1, right: 1 }),
      known("wait/chalk", { kind: "wait", family: "Waits and windows", due: NOW + 5 }),
      known("mix/red", { kind: "mix", family: "Mixing", due: NOW + 5, seen: 1, right: 0 }),
    ];
    expect(pickNext(SOURCES, list, NOW)?.family).toBe("Mixing");
  });

  it("nothing where all of it was seen and nothing is due", () => {
    const all = SOURCES.map(({ id, kind, family }) => known(id, { kind, family, due: NOW + 5 }));
    expect(pickNext(SOURCES, all, NOW)).toBeNull();
    expect(pickNext(SOURCES, [], NOW, new Set(SOURCES.map(({ id }) => id)))).toBeNull();
  });

  it("something that is no longer practised is forgotten", () => {
    expect(pickNext(SOURCES, [known("fault/Z9", { due: 0 })], NOW)?.id).not.toBe("fault/Z9");
  });
});
