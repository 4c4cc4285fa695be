import { Link } from "react-router";
import { PLACES } from "#core/plan/plan";
import { capital } from "#core/rules/words";
import { PLACE_SHARE, sizesOf } from "#core/surface/places";
import { TextField } from "~/forms/edit-form-parts";
import { FieldGroup } from "../plain-field";
import { sayPercent, WHERE_WORDS } from "../step-words";
import type { ZoneFieldsProps } from "./zone-fields-props";

/** How large the places on a zone are, or a link to where each is drawn. */
export function PlacesFields({ values, faults, zone }: ZoneFieldsProps) {
  return (
    <FieldGroup title="Places on it" says="how much of the face each takes, in per cent, where a step goes there">
      {PLACES.map((place) => (
        <div key={place} className="col-span-3 flex items-end gap-2">
          {zone?.outlines?.[place] ? (
            <p className="min-w-0 flex-1">
              <span className="mb-0.5 block text-note text-soft">{capital(WHERE_WORDS[place])}</span>
              <span className="block pb-1.5">drawn, {sayPercent(sizesOf(zone)[place])}</span>
            </p>
          ) : (
            <div className="min-w-0 flex-1">
              <TextField
                name={`size-${place}`}
                label={capital(WHERE_WORDS[place])}
                fault={faults[`size-${place}`]}
                keys="decimal"
                value={values[`size-${place}`] ?? String(100 * PLACE_SHARE[place])}
              />
            </div>
          )}
          {zone && (
            <Link
              to={`?${new URLSearchParams({ zone: zone.id, draw: place })}`}
              replace
              preventScrollReset
              aria-label={`Draw ${WHERE_WORDS[place]}`}
              className="pb-1.5 font-semibold text-verdigris hover:underline"
            >
              {zone.outlines?.[place] ? "Change" : "Draw"}
            </Link>
          )}
        </div>
      ))}
    </FieldGroup>
  );
}
