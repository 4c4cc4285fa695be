import { dress, zonesToDress } from "#core/finishes/dress";
import { findFinish } from "#core/finishes/finishes";
import { CATALOGUE } from "#core/materials/catalogue";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

/** Lays a finish of the gallery on the zones that are named, or on the whole piece. */
function layFinish({ plan, fields }: FilledForm): FormEdit {
  const finish = findFinish(fields.finish ?? "");
  if (!finish) return refuse("Choose a finish.", "finish");
  const named = (fields.zones ?? "").split(" ").filter(Boolean);
  const zones = zonesToDress(plan, named);
  if (zones.length === 0) return refuse("There is no zone to lay it on. Add one to the piece first.");
  const shelf = new Set((fields.shelf ?? "").split(" ").filter(Boolean));
  const dressed = dress(
    plan,
    zones,
    { finish, ...(fields.variant ? { variant: fields.variant } : {}), ...(shelf.size > 0 ? { shelf } : {}) },
    CATALOGUE,
  );
  if ("refused" in dressed) return refuse(dressed.refused);
  return {
    ok: true,
    label: `Lay the finish ${finish.name}`,
    commands: dressed.commands,
    zone: zones[0]!.id,
  };
}

export const FINISH_FORMS = { "lay finish": layFinish };
