import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { broken, colour } from "../moves/lay.ts";
import { scrapeBack } from "../moves/take.ts";

export default finish({
  id: "scraped-metal",
  name: "Scraped iron",
  is: "Black, oxide red and slate dabbed, dragged and scraped, pewter stippled here and there: a boiler-room door.",
  suits: "Plain faces, steel and flat-pack alike.",
  looks: ["metal", "dark"],
  practice: "some practice",
  panels: ["drawer", "plain", "box"],
  materials: { base: "chalk-lamp-black", rust: "chalk-oxide-red", grey: "chalk-slate", pewter: "glaze-pewter" },
  moves: (own) => [
    colour("base", own.base, "The black of old iron."),
    broken("rust", "sponge", own.rust, "Dabbed on in clouds.", { over: 0.75 }),
    broken("grey", "drag", own.grey, "Pulled across with a scraper, so that it breaks.", { over: 0.8 }),
    broken("pewter", "stipple", own.pewter, "A dull gleam here and there.", { over: 0.4, intents: ["stain"] }),
    scrapeBack("scrape", 0.7),
    end({ matt: true, fragile: true }),
  ],
  variants: [{ id: "green", name: "Sea green for slate", materials: { grey: "chalk-sea-green" } }],
  schools: [],
  pitfalls: ["Let every colour dry before the next, or it all turns to mud."],
  shows: [{ on: "field", layers: ["base", "rust", "grey", "pewter"], least: 0.8, most: 1 }],
  days: [0.4, 3],
});
