import fc from "fast-check";
import { CATALOGUE } from "#core/materials/catalogue";
import { GROUND_KINDS, type GroundKind, groundOf, SPECIES } from "#core/plan/ground";
import { DEFAULT_HOURS } from "#core/plan/hours";
import { HOUSE_RULE_KEYS, HouseRules, SCHOOLS } from "#core/plan/house-rules";
import { MIX_BY, sayMix } from "#core/plan/mix";
import {
  CARVED_RELIEF,
  INTENTS,
  MOULDED_RELIEF,
  PLAIN_RELIEF,
  PLAN_VERSION,
  type Plan,
  type Step,
  WEAR,
  type Zone,
} from "#core/plan/plan";
import { REFERENCE_ROOM, type Room } from "#core/plan/room";
import { sayWait } from "#core/plan/wait";
import { TECHNIQUES, techniquesFor } from "#core/surface/techniques";

const waitMinutes = fc.constantFrom(0, 10, 45, 120, 600, 1440, 4320);
const wait: fc.Arbitrary<Step["wait"]> = fc.option(
  fc.oneof(
    fc.record({ kind: fc.constantFrom("at least", "exactly", "about"), minutes: waitMinutes }),
    fc
      .record({ kind: fc.constant("between"), minutes: waitMinutes, most: waitMinutes })
      .map((one) => ({ ...one, most: Math.max(one.minutes, one.most) })),
    fc.record({ kind: fc.constantFrom("next working day", "by sign") }),
  ),
  { nil: undefined, freq: 4 },
);

const CAN_BE_LAID = CATALOGUE.filter((material) => techniquesFor(material).length > 0);
/** Waxes go over waxes in ways of their own: often enough that each comes up. */
const WAXES = CAN_BE_LAID.filter(({ role }) => role === "wax");

const laid = fc
  .constantFrom(...CAN_BE_LAID, ...WAXES)
  .chain((material) =>
    fc
      .constantFrom(...techniquesFor(material))
      .map((technique) => ({ technique, what: material.id as string | undefined })),
  );
const taken = fc
  .constantFrom(...TECHNIQUES.filter((technique) => technique.lays.length === 0 && technique.kind !== "inspect"))
  .map((technique) => ({ technique, what: undefined as string | undefined }));

const stepBody = fc.record({
  pick: fc.oneof({ arbitrary: laid, weight: 3 }, { arbitrary: taken, weight: 2 }),
  coats: fc.integer({ min: 1, max: 3 }),
  intents: fc.subarray([...INTENTS], { maxLength: 1 }),
  on: fc.constantFrom<Step["where"]["on"]>(
    "everywhere",
    "everywhere",
    "everywhere",
    "arris",
    "recess",
    "field",
    "border",
  ),
  share: fc.constantFrom(1, 1, 0.6, 0.2),
  wait,
  go: fc.option(fc.boolean(), { nil: undefined, freq: 6 }),
  pot: fc.option(
    fc.record({
      by: fc.constantFrom(...MIX_BY),
      parts: fc.constantFrom(1, 3, 70),
      with: fc.uniqueArray(
        fc.record({
          what: fc.constantFrom(...CATALOGUE).map(({ id }) => id),
          parts: fc.constantFrom(0.05, 1, 3, 30),
        }),
        { minLength: 1, maxLength: 3, selector: ({ what }) => what },
      ),
      thinner: fc.constantFrom(0, 0, 1, 3),
    }),
    {
      nil: undefined,
      freq: 7,
    },
  ),
  reveal: fc.option(fc.nat(8), { nil: undefined, freq: 3 }),
});

/** Any stack of the trade's materials and techniques, sensible or not. */
export const steps = (max = 9): fc.Arbitrary<Step[]> =>
  fc.array(stepBody, { minLength: 1, maxLength: max }).map((bodies) =>
    bodies.map(
      ({ pick, coats, intents, on, share, wait: pause, go, reveal, pot }, index): Step => ({
        id: `s${index}`,
        kind: pick.technique.kind,
        how: pick.technique.id,
        ...(pick.what ? { what: pick.what } : {}),
        where: { on, over: share },
        coats: pick.what ? coats : 1,
        intents,
        ...(pause ? { wait: pause } : {}),
        ...(go === undefined ? {} : { oneGo: go }),
        ...(pot && pick.what ? { mix: pot } : {}),
        ...(reveal !== undefined && reveal < index && pick.technique.id === "wet-distress"
          ? { reveals: `s${reveal}` }
          : {}),
      }),
    ),
  );

/** Any school in every question. */
export const houseRules: fc.Arbitrary<HouseRules> = fc
  .tuple(...HOUSE_RULE_KEYS.map((key) => fc.constantFrom(...Object.keys(SCHOOLS[key].choices))))
  .map((choices) => HouseRules.parse(Object.fromEntries(HOUSE_RULE_KEYS.map((key, index) => [key, choices[index]]))));

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
      outdoors: fc.constantFrom(false, false, false, true),
      near: fc.constantFrom<Zone["use"]["near"]>("nothing", "nothing", "food", "children"),
      orientation: fc.constantFrom<Zone["orientation"]>("upright", "flat"),
      soundness: fc.constantFrom<Zone["ground"]["soundness"]>("sound", "sound", "flaking"),
      age: fc.constantFrom<Zone["ground"]["age"]>("after 1978", "after 1978", "before 1978", "unknown"),
      faces: fc.constantFrom(1, 1, 2),
      movingParts: fc.constantFrom(false, false, true),
      inSight: fc.constantFrom(0, 0, 0, 0.3),
    })
    .map(({ kind, species, knots, relief, width, wear, heat, water, outdoors, near, ...more }) => ({
      id,
      name: `Zone ${id}`,
      shape: { kind: "panel", width, height: 400, count: 1 },
      carving: 1,
      faces: more.faces,
      relief,
      orientation: more.orientation,
      use: { wear, heat, water, outdoors, near },
      ground: {
        ...groundOf(kind, species, knots),
        soundness: more.soundness,
        age: more.age,
        inSight: more.inSight,
      },
      crustId,
      overrides: [],
      hands: [],
      movingParts: more.movingParts,
    }));

/** A plan of one to three zones on one or two random crusts. */
export const plan: fc.Arbitrary<Plan> = fc
  .record({
    one: steps(),
    two: steps(5),
    zones: fc.tuple(zone("z1", "c1"), zone("z2", "c2"), zone("z3", "c1")),
    count: fc.integer({ min: 1, max: 3 }),
    houseRules,
    air: fc.constantFrom<Room>(
      REFERENCE_ROOM,
      REFERENCE_ROOM,
      { celsius: 8, relativeHumidity: 88, draught: true },
      {
        celsius: 19,
        relativeHumidity: 55,
        draught: false,
        course: { kind: "day and night", night: { celsius: 6, relativeHumidity: 82 } },
      },
    ),
  })
  .map(({ one, two, zones, count, houseRules: rules, air }) => ({
    format: "jolly-crust",
    version: PLAN_VERSION,
    id: "random",
    title: "Random",
    start: "2026-11-30T09:00",
    pinned: {
      room: air,
      hours: DEFAULT_HOURS,
      houseRules: rules,
      materials: [...CATALOGUE],
    },
    acknowledged: [],
    palette: [],
    pins: [],
    crusts: [
      { id: "c1", name: "One", steps: one },
      { id: "c2", name: "Two", steps: two },
    ],
    pieces: [{ id: "p1", name: "Piece", zones: zones.slice(0, count) }],
    [fc.toStringMethod]: () => sayPlan(one, two, zones.slice(0, count)),
  }));

const sayStep = ({ how, what, coats, intents, where, wait: pause, reveals, mix, oneGo }: Step) =>
  [
    how,
    what,
    coats > 1 && `x${coats}`,
    ...intents,
    where.on !== "everywhere" && where.on,
    where.over < 1 && where.over,
    pause && sayWait(pause),
    oneGo !== undefined && (oneGo ? "in one go" : "on its own"),
    reveals && `to ${reveals}`,
    mix && sayMix(mix, (id) => id),
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
