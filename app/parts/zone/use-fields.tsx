import { WEAR } from "#core/plan/plan";
import { FieldGroup } from "../plain-field";
import { Choice } from "./choice";
import type { ZoneFieldsProps } from "./zone-fields-props";

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

/** Whether hot things will stand on it. */
export function HotThings({ on, className = "" }: { on: boolean; className?: string }) {
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input type="checkbox" name="heat" defaultChecked={on} className="size-4 accent-verdigris" />
      hot cups or pans
    </label>
  );
}

/** What a zone will have to withstand. */
export function UseFields({ values, faults }: ZoneFieldsProps) {
  return (
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
  );
}
