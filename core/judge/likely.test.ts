import { describe, expect, it } from "vitest";
import { buildFinish } from "../finishes/build.ts";
import { FINISHES } from "../finishes/finishes.ts";
import { sampleSite } from "../finishes/sample.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { groundOf } from "../plan/ground.ts";
import type { Use } from "../plan/plan.ts";
import { findTechnique } from "../surface/techniques.ts";
import { type Follows, likelyNext } from "./likely.ts";

const DAILY: Use = { wear: "daily", water: "splashes", heat: false, outdoors: false, near: "nothing" };
const material = (id: string) => CATALOGUE.find((material) => material.id === id)!;
const afterOne = (how: string, what?: string) =>
  likelyNext({ technique: findTechnique(how)!, material: what ? material(what) : null }).map(nameOf);
const nameOf = (follows: Follows) => ("role" in follows ? follows.role : follows.technique);

describe("what usually comes next", () => {
  it("is what a painter would do: clean the bare piece, buff wax, lay leaf on size, wipe a glaze", () => {
    expect(likelyNext(null).map(nameOf)[0]).toBe("clean");
    expect(afterOne("wax", "wax-clear")[0]).toBe("buff");
    expect(afterOne("brush", CATALOGUE.find(({ role }) => role === "size")!.id)).toEqual(["leaf"]);
    expect(afterOne("brush", CATALOGUE.find(({ role }) => role === "glaze")!.id)[0]).toBe("wipe-back");
  });

  it("holds in the finishes of the trade: nine steps of ten are among what is named, on bare pine and on varnish", () => {
    let steps = 0;
    const missed: string[] = [];
    for (const ground of ["raw timber", "varnished timber"] as const)
      for (const finish of FINISHES) {
        const { crust, materials } = buildFinish(sampleSite(finish.panels[0], groundOf(ground, "pine"), DAILY), {
          finish,
        });
        let beneath: Parameters<typeof likelyNext>[0] = null;
        for (const { how, what } of crust.steps) {
          const technique = findTechnique(how)!;
          const laid = materials.find(({ id }) => id === what) ?? null;
          // waits and looks may come anywhere
          if (technique.kind === "hold" || technique.kind === "inspect") continue;
          const own = laid?.role ?? how;
          steps++;
          if (!likelyNext(beneath).some((follows) => nameOf(follows) === own))
            missed.push(`${own} after ${beneath?.material?.role ?? beneath?.technique.id ?? "the ground"}`);
          beneath = { technique, material: laid };
        }
      }
    expect(steps).toBeGreaterThan(200);
    expect(missed.length / steps, [...new Set(missed)].join(", ")).toBeLessThan(0.1);
  });
});
