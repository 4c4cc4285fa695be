import { own } from "#core/plan/own";
import type { Plan } from "#core/plan/plan";
import { COLOUR_FORMS } from "./edits/colour";
import { CRUST_FORMS } from "./edits/crusts";
import { FINISH_FORMS } from "./edits/finishes";
import { type FilledForm, type FormEdit, refuse } from "./edits/form-edit";
import { FRONT_FORMS } from "./edits/front";
import { JOB_FORMS } from "./edits/job";
import { PHOTO_FORMS } from "./edits/photo";
import { PIECE_FORMS } from "./edits/pieces";
import { SHOP_FORMS } from "./edits/shop";
import { STEP_FORMS } from "./edits/steps";
import { ZONE_FORMS } from "./edits/zones";
import type { FormFields } from "./fields";

export type { FormEdit } from "./edits/form-edit";
export { stepName } from "./edits/form-edit";

const FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  ...STEP_FORMS,
  ...CRUST_FORMS,
  ...ZONE_FORMS,
  ...PIECE_FORMS,
  ...FRONT_FORMS,
  ...JOB_FORMS,
  ...SHOP_FORMS,
  ...FINISH_FORMS,
  ...PHOTO_FORMS,
  ...COLOUR_FORMS,
};

/**
 * Reads an edit from a form's fields against the plan as it is. The page uses it before sending, the server where no
 * scripts run, so both give the same result.
 */
export function readEditForm(plan: Plan, fields: FormFields, newId: () => string): FormEdit {
  const form = own(FORMS, fields.do ?? "");
  return form ? form({ plan, fields, newId }) : refuse("The form arrived incomplete. Reload the page and try again.");
}
