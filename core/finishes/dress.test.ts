import { describe, expect, it } from "vitest";
import { applyCommands } from "../edit/apply.ts";
import { checkPlan } from "../exchange/plan-file.ts";
import { judge } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { groundOf } from "../plan/ground.ts";
import { PIECE_KITS, zonesFromKit } from "../plan/kits.ts";
import { type Plan, zonesOf } from "../plan/plan.ts";
import { DEFAULT_SHOP } from "../plan/shop.ts";
import { examplePlan } from "../rules/example.ts";
import { aroundOf } from "../schedule/plan-of-work.ts";
import { EMPTY_BOOK } from "../shelf/book.ts";
import { readWallTime } from "../units/wall-time.ts";
import { type Dressed, dress, zonesToDress } from "./dress.ts";
import { factsOf, type InShop } from "./facts.ts";
import { FINISHES, findFinish } from "./finishes.ts";

function pieceOf(kitId: string, ground = groundOf("raw timber", "pine")): Plan {
  let made = 0;
  const kit = PIECE_KITS.find(({ id }) => id === kitId)!;
  const empty = examplePlan({ shows: "nothing yet", ground: "raw timber", steps: [] });
  const zones = zonesFromKit(
    kit,
    kit.sizes.map(({ usual }) => usual),
    { crustId: "c1", ground, newId: () => `z${++made}` },
  );
  return { ...empty, pieces: [{ id: "p1", name: kit.name, zones }] };
}

const IN_SHOP: InShop = {
  shop: DEFAULT_SHOP,
  around: aroundOf(DEFAULT_SHOP, []),
  book: EMPTY_BOOK,
  pots: [],
  others: [],
  today: readWallTime("2026-11-28T09:00")!,
};

function dressed(plan: Plan, id: string, zoneIds: string[] = []): Dressed {
  const made = dress(plan, zonesToDress(plan, zoneIds), { finish: findFinish(id)! }, CATALOGUE);
  if ("refused" in made) throw new Error(made.refused);
  return made;
}

describe("a finish laid on a piece", () => {
  it.each(PIECE_KITS.map(({ id, name }) => [name, id] as const))(
    "holds on every zone of a standard piece: %s",
    (_name, kit) => {
      for (const finish of FINISHES) {
        const made = dressed(pieceOf(kit), finish.id);
        expect(
          made.stops.map(({ title }) => title),
          finish.name,
        ).toEqual([]);
        expect(checkPlan(made.plan).ok, finish.name).toBe(true);
      }
    },
  );

  it("leaves the knobs of a chest as they are", () => {
    const { plan } = dressed(pieceOf("chest"), "worn-to-dark");
    const knobs = zonesOf(plan).find(({ name }) => name === "Knobs")!;
    expect(plan.crusts.find(({ id }) => id === knobs.crustId)!.steps).toEqual([]);
  });

  it("prepares zones that are made of other things in crusts of their own", () => {
    const plan = pieceOf("chest");
    const [carcass, ...rest] = zonesOf(plan);
    const mixed: Plan = {
      ...plan,
      pieces: [{ ...plan.pieces[0]!, zones: [{ ...carcass!, ground: groundOf("laminate") }, ...rest] }],
    };
    const { plan: after } = dressed(mixed, "stone");
    const of = (zoneId: string) =>
      after.crusts.find(({ id }) => id === zonesOf(after).find((zone) => zone.id === zoneId)!.crustId)!;
    expect(of(carcass!.id).steps.map(({ what }) => what)).toContain("bonding-primer");
    expect(of(rest[0]!.id).steps.map(({ what }) => what)).not.toContain("bonding-primer");
    expect(judge(after).counts.stop).toBe(0);
  });

  it("takes zones that are named, and lets the others be", () => {
    const plan = dressed(pieceOf("chest"), "stone").plan;
    const top = zonesOf(plan).find(({ name }) => name === "Top")!;
    const { plan: after } = dressed(plan, "driftwood", [top.id]);
    const crustOf = (one: Plan, name: string) =>
      one.crusts.find(({ id }) => id === zonesOf(one).find((zone) => zone.name === name)!.crustId)!;
    expect(crustOf(after, "Top").name).toBe("Driftwood");
    expect(crustOf(after, "Carcass")).toEqual(crustOf(plan, "Carcass"));
  });

  it("is one edit that can be undone", () => {
    const plan = pieceOf("cabinet");
    const { commands, plan: after } = dressed(plan, "many-coats");
    const done = applyCommands(plan, commands);
    expect(done.ok && done.plan).toEqual(after);
    const undone = applyCommands(after, done.ok ? done.inverse : []);
    expect(undone).toMatchObject({ ok: true, plan });
  });

  it("removes the empty crust that a new job begins with", () => {
    expect(dressed(pieceOf("box"), "stone").plan.crusts.map(({ steps }) => steps.length)).not.toContain(0);
  });

  it("keeps the label of the shop's own tin", () => {
    const plan = pieceOf("box");
    const own = { ...CATALOGUE.find(({ id }) => id === "home-chalk-putty")!, colour: "#b0a080" };
    const { plan: after } = dressed({ ...plan, pinned: { ...plan.pinned, materials: [own] } }, "stone");
    expect(after.pinned.materials.find(({ id }) => id === own.id)).toEqual(own);
  });
});

describe("what it comes to", () => {
  it("hands-on time, a date in the shop's hours, and everything to buy for an empty shelf", () => {
    const facts = factsOf(dressed(pieceOf("chest"), "worn-to-dark"), IN_SHOP);
    expect(facts.handsOn).toBeGreaterThan(120);
    expect(facts.leaves).toBeGreaterThan(readWallTime("2026-11-30T09:00")!);
    expect(facts.buy.map(({ name }) => name)).toContain("Dark wax");
    expect(facts.stops).toEqual([]);
  });

  it("more coats take more hands and leave later", () => {
    const of = (id: string) => factsOf(dressed(pieceOf("settle"), id), IN_SHOP);
    const [few, many] = [of("waxes-only"), of("many-coats")];
    expect(many.handsOn).toBeGreaterThan(few.handsOn);
    expect(many.leaves!).toBeGreaterThan(few.leaves!);
    expect(many.coats).toBeGreaterThan(few.coats);
  });
});
