import { finish } from "../finish.ts";
import { embossed } from "../moves/crack.ts";
import { end } from "../moves/end.ts";
import { colour, glaze } from "../moves/lay.ts";

export default finish({
  id: "embossed-bronze",
  name: "Embossed and bronzed",
  is: "A raised pattern in green, bronze on its peaks and umber in its ground.",
  suits: "Drawer fronts, panels and boxes without carving of their own.",
  looks: ["textured", "metal", "dark"],
  practice: "practised",
  panels: ["box", "drawer", "top"],
  materials: { base: "mineral-bottle", bronze: "wax-metallic-bronze", dirt: "glaze-umber" },
  moves: ({ base, bronze, dirt }) => [
    embossed("paste"),
    colour("base", base, "Colours the pattern and its ground alike."),
    colour("bronze", bronze, "Catches the peaks only.", { how: "dry-brush", coats: 2, amount: { kind: "heavy" } }),
    glaze("dirt", dirt, "wipe-back", "Settles in the ground and dulls the bronze."),
    end({ matt: true }),
  ],
  variants: [{ id: "black", name: "Bronze over ebony", materials: { base: "tint-base-ebony" } }],
  schools: [],
  pitfalls: ["Roll while the paste is soft, a quarter of an hour.", "Thick paste cracks as it dries."],
  shows: [{ on: "field", layers: ["base"], least: 0.6, most: 0.9 }],
  days: [1.3, 6],
});
