import type { Crust, Step, Zone } from "#core/plan/plan";
import type { Faults, FormFields } from "~/forms/fields";

/** What every part of a step's form is shown from. */
export interface StepFieldsProps {
  crust: Crust;
  step: Step;
  zone: Zone;
  faults: Faults;
  /** what was typed, where the form has come back from the server with something wrong in it */
  values: FormFields | null;
}
