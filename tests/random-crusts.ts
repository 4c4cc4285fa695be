import fc from "fast-check";
import { CATALOGUE } from "#core/materials/catalogue";
import { GROUND_KINDS, type GroundKind, groundOf, SPECIES } from "#core/plan/ground";
import { DEFAULT_HOUSE_RULES, type HouseRules } from "#core/plan/house-rules";
import {
  CARVED_RELIEF,
  DEFAULT_HOURS,
  INTENTS,
  MOULDED_RELIEF,
  PLAIN_RELIEF,
  type Plan,
  REFERENCE_ROOM,
  type Step,
  WEAR,
  type Zone,
} from "#core/plan/plan";
import { TECHNIQUES, techniquesFor } from "#core/surface/technique";

const wait: fc.Arbitrary<Step["wait"]> = fc.option(
  fc.record({
    kind: fc.constantFrom("at least" as const, "exactly" as const),
    minutes: fc.constantFrom(0, 10, 45, 120, 600, 1440, 4320),
  }),
  { nil: undefined, freq: 4 },
);

const laid = fc
  .constantFrom(...CATALOGUE)
  .chain((material) =>
    fc
      .constantFrom(...techniquesFor(material))
      .map((technique) => ({ technique, what: material.id as string | undefined })),
  );
const taken = fc
  .constantFrom(...TECHNIQUES.filter((one) => one.lays.length === 0))
  .map((technique) => ({ technique, what: undefined as string | undefined }));

const stepBody = fc.record({
  pick: fc.oneof({ arbitrary: laid, weight: 3 }, { arbitrary: taken, weight: 2 }),
  coats: fc.integer({ min: 1, max: 3 }),
  intents: fc.subarray([...INTENTS], { maxLength: 1 }),
  on: fc.constantFrom<Step["where"]["on"]>("everywhere", "everywhere", "everywhere", "arris", "field"),
  share: fc.constantFrom(1, 1, 0.6, 0.2),
  wait,
  reveal: fc.option(fc.nat(8), { nil: undefined, freq: 3 }),
});

/** Any stack of the trade's materials and techniques, sensible or not. */
export const steps = (max = 9): fc.Arbitrary<Step[]> =>
  fc.array(stepBody, { minLength: 1, maxLength: max }).map((bodies) =>
    bodies.map(
      ({ pick, coats, intents, on, share, wait: pause, reveal }, index): Step => ({
        id: `s${index}`,
        kind: pick.technique.kind,
        how: pick.technique.id,
        ...(pick.what ? { what: pick.what } : {}),
        where: { on, share },
        coats: pick.what ? coats : 1,
        intents,
        ...(pause ? { wait: pause } : {}),
        ...(reveal !== undefined && reveal < index && pick.technique.id === "wet-distress"
          ? { reveals: `s${reveal}` }
          : {}),
      }),
    ),
  );

export const houseRules: fc.Arbitrary<HouseRules> = fc.record({
  waitBeforeClear: fc.constantFrom("the full wait", "touch dry"),
  milkRecoat: fc.constantFrom("12 h", "label, 2 h"),
  darkWax: fc.constantFrom("over clear wax", "straight on the paint"),
  darkOnClear: fc.constantFrom("while fresh", "set, next day"),
  lastWax: fc.constantFrom("dark goes last", "thin clear over all"),
  buff: fc.constantFrom("after 10–15 min", "at once", "next day"),
});

export const zone = (id: string, crustId: string): fc.Arbitrary<Zone> =>
  fc
    .record({
      kind: fc.constantFrom<GroundKind>(...GROUND_KINDS),
      species: fc.constantFrom(...SPECIES),
      knots: fc.constantFrom(0, 0, 2),
      relief: fc.constantFrom(PLAIN_RELIEF, MOULDED_RELIEF, CARVED_RELIEF),
      width: fc.integer({ min: 50, max: 1500 }),
      wear: fc.constantFrom(...WEAR),
      heat: fc.boolean(),
      water: fc.constantFrom<Zone["use"]["water"]>("dry", "splashes", "standing"),
    })
    .map(({ kind, species, knots, relief, width, wear, heat, water }) => ({
      id,
      name: `Zone ${id}`,
      shape: { kind: "panel", width, height: 400, count: 1 },
      carving: 1,
      faces: 1,
      relief,
      orientation: "upright",
      use: { wear, heat, water },
      ground: groundOf(kind, species, knots),
      crustId,
    }));

/** A plan of one to three zones on one or two random crusts. */
export const plan: fc.Arbitrary<Plan> = fc
  .record({
    one: steps(),
    two: steps(5),
    zones: fc.tuple(zone("z1", "c1"), zone("z2", "c2"), zone("z3", "c1")),
    count: fc.integer({ min: 1, max: 3 }),
    houseRules,
  })
  .map(({ one, two, zones, count, houseRules: rules }) => ({
    format: "jolly-crust",
    version: 1,
    id: "random",
    title: "Random",
    start: "2026-11-30T09:00",
    pinned: {
      room: REFERENCE_ROOM,
      hours: DEFAULT_HOURS,
      houseRules: rules ?? DEFAULT_HOUSE_RULES,
      materials: [...CATALOGUE],
    },
    crusts: [
      { id: "c1", name: "One", steps: one },
      { id: "c2", name: "Two", steps: two },
    ],
    pieces: [{ id: "p1", name: "Piece", zones: zones.slice(0, count) }],
    [fc.toStringMethod]: () => sayPlan(one, two, zones.slice(0, count)),
  }));

const sayStep = ({ how, what, coats, intents, where, wait: pause, reveals }: Step) =>
  [
    how,
    what,
    coats > 1 && `x${coats}`,
    ...intents,
    where.on !== "everywhere" && where.on,
    where.share < 1 && where.share,
    pause && `${pause.kind} ${pause.minutes}`,
    reveals && `to ${reveals}`,
  ]
    .filter(Boolean)
    .join(" ");

/** A counterexample a person can read. */
function sayPlan(one: Step[], two: Step[], zones: Zone[]): string {
  const lines = [one, two].map((list, index) => `c${index + 1}: ${list.map(sayStep).join(" | ")}`);
  return [
    ...lines,
    ...zones.map(
      ({ crustId, ground, use }) =>
        `${crustId} on ${ground.kind} ${ground.species ?? ""} ${ground.bleeds.join(" ")} for ${JSON.stringify(use)}`,
    ),
  ].join("\n");
}
