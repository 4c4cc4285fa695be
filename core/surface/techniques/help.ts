import { type Row, technique } from "../technique.ts";

const help = <const Id extends string>(row: Omit<Row, "kind"> & { id: Id }) => technique({ ...row, kind: "help" });
const handle = <const Id extends string>(row: Omit<Row, "kind" | "minutesPerSquareMetre"> & { id: Id }) =>
  technique({ oncePerPiece: true, ...row, kind: "handle", minutesPerSquareMetre: 0 });

/** A spot is no longer cold to the palm after about this long (from memory). */
const DRYER_AT_A_SPOT = 4;

export const HELPING = [
  help({
    id: "mist",
    bench: { tool: "Mister" },
    name: "Mist with water",
    wets: "water",
    minutesPerSquareMetre: 2,
    setUp: 0,
    effects: [{ does: "mist" }],
    hint: "from arm's length, damp, no drops",
  }),
  help({
    id: "hair-dryer",
    bench: { tool: "Hair-dryer", normal: ["It goes matt in patches"], stop: ["The skin wrinkles, or bubbles rise"] },
    name: "Dry with a hair-dryer",
    minutesPerSquareMetre: 20,
    effects: [{ does: "force dry", minutes: DRYER_AT_A_SPOT }],
    hint: "keep it moving, a hand's breadth away, until the surface no longer feels cold",
    sign: "warm, not cold, to the hand",
  }),
  help({
    id: "heat-gun",
    bench: {
      tool: "Heat gun, lowest setting",
      normal: ["It goes matt at once"],
      stop: ["Bubbles, smoke or a smell of burning"],
    },
    name: "Dry with a heat gun",
    minutesPerSquareMetre: 12,
    effects: [{ does: "force dry", minutes: DRYER_AT_A_SPOT }],
    hazards: ["heat"],
    hint: "lowest setting, always moving; never on lead, on wet solvent or on wax",
    sign: "warm, not cold, to the hand",
  }),
  help({
    id: "rest-mix",
    oncePerPiece: true,
    name: "Stir, rest and sieve the mix",
    minutesPerSquareMetre: 0,
    setUp: 15,
    hint: "stir 3–4 min, rest 5–10 min until it thickens, sieve for a smooth mix",
  }),
  help({
    id: "mask",
    name: "Mask",
    minutesPerSquareMetre: 8,
    setUp: 10,
    uses: ["tape"],
    hint: "press the edge down with a thumbnail; pull it off while the paint is soft",
  }),
  help({
    id: "chalk-lines",
    name: "Chalk the layout",
    minutesPerSquareMetre: 6,
    setUp: 5,
    hint: "chalk, never pencil: it wipes off",
  }),
  help({
    id: "tack-off",
    bench: { tool: "Tack cloth, folded" },
    name: "Tack off",
    minutesPerSquareMetre: 3,
    setUp: 2,
    uses: ["tack-cloth"],
    hint: "folded tack cloth, no pressing",
  }),
  help({
    id: "wet-preview",
    name: "Wet a corner to preview",
    minutesPerSquareMetre: 0,
    setUp: 5,
    hint: "a damp cloth shows the waxed look; it lightens again as it dries",
  }),
];

export const INSPECTING = [
  technique({
    id: "look",
    name: "Look and decide",
    kind: "inspect",
    minutesPerSquareMetre: 2,
    setUp: 5,
    hint: "dry, in raking light, from where it will be seen",
  }),
  technique({
    id: "look-wet",
    name: "Look while it is wet",
    kind: "inspect",
    minutesPerSquareMetre: 2,
    setUp: 2,
    hint: "against the light: drips, misses and sags show while it shines; brush them out now or leave them",
    sign: "it still shines wet against the light",
  }),
];

export const HOLDING = [
  technique({
    id: "stand",
    name: "Let it stand",
    kind: "hold",
    minutesPerSquareMetre: 0,
    setUp: 0,
    hands: false,
    hint: "leave it alone; dust settles on what is wet",
  }),
  technique({
    id: "cure",
    name: "Let it cure",
    kind: "hold",
    minutesPerSquareMetre: 0,
    setUp: 0,
    hands: false,
    hint: "gentle use only until it is over",
  }),
];

export const HANDLING = [
  handle({
    id: "hardware-off",
    name: "Hardware off",
    setUp: 15,
    hint: "bag and label it; note hole centres and screw lengths",
  }),
  handle({
    id: "hardware-on",
    name: "Hardware on",
    setUp: 15,
    hint: "screws by hand; the thread must end short of the face",
  }),
  handle({ id: "drawers-out", name: "Drawers out", setUp: 5, hint: "number them on the back" }),
  handle({ id: "drawers-in", name: "Drawers in", setUp: 5, hint: "wax the runners, not the paint" }),
  handle({ id: "top-off", name: "Top off", setUp: 15, hint: "two to lift; note which way round" }),
  handle({ id: "top-on", name: "Top on", setUp: 15, hint: "block-dry first; felt in between" }),
  handle({
    id: "turn-over",
    name: "Turn over",
    setUp: 5,
    hint: "on clean battens; block-dry first",
    sign: "a thumb pressed and twisted leaves no mark",
  }),
];
