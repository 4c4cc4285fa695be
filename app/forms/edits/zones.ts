import { type Crust, findCrust, findZone } from "#core/plan/plan";
import { readZoneFields } from "../zone-form";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

function addZone(filled: FilledForm): FormEdit {
  const { plan, fields, newId } = filled;
  const piece = plan.pieces.find((piece) => piece.id === fields.pieceId) ?? plan.pieces[0];
  if (!piece) return refuse("There is no piece to add the zone to.");
  const read = readZoneFields(fields);
  if (!read.ok) return read;
  const shared = fields.crustId ? findCrust(plan, fields.crustId) : undefined;
  const crust: Crust | null = shared ? null : { id: newId(), name: `${read.zone.name} finish`.slice(0, 80), steps: [] };
  const zone = { ...read.zone, id: newId(), crustId: shared?.id ?? crust!.id };
  return {
    ok: true,
    label: `Add zone ${zone.name}`,
    commands: [
      ...(crust ? [{ do: "insert crust" as const, at: plan.crusts.length, crust }] : []),
      { do: "insert zone", pieceId: piece.id, at: piece.zones.length, zone },
    ],
    zone: zone.id,
  };
}

function patchZone({ plan, fields, newId }: FilledForm): FormEdit {
  const zone = findZone(plan, fields.zoneId ?? "");
  if (!zone) return refuse("This zone is no longer in the plan.");
  const read = readZoneFields(fields, zone);
  if (!read.ok) return read;
  const own: Crust | null =
    fields.crustId === "new" ? { id: newId(), name: `${read.zone.name} finish`.slice(0, 80), steps: [] } : null;
  const crustId = own?.id ?? fields.crustId ?? zone.crustId;
  return {
    ok: true,
    label: `Change zone ${read.zone.name}`,
    commands: [
      ...(own ? [{ do: "insert crust" as const, at: plan.crusts.length, crust: own }] : []),
      { do: "patch zone", zoneId: zone.id, patch: { ...read.zone, crustId, along: read.zone.along ?? null } },
    ],
    zone: zone.id,
  };
}

function removeZone({ plan, fields }: FilledForm): FormEdit {
  const zone = findZone(plan, fields.zoneId ?? "");
  if (!zone) return refuse("This zone is no longer in the plan.");
  const alone = plan.pieces.flatMap((piece) => piece.zones).filter((one) => one.crustId === zone.crustId).length === 1;
  return {
    ok: true,
    label: `Remove zone ${zone.name}`,
    commands: [
      { do: "remove zone", zoneId: zone.id },
      ...(alone && plan.crusts.length > 1 ? [{ do: "remove crust" as const, crustId: zone.crustId }] : []),
    ],
  };
}

export const ZONE_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "add zone": addZone,
  "patch zone": patchZone,
  "remove zone": removeZone,
};
