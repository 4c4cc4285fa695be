import { useState } from "react";
import { Link } from "react-router";
import { GROUND_KINDS, SPECIES } from "#core/plan/ground";
import { PLACES, WEAR, type Zone } from "#core/plan/plan";
import type { ShapeKind } from "#core/quantity/shape";
import { capital } from "#core/rules/words";
import { otherHandling, takesOf } from "#core/schedule/handling";
import { PLACE_SHARE, sizesOf } from "#core/surface/places";
import { sayDuration } from "#core/units/duration";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { Faults, FormFields } from "~/forms/fields";
import { HANDS, RELIEFS, SHAPE_SIZES } from "~/forms/zone-form";
import { FieldGroup } from "./plain-field";
import { sayPercent, WHERE_WORDS } from "./step-words";

const isShape = (text: string | undefined): text is ShapeKind => text !== undefined && text in SHAPE_SIZES;

const WEAR_WORDS = {
  display: "to look at only",
  gentle: "gentle, dusted",
  daily: "daily use",
  hard: "hard knocks",
} as const;

export const WEAR_CHOICES = WEAR.map((wear) => [wear, WEAR_WORDS[wear]] as const);
export const WATER_CHOICES = [
  ["dry", "dry"],
  ["splashes", "splashes"],
  ["standing", "left standing"],
] as const;

/** What one way of handling a zone takes, before and after its coats together. */
const sayTakes = (zone: Zone, way: Zone["hands"][number]) => {
  const { before, after } = takesOf(zone, way);
  return sayDuration(before + after);
};

/** Masking or taking off, whichever this zone does not have, with the quicker of the two. */
function OtherHandling({ zone }: { zone: Zone }) {
  const ways = otherHandling(zone);
  if (!ways || ways.masked === ways.off) return null;
  const masked = ways.masked < ways.off;
  return (
    <p className="col-span-6 text-note text-soft">
      {masked
        ? `Masking it takes ${sayDuration(ways.masked)}, ${sayDuration(ways.off - ways.masked)} less than taking it off and refitting it.`
        : `Taking it off and refitting it takes ${sayDuration(ways.off)}, ${sayDuration(ways.masked - ways.off)} less than masking.`}
    </p>
  );
}

interface ChoiceProps {
  name: string;
  label: string;
  values: FormFields;
  faults: Faults;
  /** what is shown until something else is chosen */
  usual: string;
  choices: readonly (readonly [value: string, says: string])[];
}

/** Whether hot things will stand on it. */
export function HotThings({ on, className = "" }: { on: boolean; className?: string }) {
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input type="checkbox" name="heat" defaultChecked={on} className="size-4 accent-verdigris" />
      hot cups or pans
    </label>
  );
}

export function Choice({ name, label, values, faults, usual, choices }: ChoiceProps) {
  return (
    <Field name={name} label={label} fault={faults[name]}>
      {(field) => (
        <select {...field} defaultValue={values[name] ?? usual}>
          {choices.map(([value, says]) => (
            <option key={value} value={value}>
              {says}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

interface Props {
  values: FormFields;
  faults: Faults;
  /** the zone as it is, where there is one already */
  zone?: Zone;
  /** zones that it could stay fitted to */
  hosts?: readonly Zone[];
}

/** Shape, ground and use of a zone, for a new job and for the piece's own form. Sizes are named after the shape. */
export function ZoneFields({ values, faults, zone, hosts = [] }: Props) {
  const [shape, setShape] = useState<ShapeKind>(isShape(values.shape) ? values.shape : "panel");
  const { sizes } = SHAPE_SIZES[shape];
  return (
    <>
      <FieldGroup
        title="Zone"
        says="a part that gets one finish; sizes in millimetres, off the tape; relief is how it is shaped"
      >
        <div className="col-span-3">
          <TextField
            name="zoneName"
            label="Name"
            fault={faults.zoneName}
            placeholder="Back panel"
            value={values.zoneName}
          />
        </div>
        <div className="col-span-3">
          <Field name="shape" label="Shape" fault={faults.shape}>
            {(field) => (
              <select
                {...field}
                value={shape}
                onChange={(event) => isShape(event.target.value) && setShape(event.target.value)}
              >
                {Object.entries(SHAPE_SIZES).map(([kind, { name }]) => (
                  <option key={kind} value={kind}>
                    {name}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </div>
        {[0, 1, 2].map((index) => {
          const size = sizes[index];
          const name = `size${index + 1}`;
          if (!size) return null;
          return (
            <div key={name} className="col-span-2">
              <TextField
                name={name}
                label={`${size.label}, mm`}
                fault={faults[name]}
                keys="decimal"
                value={values[name]}
              />
            </div>
          );
        })}
        {(shape === "disc" || shape === "leg") && (
          <div className="col-span-2">
            <Choice
              name="tape"
              label="Measured"
              values={values}
              faults={faults}
              usual="across"
              choices={[
                ["across", "across it"],
                ["round", "with the tape round it"],
              ]}
            />
            {faults.size1?.includes("unusual") && (
              <label className="mt-1 flex min-h-7 items-center gap-2 text-note">
                <input type="checkbox" name="sure" className="accent-verdigris" /> It is as I say
              </label>
            )}
          </div>
        )}
        <div className="col-span-2">
          <TextField name="count" label="How many" fault={faults.count} keys="numeric" value={values.count ?? "1"} />
        </div>
        <div className="col-span-2">
          <Choice
            name="reliefKind"
            label="Relief"
            values={values}
            faults={faults}
            usual="plain"
            choices={Object.entries(RELIEFS).map(([kind, { name }]) => [kind, name])}
          />
        </div>
        <div className="col-span-2">
          <Choice
            name="orientation"
            label="Position"
            values={values}
            faults={faults}
            usual="upright"
            choices={[
              ["upright", "upright"],
              ["flat", "flat"],
            ]}
          />
        </div>
        <div className="col-span-2">
          <Choice
            name="faces"
            label="Faces finished"
            values={values}
            faults={faults}
            usual="1"
            choices={[
              ["1", "one"],
              ["2", "both"],
            ]}
          />
        </div>
      </FieldGroup>
      <FieldGroup title="Ground" says="what is there now; oak, chestnut, mahogany and cedar bleed through pale paint">
        <div className="col-span-3">
          <Choice
            name="groundKind"
            label="Kind"
            values={values}
            faults={faults}
            usual="raw timber"
            choices={GROUND_KINDS.map((kind) => [kind, kind])}
          />
        </div>
        <div className="col-span-2">
          <Choice
            name="species"
            label="Timber"
            values={values}
            faults={faults}
            usual="unknown"
            choices={SPECIES.map((species) => [species, species])}
          />
        </div>
        <div className="col-span-1">
          <TextField name="knots" label="Knots" fault={faults.knots} keys="numeric" value={values.knots ?? "0"} />
        </div>
        {(values.groundKind ?? "raw timber") !== "raw timber" && (
          <>
            <div className="col-span-3">
              <Choice
                name="age"
                label="Age of old finish"
                values={values}
                faults={faults}
                usual="unknown"
                choices={[
                  ["unknown", "unknown"],
                  ["before 1978", "before 1978"],
                  ["after 1978", "after 1978"],
                ]}
              />
            </div>
            <div className="col-span-3">
              <TextField
                name="inSight"
                label="Meant to stay visible, %"
                fault={faults.inSight}
                keys="decimal"
                value={values.inSight ?? "0"}
              />
            </div>
          </>
        )}
        {values.groundColour && (
          <div className="col-span-2">
            <Field name="groundColour" label="Colour of the ground" fault={faults.groundColour}>
              {(field) => (
                <input {...field} type="color" defaultValue={values.groundColour} className="field !h-8 !p-0.5" />
              )}
            </Field>
          </div>
        )}
      </FieldGroup>
      <FieldGroup title="Life" says="what it will have to withstand">
        <div className="col-span-2">
          <Choice name="wear" label="Use" values={values} faults={faults} usual="gentle" choices={WEAR_CHOICES} />
        </div>
        <div className="col-span-2">
          <Choice name="water" label="Water" values={values} faults={faults} usual="dry" choices={WATER_CHOICES} />
        </div>
        <HotThings on={values.heat === "on"} className="col-span-2 self-end pb-1.5" />
        <div className="col-span-2">
          <Choice
            name="near"
            label="Used near"
            values={values}
            faults={faults}
            usual="nothing"
            choices={[
              ["nothing", "nothing special"],
              ["food", "food"],
              ["children", "small children"],
            ]}
          />
        </div>
        {(
          [
            ["outdoors", "stands outdoors"],
            ["movingParts", "slides against another part"],
          ] as const
        ).map(([name, says]) => (
          <label key={name} className="col-span-2 flex items-center gap-2 self-end pb-1.5">
            <input
              type="checkbox"
              name={name}
              defaultChecked={values[name] === "on"}
              className="size-4 accent-verdigris"
            />
            {says}
          </label>
        ))}
      </FieldGroup>
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
      <FieldGroup title="Taking apart" says="before work on this zone; a part taken off lies flat and needs no tape">
        {HANDS.map((hand) => (
          <label key={hand} className="col-span-3 flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              name="hands"
              value={hand}
              defaultChecked={(values.hands ?? "").split(",").includes(hand)}
              className="size-4 accent-verdigris"
            />
            {hand}
            {zone && <span className="text-note text-soft">{sayTakes(zone, hand)}</span>}
          </label>
        ))}
        {zone && <OtherHandling zone={zone} />}
        <Link to="/hardware" className="link col-span-6 text-note">
          Handles and knobs: holes, screws, a template to print
        </Link>
        {hosts.length > 0 && (
          <div className="col-span-6">
            <Choice
              name="along"
              label="Worked"
              values={values}
              faults={faults}
              usual=""
              choices={[
                ["", "by itself"],
                ...hosts.map(({ id, name }) => [id, `fitted to ${name}, and along with it`] as const),
              ]}
            />
          </div>
        )}
      </FieldGroup>
    </>
  );
}
