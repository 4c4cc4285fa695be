import type { Zone } from "#core/plan/plan";
import type { Faults, FormFields } from "~/forms/fields";

/** What every part of a zone's form is shown from. */
export interface ZoneFieldsProps {
  values: FormFields;
  faults: Faults;
  /** the zone as it is, where there is one already */
  zone?: Zone;
  /** zones that it could stay fitted to */
  hosts?: readonly Zone[];
}
