import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { LedgerEvent } from "./event.ts";
import { find } from "./find.ts";

const job = (id: string, title: string, steps: Parameters<typeof examplePlan>[0]["steps"], client?: string): Plan => ({
  ...examplePlan({ shows: `${title} crust`, ground: "raw timber", steps }),
  id,
  title,
  ...(client ? { client } : {}),
});

const settle = job(
  "settle",
  "Carved settle",
  [
    ["brush", "chalk-slate", { coats: 2 }],
    ["brush", "chalk-bone-white", { intents: ["chips"] }],
    ["wax", "wax-dark"],
  ],
  "Quay chandlers",
);
const stool = job("stool", "Harbour stool", [
  ["brush", "mineral-oyster"],
  ["brush", "glaze-umber"],
]);

let lines = 0;
const line = (more: object): LedgerEvent =>
  LedgerEvent.parse({ id: `line-${++lines}`, at: Date.UTC(2026, 10, 2), offset: 0, on: [], ...more });
const noted = line({ kind: "note", text: "Thinned the slate with a capful of water" });
const shop = [
  { plan: settle, events: [noted, line({ kind: "trouble", trouble: "runs" })] },
  { plan: stool, events: [] },
];

const answers = (asked: string) => find(asked, shop).map(({ planId, what }) => `${planId}: ${what}`);

describe("what was that colour, and how was it done", () => {
  it("a material is found by its name, with how it was laid", () => {
    const [first] = find("slate chalk", shop);
    expect(first).toMatchObject({ planId: "settle", title: "Carved settle", client: "Quay chandlers" });
    expect(first!.what).toMatch(/slate/i);
    expect(first!.how).toMatch(/× 2/);
    expect(first!.colour).toMatch(/^#[0-9a-f]{6}$/);
  });

  it("all words count: of another job's colour nothing is found", () => {
    expect(answers("slate settle").length).toBeGreaterThan(0);
    expect(answers("slate stool")).toEqual([]);
    expect(answers("  ")).toEqual([]);
  });

  it("however it is written", () => {
    expect(answers("SLATE")).toEqual(answers("slate"));
  });

  it("a colour finds what comes near it, the nearest first, in every job", () => {
    const slate = settle.pinned.materials.find(({ id }) => id === "chalk-slate")!;
    const found = find(slate.colour, shop);
    expect(found[0]).toMatchObject({ planId: "settle", distance: 0 });
    expect(find(slate.colour.slice(1), shop)).toEqual(found);
    const distances = found.map(({ distance }) => distance);
    expect(distances).toEqual([...distances].sort((a, b) => a - b));
    expect(find("#ff00ff", shop)).toEqual([]);
  });

  it("a colour and a word find what is both", () => {
    const oyster = stool.pinned.materials.find(({ id }) => id === "mineral-oyster")!;
    expect(find(`${oyster.colour} stool`, shop).every(({ planId }) => planId === "stool")).toBe(true);
  });

  it("what was written at the bench is found by its words, with the line that says it", () => {
    const [found] = find("capful", shop);
    expect(found).toMatchObject({ planId: "settle", lineId: noted.id, what: noted.kind === "note" ? noted.text : "" });
    expect(find("runs", shop).some(({ lineId }) => lineId !== null)).toBe(true);
  });

  it("a look is found by what the trade calls it", () => {
    expect(find("chippy", shop).map(({ planId }) => planId)).toContain("settle");
    expect(find("chippy", shop).map(({ planId }) => planId)).not.toContain("stool");
  });

  it("a client is found by name", () => {
    expect(find("chandlers", shop).every(({ planId }) => planId === "settle")).toBe(true);
  });

  it("however much there is, no more than one reads", () => {
    const many = Array.from({ length: 100 }, (_, index) => ({ plan: { ...settle, id: `s${index}` }, events: [] }));
    expect(find("slate", many).length).toBeLessThanOrEqual(60);
  });
});
