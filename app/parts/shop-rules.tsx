import { HouseRules } from "#core/plan/house-rules";
import { useJobEditor } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { sayHours, WEEKDAYS } from "~/forms/hours-form";

/** Each school: what is asked, and why shops differ. The choices are those of the schema. */
const SCHOOLS: Record<keyof HouseRules, { asks: string; why: string }> = {
  waitBeforeClear: {
    asks: "Paint stands before wax or clear coat",
    why: "the full wait is safe; touch dry saves a day and risks dragging",
  },
  milkRecoat: { asks: "Milk paint is recoated after", why: "12 h lets the casein set; labels often say 2 h" },
  darkWax: { asks: "Dark wax goes", why: "over clear it can be moved; straight on it grimes the whole" },
  darkOnClear: { asks: "Dark into clear wax", why: "fresh it blends; set it lies where it is put" },
  lastWax: { asks: "The last wax", why: "clear over dark lifts some of it, and evens the sheen" },
  buff: { asks: "Wax is buffed", why: "sooner is easier, later is glossier" },
};

const choicesOf = (key: keyof HouseRules): readonly string[] => HouseRules.shape[key].unwrap().options;

export function HouseRulesForm() {
  const { plan } = useJobEditor();
  const { houseRules } = plan.pinned;
  return (
    <EditForm
      key={JSON.stringify(houseRules)}
      does="set house rules"
      autosave
      label="House rules"
      className="grid grid-cols-2 gap-x-3 gap-y-2.5"
    >
      {(Object.keys(SCHOOLS) as (keyof HouseRules)[]).map((key) => (
        <Field key={key} name={key} label={SCHOOLS[key].asks} hint={SCHOOLS[key].why}>
          {(field) => (
            <select {...field} defaultValue={houseRules[key]}>
              {choicesOf(key).map((choice) => (
                <option key={choice}>{choice}</option>
              ))}
            </select>
          )}
        </Field>
      ))}
      <noscript className="col-span-2">
        <button className="press">Save the house rules</button>
      </noscript>
    </EditForm>
  );
}

export function HoursForm() {
  const { plan } = useJobEditor();
  const { weekdays } = plan.pinned.hours;
  return (
    <EditForm
      key={JSON.stringify(weekdays)}
      does="set hours"
      autosave
      label="Working hours"
      className="grid grid-cols-2 gap-x-3 gap-y-2"
    >
      {({ faults, values }) => (
        <>
          {WEEKDAYS.map((name, index) => (
            <Field key={name} name={name} label={name} fault={faults[name]}>
              {(field) => (
                <input
                  {...field}
                  type="text"
                  placeholder="free"
                  defaultValue={values?.[name] ?? sayHours(weekdays[index]!)}
                />
              )}
            </Field>
          ))}
          <noscript className="col-span-2">
            <button className="press">Save the working hours</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
