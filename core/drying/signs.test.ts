import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { signOf } from "./signs.ts";

const find = (id: string) => CATALOGUE.find((material) => material.id === id)!;

describe("the sign beside the clock", () => {
  it.each([
    ["crackle medium is ready when milky with hair lines", "tack", "crackle-medium", /milky with hair lines/],
    ["size whistles under a knuckle", "tack", "leaf-size", /whistles under a knuckle/],
    ["paint ready for a clear coat is warm, not cold", "before clear", "chalk-slate", /warm, not cold/],
    ["wax is ready to buff when its colour has lightened", "buff", "wax-dark", /lightened/],
    ["dry paint is matt against the light", "touch", "chalk-slate", /matt against the light/],
  ] as const)("%s", (_fact, stage, material, says) => {
    expect(signOf(stage, find(material))).toMatch(says);
  });
});
