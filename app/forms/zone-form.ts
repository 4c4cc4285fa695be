import { z } from "zod";
import { Colour } from "#core/materials/material";
import { drawnAs } from "#core/plan/front";
import { GROUND_KINDS, type Ground, groundOf, SPECIES } from "#core/plan/ground";
import { CARVED_RELIEF, MOULDED_RELIEF, PLACES, PLAIN_RELIEF, type Relief, WEAR, type Zone } from "#core/plan/plan";
import { diameterOf, doubtOf } from "#core/quantity/round";
import { Shape, type ShapeKind } from "#core/quantity/shape";
import { PLACE_SHARE } from "#core/surface/places";
import { type Faults, type FormFields, faultsFrom, sentence, typedNumber } from "./fields";

/** The sizes of each shape, in the order of the form's three fields. */
export const SHAPE_SIZES: Record<ShapeKind, { name: string; sizes: readonly { key: string; label: string }[] }> = {
  panel: {
    name: "Panel or board",
    sizes: [
      { key: "width", label: "Width" },
      { key: "height", label: "Height" },
    ],
  },
  frame: {
    name: "Frame",
    sizes: [
      { key: "width", label: "Width" },
      { key: "height", label: "Height" },
      { key: "member", label: "Width of the rails" },
    ],
  },
  box: {
    name: "Box, four sides and top",
    sizes: [
      { key: "width", label: "Width" },
      { key: "height", label: "Height" },
      { key: "depth", label: "Depth" },
    ],
  },
  disc: { name: "Disc", sizes: [{ key: "diameter", label: "Diameter" }] },
  leg: {
    name: "Turned leg",
    sizes: [
      { key: "diameter", label: "Diameter" },
      { key: "length", label: "Length" },
    ],
  },
};

export const RELIEFS: Record<string, { name: string; relief: Relief; carving: number }> = {
  plain: { name: "Plain", relief: PLAIN_RELIEF, carving: 1 },
  moulded: { name: "Moulded", relief: MOULDED_RELIEF, carving: 1.1 },
  carved: { name: "Carved", relief: CARVED_RELIEF, carving: 1.3 },
};

export function reliefOf(zone: Zone): string {
  const nearest = Object.entries(RELIEFS).sort(
    ([, one], [, two]) =>
      Math.abs(one.relief.field - zone.relief.field) - Math.abs(two.relief.field - zone.relief.field),
  )[0]!;
  return nearest[0];
}

const ZoneFields = z.object({
  zoneName: z.string().trim().min(1, "Give the zone a name.").max(80, "80 characters at most."),
  shape: z.enum(["panel", "frame", "box", "disc", "leg"], "Choose a shape."),
  count: typedNumber("Write how many, like 1."),
  reliefKind: z.enum(["plain", "moulded", "carved"], "Choose how moulded it is."),
  orientation: z.enum(["upright", "flat"], "Upright or flat?"),
  faces: z.enum(["1", "2"]).default("1"),
  groundKind: z.enum(GROUND_KINDS, "Choose what is there now."),
  species: z.enum(SPECIES).default("unknown"),
  knots: typedNumber("Count the knots, or write 0."),
  groundColour: z
    .string()
    .refine((text) => text === "" || Colour.safeParse(text).success, "Choose a colour.")
    .default(""),
  wear: z.enum(WEAR, "Choose how hard a life it leads."),
  heat: z.string().optional(),
  water: z.enum(["dry", "splashes", "standing"], "Choose how wet it gets."),
  outdoors: z.string().optional(),
  near: z.enum(["nothing", "food", "children"]).default("nothing"),
  hands: z.string().default(""),
  movingParts: z.string().optional(),
  along: z.string().optional(),
  age: z.enum(["after 1978", "before 1978", "unknown"]).optional(),
  inSight: z
    .string()
    .default("0")
    .refine((text) => Number(text) >= 0 && Number(text) <= 100, "Write a share from 0 to 100 %."),
  ...Object.fromEntries(
    PLACES.map((place) => [
      `size-${place}`,
      z
        .string()
        .default("")
        .refine(
          (text) => text.trim() === "" || (Number(text) > 0 && Number(text) <= 100),
          "Write a share up to 100 %.",
        ),
    ]),
  ),
});

/** The shares of the face that places take, where the form says other than the usual. */
function sizesIn(fields: FormFields, before: Zone | undefined): Pick<Zone, "sizes"> {
  if (!PLACES.some((place) => `size-${place}` in fields)) return before?.sizes ? { sizes: before.sizes } : {};
  const sizes: NonNullable<Zone["sizes"]> = {};
  for (const place of PLACES) {
    const field = fields[`size-${place}`];
    // a place that is drawn has no field, and keeps the size it had before
    if (field === undefined && before?.sizes?.[place]) sizes[place] = before.sizes[place];
    const text = (field ?? "").trim();
    const share = Number(text) / 100;
    if (text !== "" && share !== PLACE_SHARE[place]) sizes[place] = share;
  }
  return Object.keys(sizes).length > 0 || before?.sizes ? { sizes } : {};
}

/** The zone that this one is said to stay fitted to; said not to, it has to be cleared where it was. */
const alongIn = (along: string | undefined, before: Zone | undefined): Pick<Zone, "along"> => {
  const chosen = along ?? before?.along;
  return chosen ? { along: chosen } : {};
};

/** Where the zone stands on the front; with another shape or relief it is drawn as that. */
function placeAfter(
  before: Zone | undefined,
  shape: Shape,
  relief: "plain" | "moulded" | "carved",
): Pick<Zone, "place"> {
  if (!before?.place) return {};
  const isAsBefore = before.shape.kind === shape.kind && reliefOf(before) === relief;
  return { place: isAsBefore ? before.place : { ...before.place, drawn: drawnAs(shape, relief) } };
}

/** What is taken apart or masked before a zone is worked on. */
export const HANDS: readonly Zone["hands"][number][] = ["hardware off", "drawers out", "top off", "masked"];

export type ZoneRead = { ok: true; zone: Omit<Zone, "id" | "crustId"> } | { ok: false; faults: Faults };

/** Reads the fields of a zone. An old ground of the same kind keeps what tests on it found. */
export function readZoneFields(fields: FormFields, before?: Zone): ZoneRead {
  const parsed = ZoneFields.safeParse(fields);
  const faults: Faults = parsed.success ? {} : faultsFrom(parsed.error);
  const shapeKind = (fields.shape ?? "panel") as ShapeKind;
  const sizes = SHAPE_SIZES[shapeKind]?.sizes ?? [];
  const measured: Record<string, number> = {};
  for (const [index, size] of sizes.entries()) {
    const text = (fields[`size${index + 1}`] ?? "").trim();
    const value = Number(text);
    if (text === "" || !Number.isFinite(value))
      faults[`size${index + 1}`] = `${size.label}: measure it, in millimetres.`;
    else
      measured[size.key] =
        size.key === "diameter" && fields.tape === "round" ? Math.round(diameterOf(value) * 10) / 10 : value;
  }
  const round = measured.diameter;
  const doubt =
    round !== undefined && (shapeKind === "disc" || shapeKind === "leg") && fields.sure === undefined
      ? doubtOf(shapeKind, round)
      : null;
  // what was there before has been doubted before
  const isNew = before === undefined || !("diameter" in before.shape) || before.shape.diameter !== round;
  if (doubt && round! > 0 && isNew) faults.size1 = `${doubt} If it is right, tick “It is as I say”.`;
  if (!parsed.success || Object.keys(faults).length > 0) return { ok: false, faults };
  const typed = parsed.data;
  const shape = Shape.safeParse({ kind: typed.shape, ...measured, count: typed.count });
  if (!shape.success) {
    for (const issue of shape.error.issues) {
      const key = String(issue.path[0] ?? "");
      const at = sizes.findIndex((size) => size.key === key);
      faults[at >= 0 ? `size${at + 1}` : key] =
        at >= 0 ? `${sizes[at]!.label}: ${issue.message}.` : sentence(issue.message);
    }
    return { ok: false, faults };
  }
  if (!Number.isInteger(typed.knots) || typed.knots < 0 || typed.knots > 500)
    return { ok: false, faults: { knots: "Write a whole number of knots from 0 to 500." } };
  const { relief, carving } = RELIEFS[typed.reliefKind]!;
  const sameRelief = before && reliefOf(before) === typed.reliefKind;
  const fresh = groundOf(typed.groundKind, typed.species, typed.knots);
  const same =
    before &&
    before.ground.kind === typed.groundKind &&
    (before.ground.species ?? "unknown") === (fresh.species ?? "unknown") &&
    before.ground.knots === typed.knots;
  const ground: Ground = {
    ...(same ? before.ground : fresh),
    ...(typed.groundColour && before?.ground.kind === typed.groundKind ? { colour: typed.groundColour } : {}),
    ...(typed.age && before?.ground.kind === typed.groundKind ? { age: typed.age } : {}),
    inSight: Number(typed.inSight) / 100,
  };
  return {
    ok: true,
    zone: {
      name: typed.zoneName,
      shape: shape.data,
      relief: sameRelief ? before.relief : relief,
      carving: sameRelief ? before.carving : carving,
      orientation: typed.orientation,
      faces: Number(typed.faces),
      ground,
      use: {
        wear: typed.wear,
        heat: typed.heat === "on",
        water: typed.water,
        outdoors: typed.outdoors === "on",
        near: typed.near,
      },
      overrides: before?.overrides ?? [],
      hands: typed.hands
        .split(",")
        .filter((text): text is Zone["hands"][number] => HANDS.some((hand) => hand === text)),
      movingParts: typed.movingParts === "on",
      ...placeAfter(before, shape.data, typed.reliefKind),
      ...alongIn(typed.along, before),
      ...sizesIn(fields, before),
    },
  };
}

/** A zone as the form shows it. */
export function zoneFields(zone: Zone): FormFields {
  const sizes = SHAPE_SIZES[zone.shape.kind].sizes.map((size, index) => [
    `size${index + 1}`,
    String((zone.shape as Record<string, unknown>)[size.key]),
  ]);
  return {
    zoneName: zone.name,
    shape: zone.shape.kind,
    ...Object.fromEntries(sizes),
    count: String(zone.shape.count),
    reliefKind: reliefOf(zone),
    orientation: zone.orientation,
    faces: String(zone.faces),
    groundKind: zone.ground.kind,
    species: zone.ground.species ?? "unknown",
    knots: String(zone.ground.knots),
    groundColour: zone.ground.colour,
    wear: zone.use.wear,
    ...(zone.use.heat ? { heat: "on" } : {}),
    water: zone.use.water,
    ...(zone.use.outdoors ? { outdoors: "on" } : {}),
    near: zone.use.near,
    hands: zone.hands.join(","),
    ...(zone.movingParts ? { movingParts: "on" } : {}),
    along: zone.along ?? "",
    age: zone.ground.age,
    inSight: String(Math.round(zone.ground.inSight * 100)),
    ...Object.fromEntries(
      PLACES.map((place) => [
        `size-${place}`,
        String(Math.round(1000 * (zone.sizes?.[place] ?? PLACE_SHARE[place])) / 10),
      ]),
    ),
  };
}
