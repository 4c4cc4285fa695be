import { GroundTests } from "#core/plan/ground";
import { groundAfterTest } from "#core/plan/ground-tests";
import { PIECE_KITS, zonesFromKit } from "#core/plan/kits";
import { Outline, Outlines, outlineOf } from "#core/plan/outline";
import { findZone, PLACES, type PlaceOnFace } from "#core/plan/plan";
import { type Faults, type FormFields, sentence } from "../fields";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

/** An answer to one of the guided tests on the ground. */
function testGround({ plan, fields }: FilledForm): FormEdit {
  const zone = findZone(plan, fields.zoneId ?? "");
  if (!zone) return refuse("This zone is no longer in the plan.");
  const name = fields.test ?? "";
  const answer =
    name === "clues"
      ? { clues: (fields.clues ?? "").split(",").filter(Boolean) }
      : fields.answer
        ? { [name]: fields.answer }
        : null;
  if (!answer) return refuse("Choose what you saw.", "answer");
  const read = GroundTests.partial().safeParse(answer);
  if (!read.success) return refuse("Choose one of the answers.", "answer");
  return {
    ok: true,
    label: `Record a test on ${zone.name}`,
    commands: [{ do: "patch zone", zoneId: zone.id, patch: { ground: groundAfterTest(zone.ground, read.data) } }],
    zone: zone.id,
  };
}

/** Adds the zones of a standard piece, on an existing crust or on a new one. */
function addKit({ plan, fields, newId }: FilledForm): FormEdit {
  const piece = plan.pieces.find((piece) => piece.id === fields.pieceId) ?? plan.pieces[0];
  const kit = PIECE_KITS.find((pieceKit) => pieceKit.id === fields.kit);
  if (!piece) return refuse("There is no piece to add zones to.");
  if (!kit) return refuse("Choose a standard piece.", "kit");
  const sizes = kit.sizes.map((size) => Number(fields[size.key] ?? size.usual));
  const wrong = kit.sizes.findIndex((_size, index) => !(sizes[index]! > 0 && sizes[index]! <= 20_000));
  if (wrong >= 0) return refuse(`${kit.sizes[wrong]!.label}: measure it, in millimetres.`, kit.sizes[wrong]!.key);
  const like = piece.zones[0];
  const crustId = like?.crustId ?? plan.crusts[0]?.id ?? newId();
  const zones = zonesFromKit(kit, sizes, { crustId, ground: like?.ground, newId });
  if (zones.length + plan.pieces.flatMap((piece) => piece.zones).length > 40)
    return refuse("A plan can have 40 zones at most. Remove some first.");
  return {
    ok: true,
    label: `Add the zones of a ${kit.name.toLowerCase()}`,
    commands: [
      ...(plan.crusts.some((crust) => crust.id === crustId)
        ? []
        : [
            {
              do: "insert crust" as const,
              at: 0,
              crust: { id: crustId, name: `${piece.name} finish`.slice(0, 80), steps: [] },
            },
          ]),
      ...zones.map((zone, index) => ({
        do: "insert zone" as const,
        pieceId: piece.id,
        at: piece.zones.length + index,
        zone,
      })),
    ],
    zone: zones[0]?.id,
  };
}

/** A place drawn by hand, as "12.5,40 30,41 …" in per cent from the left and from the top. */
function pointsIn(text: string): unknown[] {
  return text
    .trim()
    .split(/\s+/)
    .map((pair) => pair.split(",").map((part) => (part === "" ? Number.NaN : Number(part) / 100)));
}

const PLACE_NAMES: Record<PlaceOnFace, string> = {
  border: "the border",
  hands: "where hands touch",
  motif: "the motif",
  patch: "the patch",
};

const MEASURES = [
  ["left", "From the left"],
  ["top", "From the top"],
  ["width", "Width"],
  ["height", "Height"],
] as const;

/** The outline that a form gives: drawn, or square or round by measure. */
function outlineIn(fields: FormFields): { outline: Outline } | { faults: Faults } {
  if (fields.points) {
    const read = Outline.safeParse(pointsIn(fields.points));
    return read.success
      ? { outline: read.data }
      : { faults: { "": "This outline is not closed. Draw it again, all the way round to where you began." } };
  }
  const faults: Faults = {};
  const [left, top, width, height] = MEASURES.map(([name, label]) => {
    const text = (fields[name] ?? "").trim();
    const part = Number(text) / 100;
    const least = name === "width" || name === "height" ? 0.01 : 0;
    if (text === "" || !(part >= least && part <= 1))
      faults[name] = `${label}: write per cent of the face, from ${least * 100} to 100.`;
    return part;
  }) as [number, number, number, number];
  if (Object.keys(faults).length > 0) return { faults };
  if (left + width > 1.0001) return { faults: { width: "It goes over the right edge. Make it narrower." } };
  if (top + height > 1.0001) return { faults: { height: "It goes over the lower edge. Make it lower." } };
  return { outline: outlineOf({ round: fields.form !== "square", left, top, width, height }) };
}

/** Draws a place on a zone's face, or takes what is drawn away again: the last outline, or all. */
function drawPlace({ plan, fields }: FilledForm): FormEdit {
  const zone = findZone(plan, fields.zoneId ?? "");
  if (!zone) return refuse("This zone is no longer in the plan.");
  const place = PLACES.find((place) => place === fields.place);
  if (!place) return refuse("Choose which place this is.");
  const before = zone.outlines?.[place] ?? [];
  const put = (drawn: Outlines | null, label: string): FormEdit => {
    const { [place]: _gone, ...others } = zone.outlines ?? {};
    const outlines = drawn ? { ...others, [place]: drawn } : others;
    return {
      ok: true,
      label: `${label} on ${zone.name}`,
      commands: [
        {
          do: "patch zone",
          zoneId: zone.id,
          patch: { outlines: Object.keys(outlines).length > 0 ? outlines : null },
        },
      ],
    };
  };
  const name = PLACE_NAMES[place];
  if (fields.take === "all") return put(null, `Remove ${name} as drawn`);
  if (fields.take === "last")
    return put(before.length > 1 ? before.slice(0, -1) : null, `Remove the last outline of ${name}`);
  const read = outlineIn(fields);
  if ("faults" in read) return { ok: false, faults: read.faults };
  const drawn = Outlines.safeParse([...before, read.outline]);
  if (!drawn.success) return refuse(sentence(drawn.error.issues[0]!.message));
  return put(drawn.data, `Draw ${name}`);
}

export const PIECE_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "test ground": testGround,
  "add standard piece": addKit,
  "draw place": drawPlace,
};
