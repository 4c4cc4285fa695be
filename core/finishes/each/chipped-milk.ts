import { finish } from "../finish.ts";
import { chips } from "../moves/crack.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "chipped-milk",
  name: "Chipped milk paint",
  is: "Milk paint flaked off a wax resist in patches, down to an older colour.",
  suits: "Farmhouse pieces: cupboards, benches, boxes. Not where clothes rub.",
  looks: ["chipped", "coloured"],
  practice: "some practice",
  panels: ["drawer", "plain", "box"],
  materials: { under: "milk-ochre", top: "milk-bottle-green" },
  moves: ({ under, top }) => [
    colour("under", under, "The older colour, that the chips show."),
    chips("top", top, 0.8),
    end({ fragile: true }),
  ],
  variants: [
    { id: "curd", name: "Curd white over barn red", materials: { under: "milk-barn-red", top: "milk-curd" } },
    { id: "soot", name: "Soot black over curd white", materials: { under: "milk-curd", top: "milk-soot" } },
  ],
  schools: [
    { rule: "chippyMilk", says: "Some mist a clear coat over it instead of pressing wax in." },
    { rule: "milkRecoat", says: "Some recoat milk paint after two hours, not the next morning." },
  ],
  pitfalls: [
    "A brush dragged over loose flakes takes them off: never brush a clear coat on.",
    "Where the wax is forgotten, nothing chips.",
  ],
  shows: [
    { on: "field", layers: ["top"], least: 0.75, most: 1 },
    { on: "field", layers: ["under"], least: 0, most: 0.25 },
  ],
  days: [0.4, 10],
});
