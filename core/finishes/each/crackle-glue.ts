import { finish } from "../finish.ts";
import { crackle } from "../moves/crack.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "crackle-glue",
  name: "Cracked with white glue",
  is: "Putty emulsion torn wide open over deep green by wet craft glue.",
  suits: "Props, boxes and panels; the cheapest cracks there are.",
  looks: ["cracked"],
  practice: "some practice",
  panels: ["plain", "box", "top"],
  materials: { under: "oil-deep-green", medium: "craft-glue", top: "emulsion-putty" },
  moves: ({ under, medium, top }) => [
    colour("under", under, "What the cracks show; it must not drink the glue."),
    crackle(medium, "top", top),
    end({ fragile: true }),
  ],
  variants: [{ id: "blue", name: "Putty over storm blue", materials: { under: "mineral-storm" } }],
  schools: [],
  pitfalls: [
    "The glue has to be wet: work a part of a face at a time.",
    "Few strokes. Each one more closes the cracks.",
  ],
  shows: [
    { on: "field", layers: ["under", "medium"], least: 0.05, most: 0.3 },
    { on: "field", layers: ["top"], least: 0.65, most: 0.95 },
  ],
  days: [2.4, 5],
});
