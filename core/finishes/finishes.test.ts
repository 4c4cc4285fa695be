import { existsSync, readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { shownOnSurface } from "../board/shares.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { type Ground, groundOf } from "../plan/ground.ts";
import { DEFAULT_HOUSE_RULES, type HouseRules, SCHOOLS } from "../plan/house-rules.ts";
import type { Use } from "../plan/plan.ts";
import { DAY } from "../units/units.ts";
import { type Built, buildFinish, type Site } from "./build.ts";
import type { Finish } from "./finish.ts";
import { FINISHES, findFinish } from "./finishes.ts";
import { pictureOf } from "./picture.ts";
import { sampleSite } from "./sample.ts";

const GROUNDS: Readonly<Record<string, Ground>> = {
  "raw pine": groundOf("raw timber", "pine"),
  "raw oak": groundOf("raw timber", "oak"),
  "varnished pine": groundOf("varnished timber", "pine"),
  "old paint": { ...groundOf("old paint"), lead: "none found" },
  laminate: groundOf("laminate"),
  fibreboard: groundOf("fibreboard"),
  iron: groundOf("ferrous metal"),
};
const LIFE = { heat: false, outdoors: false, near: "nothing" } as const;
const USES: Readonly<Record<string, Use>> = {
  "to look at": { ...LIFE, wear: "display", water: "dry" },
  "used daily": { ...LIFE, wear: "daily", water: "splashes" },
  "knocked about": { ...LIFE, wear: "hard", water: "standing" },
};
const HOUSES: Readonly<Record<string, HouseRules>> = {
  "a waxing house": DEFAULT_HOUSE_RULES,
  "a house of films": {
    ...DEFAULT_HOUSE_RULES,
    end: "film",
    ground: "cleaned",
    waitBeforeClear: "touch dry",
    milkRecoat: "label, 2 h",
    chippyMilk: "sprayed clear",
    porousGlaze: "film",
    glazeWait: "when dry",
    darkWax: "straight on the paint",
    buff: "next day",
  },
};

function site(finish: Finish, ground: Ground, use: Use, houseRules: HouseRules): Site {
  const made = sampleSite(finish.panels[0], ground, use);
  return { ...made, pinned: { ...made.pinned, houseRules } };
}

const on = (id: string, ground: keyof typeof GROUNDS, use = "used daily", house = "a waxing house"): Built => {
  const finish = findFinish(id)!;
  return buildFinish(site(finish, GROUNDS[ground]!, USES[use]!, HOUSES[house]!), { finish });
};
const order = ({ crust }: Built) => crust.steps.map(({ how, what }) => what ?? how);

/** What is wrong with a built finish, in words; empty for one that holds. */
function wrong(finish: Finish, { judged, stops }: Built): string[] {
  const shown = shownOnSurface(judged.after);
  const days = judged.done / DAY;
  return [
    ...stops.map(({ rule, title }) => `${rule}: ${title}`),
    ...judged.unreadable.map(({ because }) => because),
    ...finish.shows.flatMap(({ on: relief, layers, least, most }) => {
      const share = layers.reduce((sum, layer) => sum + (shown[relief].get(layer) ?? 0), 0);
      return share < least || share > most ? [`${layers.join(", ")} on ${relief}: ${share.toFixed(2)}`] : [];
    }),
    ...(days < finish.days[0] || days > finish.days[1] ? [`takes ${days.toFixed(1)} days`] : []),
  ];
}

describe("every finish, on any ground, for any use, in any house", () => {
  it.each(FINISHES.map((finish) => [finish.name, finish] as const))(
    "has no stop, shows what it is meant to and takes the days it says: %s",
    (_name, finish) => {
      const found: string[] = [];
      for (const [ground, own] of Object.entries(GROUNDS))
        for (const [life, use] of Object.entries(USES))
          for (const [house, rules] of Object.entries(HOUSES)) {
            const built = buildFinish(site(finish, own, use, rules), { finish });
            found.push(...wrong(finish, built).map((says) => `${ground}, ${life}, ${house}: ${says}`));
            for (const { id } of built.crust.steps) if (!built.reasons.has(id)) found.push(`${id} has no reason`);
          }
      expect(found).toEqual([]);
    },
  );

  it.each(
    FINISHES.flatMap((finish) => finish.variants.map(({ id, name }) => [finish.name, name, finish, id] as const)),
  )("in its other colours too: %s, %s", (_name, _variant, finish, variant) => {
    const built = buildFinish(sampleSite(finish.panels[0]), { finish, variant });
    expect(built.stops).toEqual([]);
    expect(built.judged.unreadable).toEqual([]);
    expect(built.crust.name).not.toBe(finish.name);
  });

  it.each([5, 14, 30])("in a room of %i °C too", (celsius) => {
    for (const finish of FINISHES) {
      const made = sampleSite(finish.panels[0]);
      const built = buildFinish(
        { ...made, pinned: { ...made.pinned, room: { ...made.pinned.room, celsius, relativeHumidity: 60 } } },
        { finish },
      );
      // a room too cold for any water-borne film is a stop that no crust can mend
      const rules = new Set(built.stops.map(({ rule }) => rule));
      if (celsius < 10) expect([...rules], finish.name).toContain("E2");
      else expect([...rules], finish.name).toEqual([]);
    }
  });
});

describe("the piece decides how it is prepared", () => {
  it("old varnish is cleaned and scuffed, or only cleaned where the house does that", () => {
    expect(order(on("worn-to-dark", "varnished pine")).slice(0, 2)).toEqual(["clean", "scuff"]);
    const only = order(on("worn-to-dark", "varnished pine", "used daily", "a house of films"));
    expect(only[0]).toBe("clean");
  });

  it("oak is blocked in two coats before pale paint", () => {
    const [first] = on("waxes-only", "raw oak").crust.steps;
    expect(first).toMatchObject({ what: "stain-block-shellac", coats: 2 });
    expect(order(on("waxes-only", "raw pine"))).not.toContain("stain-block-shellac");
  });

  it("laminate gets a bonding primer in two coats, and iron a metal one", () => {
    expect(on("stone", "laminate").crust.steps.find(({ what }) => what === "bonding-primer")).toMatchObject({
      coats: 2,
    });
    expect(order(on("stone", "iron"))).toContain("metal-primer");
  });

  it("fibreboard has its edges sealed first", () => {
    expect(order(on("combed", "fibreboard"))[0]).toBe("fill-edges");
  });

  it("flaking paint is sanded off where it is loose", () => {
    const ground: Ground = { ...GROUNDS["old paint"]!, soundness: "flaking" };
    const finish = findFinish("stone")!;
    const built = buildFinish(site(finish, ground, USES["used daily"]!, DEFAULT_HOUSE_RULES), { finish });
    expect(built.stops).toEqual([]);
  });

  it("paint that may hold lead is not sanded dry", () => {
    const finish = findFinish("worn-to-timber")!;
    const old: Ground = { ...groundOf("old paint"), age: "before 1978" };
    const built = buildFinish(site(finish, old, USES["to look at"]!, DEFAULT_HOUSE_RULES), { finish });
    const first = built.crust.steps.slice(
      0,
      built.crust.steps.findIndex(({ what }) => what !== undefined),
    );
    expect(first.map(({ how }) => how).filter((how) => /sand|scuff/.test(how))).toEqual([]);
    expect(built.stops).toEqual([]);
  });
});

describe("the life of the piece and the house decide how it ends", () => {
  it("what is knocked about ends in a hard film, whatever the house likes", () => {
    for (const finish of FINISHES) {
      const built = on(finish.id, "raw pine", "knocked about");
      const last = built.crust.steps.findLast(({ what }) => what !== undefined)!;
      expect(["polyurethane-water", "varnish-heat"], finish.name).toContain(last.what);
    }
  });

  it("a house that ends in film lays no wax over the paint", () => {
    for (const finish of FINISHES)
      expect(
        on(finish.id, "raw pine", "used daily", "a house of films").crust.steps.filter(({ how }) => how === "wax"),
        finish.name,
      ).toEqual([]);
  });

  it("dark wax goes over clear, or straight on where the house does that", () => {
    expect(order(on("waxes-only", "raw pine")).filter((id) => id.startsWith("wax"))).toEqual(["wax-clear", "wax-dark"]);
    const finish = findFinish("waxes-only")!;
    const straight = { ...DEFAULT_HOUSE_RULES, darkWax: "straight on the paint" } as const;
    const built = buildFinish(site(finish, GROUNDS["raw pine"]!, USES["to look at"]!, straight), { finish });
    expect(order(built).filter((id) => id.startsWith("wax"))[0]).toBe("wax-dark");
  });

  it("cups on it: the film is one that stands heat", () => {
    const finish = findFinish("driftwood")!;
    const hot: Use = { ...USES["used daily"]!, heat: true };
    const built = buildFinish(site(finish, GROUNDS["raw pine"]!, hot, DEFAULT_HOUSE_RULES), { finish });
    expect(order(built).at(-1)).toBe("varnish-heat");
    expect(built.judged.findings.filter(({ rule }) => rule === "U1")).toEqual([]);
  });
});

describe("the shelf", () => {
  it("plays a part with what is there, if it is the same kind in nearly the colour", () => {
    const finish = findFinish("dark-and-gilt")!;
    const like = { ...CATALOGUE.find(({ id }) => id === "mineral-oyster")!, id: "own-shell", colour: "#d1cbbe" };
    const made = { ...sampleSite("carved"), catalogue: [...CATALOGUE, like] };
    expect(order(buildFinish(made, { finish, shelf: new Set(["own-shell"]) }))).toContain("own-shell");
    expect(order(buildFinish(made, { finish, shelf: new Set(["chalk-mustard"]) }))).toContain("mineral-oyster");
  });

  it("in another order makes the same crust", () => {
    const shelf = CATALOGUE.map(({ id }) => id).filter((_, index) => index % 2 === 0);
    for (const finish of FINISHES) {
      const made = sampleSite(finish.panels[0]);
      const built = buildFinish(made, { finish, shelf: new Set(shelf) });
      const two = buildFinish(
        { ...made, catalogue: [...CATALOGUE].reverse() },
        { finish, shelf: new Set([...shelf].reverse()) },
      );
      expect(two.crust, finish.name).toEqual(built.crust);
    }
  });
});

describe("the list of finishes", () => {
  it("has every file of its folder, each with three pictures of the board", () => {
    const files = readdirSync(new URL("each", import.meta.url)).map((file) => file.replace(".ts", ""));
    expect(
      FINISHES.map(({ id }) => id),
      "run `npm run boards`",
    ).toEqual(files.sort());
    expect(FINISHES.length).toBeGreaterThanOrEqual(24);
    for (const finish of FINISHES) {
      expect(new Set(finish.panels).size).toBe(3);
      for (const panel of finish.panels)
        expect(
          existsSync(`public${pictureOf(finish, panel)}`),
          `run \`npm run boards\`: ${finish.id} on ${panel}`,
        ).toBe(true);
    }
  });

  it("names layers that its moves lay, and house rules that exist", () => {
    for (const finish of FINISHES) {
      const built = on(finish.id, "raw pine", "to look at");
      const film = on(finish.id, "raw pine", "to look at", "a house of films");
      const keys = new Set([...built.reasons.keys(), ...film.reasons.keys(), "ground"]);
      for (const { layers } of finish.shows) for (const layer of layers) expect(keys, finish.name).toContain(layer);
      for (const { rule } of finish.schools) expect(Object.keys(SCHOOLS)).toContain(rule);
    }
  });
});
