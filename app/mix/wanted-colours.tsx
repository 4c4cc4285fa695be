import { Link, useSearchParams } from "react-router";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { FileChoice } from "~/parts/file-choice";
import { address } from "./tin";

/** The job's target colours: saved, imported from a palette, exported as one. */
export function WantedColours({ wanted }: { wanted: string | null }) {
  const { plan } = useJob();
  const refused = useRefused("add target", "import palette");
  const [params] = useSearchParams();
  return (
    <div className="mt-3">
      {plan.palette.length > 0 && (
        <ul className="flex flex-wrap gap-1.5" aria-label="Target colours of this job">
          {plan.palette.map(({ name, colour }, index) => (
            <li key={`${colour} ${name}`} className="flex items-center rounded-std border border-line bg-board">
              <Link
                to={address(params, { want: colour })}
                replace
                preventScrollReset
                aria-current={colour === wanted ? "true" : undefined}
                className="flex min-h-[26px] items-center gap-1.5 px-2 text-note hover:underline"
              >
                <span
                  className="size-3.5 rounded-full border border-edge"
                  style={{ background: colour }}
                  aria-hidden="true"
                />
                {name}
              </Link>
              <EditForm does="remove target" about={{ at: String(index) }} label={`Remove ${name}`}>
                <button className="px-1.5 text-soft hover:text-ink" aria-label={`Remove ${name}`}>
                  ×
                </button>
              </EditForm>
            </li>
          ))}
        </ul>
      )}
      <details className="mt-2" open={refused}>
        <summary className="py-1 text-note text-soft">Save this colour, or import a palette</summary>
        <div className="mt-1 grid grid-cols-2 gap-4">
          <EditForm key={wanted} does="add target" label="Save a target colour" className="flex flex-col gap-2">
            {({ faults, values }) => (
              <>
                <TextField name="wanted" label="Colour" fault={faults.wanted} value={values?.wanted ?? wanted ?? ""} />
                <Field name="wantedName" label="Name" fault={faults.wantedName}>
                  {(field) => <input {...field} type="text" maxLength={80} defaultValue={values?.wantedName ?? ""} />}
                </Field>
                <button className="button">Save colour</button>
              </>
            )}
          </EditForm>
          <EditForm
            key={plan.palette.length}
            does="import palette"
            label="Import a palette"
            className="flex flex-col gap-2"
          >
            {({ faults, values }) => (
              <>
                <Field name="palette" label="GIMP palette (*.gpl), as text" fault={faults.palette}>
                  {(field) => (
                    <textarea
                      {...field}
                      rows={4}
                      defaultValue={values?.palette ?? ""}
                      placeholder={"GIMP Palette\nName: harbour\n169 189 179 duck egg"}
                    />
                  )}
                </Field>
                <PaletteFile />
                <div className="flex gap-2">
                  <button className="button">Import</button>
                  <a className="button" href={`/jobs/${plan.id}/palette.gpl`} download>
                    Export palette
                  </a>
                </div>
              </>
            )}
          </EditForm>
        </div>
      </details>
    </div>
  );
}

/** Puts a file's text into the field above it. */
function PaletteFile() {
  return (
    <FileChoice
      accept=".gpl,text/plain"
      label="Palette file"
      says="Read it from a file"
      onFile={async (file, input) => {
        const field = input.form?.elements.namedItem("palette");
        if (file && field instanceof HTMLTextAreaElement)
          field.value = (await file.slice(0, 70_000).text()).slice(0, 65_000);
        input.value = "";
      }}
    />
  );
}
