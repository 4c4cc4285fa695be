import { GroundTests } from "#core/plan/ground";
import { groundAfterTest } from "#core/plan/ground-tests";
import { PIECE_KITS, zonesFromKit } from "#core/plan/kits";
import { findZone } from "#core/plan/plan";
import { type FormEdit, type Place, refuse } from "./place";

/** An answer to one of the guided tests on the ground. */
function testGround({ plan, fields }: Place): FormEdit {
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
function addKit({ plan, fields, newId }: Place): FormEdit {
  const piece = plan.pieces.find((one) => one.id === fields.pieceId) ?? plan.pieces[0];
  const kit = PIECE_KITS.find((one) => one.id === fields.kit);
  if (!piece) return refuse("There is no piece to add zones to.");
  if (!kit) return refuse("Choose a standard piece.", "kit");
  const sizes = kit.sizes.map((size) => Number(fields[size.key] ?? size.usual));
  const wrong = kit.sizes.findIndex((_size, at) => !(sizes[at]! > 0 && sizes[at]! <= 20_000));
  if (wrong >= 0) return refuse(`${kit.sizes[wrong]!.label}: measure it, in millimetres.`, kit.sizes[wrong]!.key);
  const like = piece.zones[0];
  const crustId = like?.crustId ?? plan.crusts[0]?.id ?? newId();
  const zones = zonesFromKit(kit, sizes, { crustId, ground: like?.ground, newId });
  if (zones.length + plan.pieces.flatMap((one) => one.zones).length > 40)
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
      ...zones.map((zone, at) => ({
        do: "insert zone" as const,
        pieceId: piece.id,
        at: piece.zones.length + at,
        zone,
      })),
    ],
    zone: zones[0]?.id,
  };
}

export const PIECE_FORMS: Record<string, (place: Place) => FormEdit> = {
  "test ground": testGround,
  "add standard piece": addKit,
};
