import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { broken, colour } from "../moves/lay.ts";

export default finish({
  id: "stone",
  name: "Sponged stone",
  is: "Putty, linen and slate sponged and spattered until no colour is on top.",
  suits: "Plinths, table tops, fire surrounds.",
  looks: ["pale", "textured"],
  practice: "first time",
  panels: ["top", "disc", "box"],
  materials: { base: "home-chalk-putty", light: "clay-linen", dark: "chalk-slate", specks: "chalk-lamp-black" },
  moves: (own) => [
    colour("base", own.base, "The body of the stone."),
    broken("light", "sponge", own.light, "Damp sponge, turned at every dab.", { over: 0.7 }),
    broken("dark", "sponge", own.dark, "Less of it: drifts, not dots.", { over: 0.3, amount: { kind: "light" } }),
    broken("specks", "spatter", own.specks, "Specks, as in granite.", { over: 0.8 }),
    end({ matt: true }),
  ],
  variants: [{ id: "warm", name: "Warm stone: mustard for slate", materials: { dark: "chalk-mustard" } }],
  schools: [],
  pitfalls: ["Three colours close to each other read as stone; far apart, as camouflage."],
  shows: [{ on: "field", layers: ["base", "light"], least: 0.75, most: 1 }],
  days: [0.4, 3],
});
