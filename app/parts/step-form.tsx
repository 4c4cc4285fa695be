import { ArrowDown, ArrowUp, Scissors, Trash2 } from "lucide-react";
import { CATALOGUE } from "#core/materials/catalogue";
import { PRESSURES } from "#core/plan/effort";
import { isTimber } from "#core/plan/ground";
import { type Crust, INTENTS, PLACES, type Step, WHERE, type Zone } from "#core/plan/plan";
import { WAIT_KINDS } from "#core/plan/wait";
import { shareCovered } from "#core/surface/coverage";
import type { Technique } from "#core/surface/technique";
import { findTechnique, TECHNIQUES, techniquesFor } from "#core/surface/techniques";
import { useJob } from "~/editor/job-editor";
import { MEASURED } from "~/forms/amount-form";
import { stepName } from "~/forms/edit-form";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";
import type { FormFields } from "~/forms/fields";
import { stepsBefore, WAIT_WORDS, waitText } from "~/forms/wait-form";
import { countOf } from "~/words/amount";
import { MaterialOptions } from "./material-options";
import { canBeMixed, MixFields } from "./mix-fields";
import { COVER_WORDS, INTENT_WORDS, sayCovered, WHERE_WORDS } from "./step-words";

/** The kinds of step that can be worked in one go with the step before. */
const IN_A_GO: ReadonlySet<string> = new Set(["coat", "take", "help"]);

/** Effects that more passes and more pressure change. */
const TAKES: ReadonlySet<string> = new Set(["abrade", "dissolve", "chip", "thin", "lift"]);
const isTaking = ({ kind, effects }: Technique) => kind === "take" && effects.some(({ does }) => TAKES.has(does));

const goValue = ({ oneGo }: Step) => (oneGo === undefined ? "usual" : oneGo ? "together" : "apart");

/** The kinds of step that go on part of a face. */
const PLACED: ReadonlySet<string> = new Set(["prepare", "coat", "take"]);

const isMixedPlace = ({ where: { also = [], but = [] } }: Step) => also.length + but.length > 0;

/** Places to tick: joined to where the step goes, or left out of it. */
function Places({
  name,
  legend,
  of,
  step,
  values,
}: {
  name: "also" | "but";
  legend: string;
  of: readonly Step["where"]["on"][];
  step: Step;
  values: FormFields | null;
}) {
  const chosen: readonly string[] = values ? (values[name] ?? "").split(",") : (step.where[name] ?? []);
  return (
    <fieldset>
      <legend className="text-note text-soft">{legend}</legend>
      {of.map((one) => (
        <label key={one} className="flex min-h-[26px] items-center gap-2">
          <input
            type="checkbox"
            name={name}
            value={one}
            defaultChecked={chosen.includes(one)}
            className="size-4 shrink-0 accent-verdigris"
          />
          {WHERE_WORDS[one]}
        </label>
      ))}
    </fieldset>
  );
}

/** The selected step: every field is saved as it is left. */
export function StepForm({ crust, step, zone }: { crust: Crust; step: Step; zone: Zone }) {
  const { plan, judgement } = useJob();
  const technique = findTechnique(step.how);
  const here = judgement.zones.find((judged) => judged.zone.id === zone.id);
  const gone =
    step.effort?.until === undefined
      ? null
      : (here?.phases.find(({ phase }) => phase.step.id === step.id)?.phase.passes ?? null);
  const materials = [
    ...plan.pinned.materials,
    ...CATALOGUE.filter((one) => !plan.pinned.materials.some((pinned) => pinned.id === one.id)),
  ];
  const material = materials.find((one) => one.id === step.what);
  const ways = material
    ? techniquesFor(material)
    : TECHNIQUES.filter((one) => one.lays.length === 0 && (one.kind === step.kind || step.kind === "prepare"));
  const covered = material && technique ? shareCovered(step, technique, material, zone) : null;
  const looks = COVER_WORDS[step.how];
  const distress = step.how === "wet-distress" || step.how.startsWith("sand-");
  const before = stepsBefore(crust, step);
  const below = crust.steps.slice(0, crust.steps.indexOf(step)).filter((one) => one.what);
  return (
    <EditForm
      key={`${crust.id}/${step.id}/${JSON.stringify(step)}`}
      does="patch step"
      about={{ crustId: crust.id, stepId: step.id }}
      autosave
      label={`Step: ${stepName(plan, step)}`}
    >
      {({ faults, values }) => (
        <div className="grid grid-cols-2 gap-x-3 gap-y-2.5">
          {material && (
            <div className="col-span-2">
              <Field name="what" label="Material" fault={faults.what}>
                {(field) => (
                  <select {...field} defaultValue={values?.what ?? step.what}>
                    <MaterialOptions of={materials.filter((one) => one.role === material.role)} />
                  </select>
                )}
              </Field>
            </div>
          )}
          <Field name="how" label="How" fault={faults.how}>
            {(field) => (
              <select {...field} defaultValue={values?.how ?? step.how}>
                {ways.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
                {!ways.some((one) => one.id === step.how) && (
                  <option value={step.how}>{technique?.name ?? step.how}</option>
                )}
              </select>
            )}
          </Field>
          {material ? (
            <TextField
              name="coats"
              label="Coats"
              fault={faults.coats}
              keys="numeric"
              value={values?.coats ?? step.coats}
            />
          ) : (
            <p className="self-end pb-1.5 text-note text-soft">{technique?.hint}</p>
          )}
          {PLACED.has(step.kind) && (
            <>
              <Field name="on" label="Where" fault={faults.on}>
                {(field) => (
                  <select {...field} defaultValue={values?.on ?? step.where.on}>
                    {WHERE.map((one) => (
                      <option key={one} value={one}>
                        {WHERE_WORDS[one]}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              <TextField
                name="share"
                label="Worked over, %"
                fault={faults.share}
                keys="decimal"
                value={values?.share ?? Math.round(step.where.over * 1000) / 10}
              />
            </>
          )}
          {PLACED.has(step.kind) && (
            <details className="col-span-2" open={isMixedPlace(step) || faults.but !== undefined}>
              <summary className="cursor-pointer text-note text-soft">More places, or all but some</summary>
              <input type="hidden" name="hasPlaces" value="yes" />
              <div className="mt-1 grid grid-cols-2 gap-x-3">
                {step.where.on !== "everywhere" && (
                  <Places
                    name="also"
                    legend="And on"
                    of={WHERE.filter((one) => one !== "everywhere")}
                    step={step}
                    values={values}
                  />
                )}
                <Places name="but" legend="But not on" of={PLACES} step={step} values={values} />
              </div>
              {faults.but && (
                <p role="alert" className="text-note font-semibold text-sienna">
                  {faults.but}
                </p>
              )}
            </details>
          )}
          {covered !== null && (
            <p className="col-span-2 text-note text-soft">
              {covered > 0
                ? `Covers ${sayCovered(covered)}${looks ? `, ${looks}` : ""}.`
                : "It does not reach there: nothing comes to lie."}
            </p>
          )}
          {material && (
            <>
              <Field name="amount" label="How much">
                {(field) => (
                  <select {...field} defaultValue={values?.amount ?? step.amount?.kind ?? "usual"}>
                    <option value="usual">the usual</option>
                    <option value="light">a light coat</option>
                    <option value="heavy">a heavy coat</option>
                    {Object.entries(MEASURED).map(([kind, unit]) => (
                      <option key={kind} value={kind}>
                        … {unit}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              <TextField
                name="amountOf"
                label="Measured as"
                fault={faults.amountOf}
                keys="decimal"
                value={values?.amountOf ?? (step.amount && "of" in step.amount ? step.amount.of : "")}
              />
              <div className="col-span-2">
                <Field name="lies" label="Laid">
                  {(field) => (
                    <select {...field} defaultValue={values?.lies ?? (step.uneven ? "unevenly" : "evenly")}>
                      <option value="evenly">evenly</option>
                      <option value="unevenly">unevenly, thin here and thick there</option>
                    </select>
                  )}
                </Field>
              </div>
            </>
          )}
          {technique && isTaking(technique) && (
            <>
              <TextField
                name="passes"
                label="Passes"
                fault={faults.passes}
                keys="numeric"
                value={values?.passes ?? step.effort?.passes ?? 1}
              />
              <Field name="pressure" label="Pressure">
                {(field) => (
                  <select {...field} defaultValue={values?.pressure ?? step.effort?.pressure ?? "usual"}>
                    {PRESSURES.map((one) => (
                      <option key={one} value={one}>
                        {one}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            </>
          )}
          <Field name="waitKind" label="Wait before it">
            {(field) => (
              <select {...field} defaultValue={values?.waitKind ?? step.wait?.kind ?? "as needed"}>
                <option value="as needed">as needed</option>
                {WAIT_KINDS.map((one) => (
                  <option key={one} value={one}>
                    {WAIT_WORDS[one]}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <TextField
            name="wait"
            label="How long, or which sign"
            fault={faults.wait}
            placeholder="45 min, 2 h, 1 day"
            value={values?.wait ?? waitText(step)}
          />
          {before.length > 0 && (
            <>
              <Field name="waitAfter" label="Counted from">
                {(field) => (
                  <select {...field} defaultValue={values?.waitAfter ?? step.wait?.after ?? ""}>
                    <option value="">the step before</option>
                    {before.map((one) => (
                      <option key={one.id} value={one.id}>
                        {stepName(plan, one)}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              {IN_A_GO.has(step.kind) && (
                <Field name="oneGo" label="Worked">
                  {(field) => (
                    <select {...field} defaultValue={values?.oneGo ?? goValue(step)}>
                      <option value="usual">as is usual for it</option>
                      <option value="together">in one go with the step before</option>
                      <option value="apart">on its own</option>
                    </select>
                  )}
                </Field>
              )}
            </>
          )}
          {step.kind === "inspect" && before.length > 0 && (
            <>
              <div className="col-span-2">
                <Field name="againFrom" label="Repeat until it is right" fault={faults.againFrom}>
                  {(field) => (
                    <select {...field} defaultValue={values?.againFrom ?? step.again?.from ?? ""}>
                      <option value="">no repeating</option>
                      {before
                        .filter(({ branch }) => branch === undefined)
                        .map((one) => (
                          <option key={one.id} value={one.id}>
                            again from {stepName(plan, one).toLowerCase()}
                          </option>
                        ))}
                    </select>
                  )}
                </Field>
              </div>
              <TextField
                name="rounds"
                label="Rounds expected in all"
                fault={faults.rounds}
                keys="numeric"
                value={values?.rounds ?? step.again?.rounds ?? 2}
              />
            </>
          )}
          {material && canBeMixed(material) && (
            <MixFields
              mix={step.mix}
              own={material}
              materials={materials}
              beside={technique?.carriesTwo ?? false}
              faults={faults}
              values={values}
            />
          )}
          {distress && (
            <>
              <Field name="reveals" label="Should show">
                {(field) => (
                  <select {...field} defaultValue={values?.reveals ?? step.reveals ?? ""}>
                    <option value="">whatever it exposes</option>
                    {below.map((one) => (
                      <option key={one.id} value={one.id}>
                        {stepName(plan, one)}
                      </option>
                    ))}
                    <option value="ground">the bare {isTimber(zone.ground.kind) ? "timber" : zone.ground.kind}</option>
                  </select>
                )}
              </Field>
              <TextField
                name="until"
                label="Until it shows over, %"
                fault={faults.until}
                hint={gone !== null ? `needs ${countOf(gone, "pass", "passes")} here` : undefined}
                keys="decimal"
                placeholder="by passes"
                value={
                  values?.until ?? (step.effort?.until === undefined ? "" : Math.round(step.effort.until * 1000) / 10)
                }
              />
            </>
          )}
          {material && (
            <fieldset className="col-span-2">
              <legend className="mb-0.5 text-note text-soft">Intended</legend>
              <input type="hidden" name="hasIntents" value="yes" />
              {INTENTS.map((intent) => (
                <label key={intent} className="flex min-h-[26px] items-center gap-2">
                  <input
                    type="checkbox"
                    name="intents"
                    value={intent}
                    defaultChecked={
                      values ? (values.intents ?? "").split(",").includes(intent) : step.intents.includes(intent)
                    }
                    className="size-4 accent-verdigris"
                  />
                  {INTENT_WORDS[intent]}
                </label>
              ))}
            </fieldset>
          )}
          <div className="col-span-2">
            <TextField
              name="note"
              label="Note to yourself"
              fault={faults.note}
              value={values?.note ?? step.note ?? ""}
            />
          </div>
          <noscript className="col-span-2">
            <button className="button button-main w-full" type="submit">
              Save the step
            </button>
          </noscript>
        </div>
      )}
    </EditForm>
  );
}

/** Moving the selected step, and removing it. */
export function StepButtons({ crust, step }: { crust: Crust; step: Step }) {
  const at = crust.steps.indexOf(step);
  const about = { crustId: crust.id, stepId: step.id };
  return (
    <div className="flex flex-wrap gap-2">
      <EditForm does="move step" about={{ ...about, to: "up" }}>
        <button className="button" disabled={at === crust.steps.length - 1}>
          <ArrowUp size={15} strokeWidth={1.5} aria-hidden="true" /> Up
        </button>
      </EditForm>
      <EditForm does="move step" about={{ ...about, to: "down" }}>
        <button className="button" disabled={at === 0}>
          <ArrowDown size={15} strokeWidth={1.5} aria-hidden="true" /> Down
        </button>
      </EditForm>
      <EditForm does="remove step" about={about}>
        <button className="button">
          <Trash2 size={15} strokeWidth={1.5} aria-hidden="true" /> Remove
        </button>
      </EditForm>
      {at > 0 && step.branch === undefined && (
        <EditForm does="split crust" about={about}>
          <button className="button" title="Keeps the layers under this step as a separate crust, to use elsewhere">
            <Scissors size={15} strokeWidth={1.5} aria-hidden="true" /> Split
          </button>
        </EditForm>
      )}
    </div>
  );
}
