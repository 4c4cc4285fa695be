import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { RELIEF_CLASSES } from "../plan/plan.ts";
import { CONSUMABLES } from "../quantity/consumables.ts";
import type { Technique } from "./technique.ts";
import { findTechnique, TECHNIQUES, techniquesFor } from "./techniques.ts";

const named = (id: string): Technique => {
  const technique = findTechnique(id);
  if (!technique) throw new Error(id);
  return technique;
};

describe("how things are done", () => {
  it("each has an id and a name of its own, and words for the bench in whole lines", () => {
    expect(new Set(TECHNIQUES.map(({ id }) => id)).size).toBe(TECHNIQUES.length);
    expect(new Set(TECHNIQUES.map(({ name }) => name)).size).toBe(TECHNIQUES.length);
    for (const { id, name, hint, bench } of TECHNIQUES) {
      expect(id).toMatch(/^[a-z0-9-]+$/);
      expect(name, id).toMatch(/^[A-Z0-9]/);
      expect(hint, id).not.toMatch(/\.$/);
      for (const line of [...bench.normal, ...bench.stop]) expect(line, id).toMatch(/^[A-Z]/);
    }
  });

  it("takes time, loses some and not all of it, and uses up what there is", () => {
    for (const { id, minutesPerSquareMetre, setUp, loss, covers, load, uses, rubbing, profile } of TECHNIQUES) {
      expect(minutesPerSquareMetre, id).toBeGreaterThanOrEqual(0);
      expect(setUp, id).toBeGreaterThanOrEqual(0);
      expect(loss, id).toBeGreaterThanOrEqual(0);
      expect(loss, id).toBeLessThan(2);
      expect(covers, id).toBeGreaterThan(0);
      expect(covers, id).toBeLessThanOrEqual(1);
      expect(load, id).toBeGreaterThanOrEqual(0);
      expect(rubbing, id).toBeGreaterThanOrEqual(0);
      expect(rubbing, id).toBeLessThanOrEqual(1);
      for (const use of uses) expect(CONSUMABLES[use], `${id}: ${use}`).toBeDefined();
      for (const relief of RELIEF_CLASSES) expect(profile[relief], id).toBeGreaterThanOrEqual(0);
    }
  });

  it("what lays is a coat and reaches something; what only takes or prepares lays nothing", () => {
    for (const { id, lays, kind, profile } of TECHNIQUES) {
      if (lays.length > 0) expect(Math.max(...RELIEF_CLASSES.map((relief) => profile[relief])), id).toBeGreaterThan(0);
      if (kind === "take" || kind === "inspect") expect(lays, id).toEqual([]);
      if (kind === "coat") expect(lays.length, id).toBeGreaterThan(0);
    }
  });

  it("every material but pigment, which is only stirred in, can be laid, and none in a way that is not for its kind", () => {
    for (const material of CATALOGUE) {
      const ways = techniquesFor(material);
      expect(ways.length > 0, material.name).toBe(material.role !== "pigment");
      for (const way of ways) expect(way.lays, `${material.name} by ${way.id}`).toContain(material.role);
    }
  });

  it("is not found by a name that nobody gave it", () => {
    for (const name of ["", "fly", "constructor", "__proto__", "Brush"]) expect(findTechnique(name)).toBeUndefined();
  });
});

// Facts of the trade, common practice.
describe("what a painter knows of them", () => {
  it("a dry brush and a finger touch what stands proud and leave the grooves as they are", () => {
    for (const id of ["dry-brush", "finger"]) {
      const { profile } = named(id);
      expect(profile.high, id).toBeGreaterThan(profile.recess);
      expect(profile.recess, id).toBe(0);
    }
  });

  it("a wash and a wax lie thickest in the grooves, a brush a little, and thinnest over the arrises", () => {
    for (const id of ["wash", "wax", "brush"]) {
      const { profile } = named(id);
      expect(profile.recess, id).toBeGreaterThan(profile.field);
      expect(profile.arris, id).toBeLessThan(profile.field);
    }
    expect(named("wash").profile.recess).toBeGreaterThan(named("brush").profile.recess);
  });

  it("a spray wastes more than a roller, and rubs up nothing", () => {
    expect(named("spray").loss).toBeGreaterThan(named("roller").loss);
    expect(named("spray").rubbing).toBe(0);
  });

  it("a brush works what lies beneath less than a damp rag", () => {
    expect(named("brush").rubbing).toBeLessThan(named("wet-distress").rubbing);
  });

  it("rubbing back damp wets with water; wiping off with spirit does not", () => {
    expect(named("wet-distress").wets).toBe("water");
    for (const { id, wets, name } of TECHNIQUES)
      if (/dry/i.test(name) && wets !== null) expect(`${id} is dry and wets with ${wets}`).toBe("");
  });

  it("spraying and gilding are for those who can", () => {
    expect(named("spray").skill).toBe("spray");
    expect(named("lay-leaf").skill).toBe("gilding");
    expect(named("brush").skill).toBeNull();
  });

  it("a stencil prints a design and covers less than the face; a coat covers it", () => {
    expect(named("stencil")).toMatchObject({ prints: true });
    expect(named("stencil").covers).toBeLessThan(0.7);
    expect(named("brush").covers).toBe(1);
  });

  it("what raises dust, fumes or heat says so", () => {
    expect(named("sand-150").hazards).toContain("dust");
    expect(TECHNIQUES.filter(({ hazards }) => hazards.includes("heat")).length).toBeGreaterThan(0);
    for (const { id, effects, hazards } of TECHNIQUES)
      if (effects.some(({ does }) => does === "abrade") && /sand/.test(id) && !/wet/.test(id))
        expect(hazards, id).toContain("dust");
  });

  it("lying and standing take no hands; anything else does", () => {
    for (const { id, hands, kind } of TECHNIQUES) if (!hands) expect(kind, id).not.toBe("coat");
    expect(named("brush").hands).toBe(true);
  });
});
