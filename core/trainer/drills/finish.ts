import { colourDifference } from "../../colour/difference.ts";
import { buildFinish } from "../../finishes/build.ts";
import type { Finish } from "../../finishes/finish.ts";
import { FINISHES } from "../../finishes/finishes.ts";
import { sampleSite } from "../../finishes/sample.ts";
import { judge } from "../../judge/judge.ts";
import { coloursSeen } from "../../judge/look.ts";
import { next } from "../../judge/next.ts";
import { spokenName } from "../../materials/spoken-name.ts";
import { type Crust, type Plan, RELIEF_CLASSES } from "../../plan/plan.ts";
import { examplePlan } from "../../rules/example.ts";
import { capital } from "../../rules/words.ts";
import { Chance } from "../chance.ts";
import type { Choice, Drill, DrillSource } from "../drill.ts";
import { stackOf, stepChoice } from "../words.ts";

const CHOICES = 4;
const MOST_STEPS = 6;
/** A stack in another order that looks like this is as good (from memory). */
const LOOKS_ALIKE = 4;

/** A finish on its first sample panel as a plan of its own. */
function planOf(finish: Finish, steps?: Crust["steps"]): Plan {
  const site = sampleSite(finish.panels[0]);
  const built = buildFinish(site, { finish });
  const empty = examplePlan({ shows: finish.name, ground: "raw timber", species: "pine", steps: [] });
  return {
    ...empty,
    pinned: { ...empty.pinned, materials: built.materials },
    crusts: [{ id: "c1", name: finish.name, steps: steps ?? built.crust.steps }],
    pieces: [{ ...empty.pieces[0]!, zones: [{ ...site.zone, id: "z1", crustId: "c1" }] }],
  };
}

const plain = { stack: null, colour: null, board: null } as const;
const namesIn = (plan: Plan): string =>
  [
    ...new Set(
      plan.crusts[0]!.steps.flatMap(({ what }) => plan.pinned.materials.find(({ id }) => id === what) ?? []).map(
        spokenName,
      ),
    ),
  ].join(", ");

/** A board and four stacks: which of them gave it. */
function readBoard(finish: Finish, id: string, seed: number): Drill {
  const chance = new Chance(seed);
  const panel = chance.pick(finish.panels);
  const plan = planOf(finish);
  const others = chance.shuffled(FINISHES.filter((one) => one !== finish)).slice(0, CHOICES - 1);
  const choices = chance
    .shuffled([finish, ...others])
    .map((finish): Choice => ({ id: finish.id, says: capital(namesIn(planOf(finish))) }));
  return {
    id,
    kind: "board",
    family: "Reading a board",
    seed,
    ...plain,
    board: { finish: finish.id, panel },
    parts: [{ asks: "Which stack gave this board?", is: "choose", choices }],
    right: [[finish.id]],
    because: `${finish.name}. ${finish.is} From the ground up: ${stackOf(plan)
      .steps.map(({ says }) => says)
      .join("; ")}.`,
  };
}

/** The decorative steps of a finish, shuffled. */
function putInOrder(finish: Finish, id: string, seed: number): Drill | null {
  const chance = new Chance(seed);
  const plan = planOf(finish);
  const { steps } = plan.crusts[0]!;
  if (steps.length < 3 || steps.length > MOST_STEPS) return null;
  const choices = steps.map((step) => stepChoice(step, plan.pinned.materials));
  const right = choices.map((choice) => choice.id);
  let shuffled = chance.shuffled(choices);
  // a question that answers itself is none
  while (shuffled.every((choice, index) => choice.id === right[index])) shuffled = chance.shuffled(choices);
  return {
    id,
    kind: "order",
    family: "Order of work",
    seed,
    ...plain,
    parts: [
      {
        asks: `${finish.name}: put its steps in the order they are done, the first on top.`,
        is: "order",
        choices: shuffled,
      },
    ],
    right: [right],
    because: `${finish.is} ${steps.map(({ note }) => note ?? "").join(" ")}`,
  };
}

/** Another order is as good if nothing stops it and it looks the same. */
function holdsAsWell(finish: Finish, order: readonly string[]): boolean {
  const plan = planOf(finish);
  const { steps } = plan.crusts[0]!;
  const other = planOf(
    finish,
    order.flatMap((id) => steps.find((step) => step.id === id) ?? []),
  );
  const [mine, theirs] = [judge(plan).zones[0]!, judge(other).zones[0]!];
  if (theirs.findings.some(({ severity }) => severity !== "note")) return false;
  const [before, after] = [coloursSeen(mine.after), coloursSeen(theirs.after)];
  return RELIEF_CLASSES.every(
    (relief) => mine.zone.relief[relief] === 0 || colourDifference(before[relief], after[relief]) < LOOKS_ALIKE,
  );
}

/** A half-laid finish: of four materials one can go on now. */
function whatNext(finish: Finish, id: string, seed: number): Drill | null {
  const chance = new Chance(seed);
  const whole = planOf(finish).crusts[0]!.steps;
  if (whole.length < 2) return null;
  const plan = planOf(finish, whole.slice(0, 1 + Math.floor(chance.next() * (whole.length - 1))));
  const options = next(plan, judge(plan).zones[0]!).filter(({ material }) => material !== null);
  const can = options.filter(
    (option) => option.can === "now" && option.severity !== "stop" && option.severity !== "caution",
  );
  const cannot = options.filter((option) => option.can === "never" || option.can === "over" || option.can === "from");
  if (can.length === 0 || cannot.length < CHOICES - 1) return null;
  const good = chance.pick(can);
  // each kind of material once, and none that could go on in another way
  const open = new Set(can.map(({ material }) => material!.family));
  const bad = chance
    .shuffled(cannot.filter(({ material }) => !open.has(material!.family)))
    .filter(
      (option, index, all) => all.findIndex((other) => other.material!.family === option.material!.family) === index,
    )
    .slice(0, CHOICES - 1);
  if (bad.length < CHOICES - 1) return null;
  const choices = chance.shuffled([good, ...bad]).map(
    ({ material, technique }): Choice => ({
      id: `${material!.id}|${technique.id}`,
      says: `${capital(spokenName(material!))}, ${technique.name.toLowerCase()}`,
      colour: material!.colour,
    }),
  );
  return {
    id,
    kind: "next",
    family: "What goes on what",
    seed,
    ...plain,
    stack: stackOf(plan),
    parts: [{ asks: "This has just been done. What can go on now?", is: "choose", choices }],
    right: [[`${good.material!.id}|${good.technique.id}`]],
    because: bad.map(({ material, reason }) => `${capital(spokenName(material!))}: ${reason}`).join(" "),
  };
}

/** Three kinds for every finish: a new finish brings its own. */
export const finishDrills = (): DrillSource[] =>
  FINISHES.flatMap((finish): DrillSource[] => [
    {
      id: `board/${finish.id}`,
      kind: "board",
      family: "Reading a board",
      make: (seed) => readBoard(finish, `board/${finish.id}`, seed),
    },
    {
      id: `order/${finish.id}`,
      kind: "order",
      family: "Order of work",
      make: (seed) => putInOrder(finish, `order/${finish.id}`, seed),
      holds: (_drill, order) => holdsAsWell(finish, order),
    },
    {
      id: `next/${finish.id}`,
      kind: "next",
      family: "What goes on what",
      make: (seed) => whatNext(finish, `next/${finish.id}`, seed),
    },
  ]);
