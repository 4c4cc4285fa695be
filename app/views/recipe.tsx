import { Form, Link, useActionData, useLoaderData } from "react-router";
import { GROUND_KINDS } from "#core/plan/ground";
import { sayDuration } from "#core/units/duration";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { JobHead } from "~/parts/job-head";
import type { action, loader } from "~/routes/recipe";

export default function RecipeRoute() {
  const { planId, title, zones, zone, crust, ground, steps, wanted, tried, token } = useLoaderData<typeof loader>();
  const result = useActionData<typeof action>();
  return (
    <div className="min-h-screen">
      <JobHead planId={planId} title={title} view={null} />
      <main className="ledger">
        <section aria-label="As it was done">
          <h1 className="text-view">{crust ?? "No crust yet"}</h1>
          <nav aria-label="Zones" className="mt-1 flex flex-wrap gap-x-4">
            {zones.map(({ id, name }) => (
              <Link key={id} to={`?zone=${id}`} className="job-tab" aria-current={id === zone ? "page" : undefined}>
                {name}
              </Link>
            ))}
          </nav>
          <ol className="mt-2">
            {steps.map(({ phaseId, title: what, colour, stood, took, remarks, done }) => (
              <li key={phaseId} className="flex gap-3 border-b border-hair py-2">
                <span
                  className="mt-1 h-4 w-4 shrink-0 rounded-full border border-line"
                  style={{ background: colour ?? "none" }}
                  aria-hidden="true"
                />
                <span>
                  <b className={done ? "font-semibold" : "font-normal text-soft"}>{what}</b>
                  <span className="text-note text-soft">
                    {took === null ? (done ? "" : " · not done yet") : ` · took ${sayDuration(took)}`}
                    {stood === null ? "" : `, then stood ${sayDuration(stood)}`}
                  </span>
                  {remarks.map((says) => (
                    <span key={says} className="block text-sienna">
                      {says}
                    </span>
                  ))}
                </span>
              </li>
            ))}
          </ol>
        </section>
        <section aria-label="Make it again">
          <h2 className="text-view">Make it again on another piece</h2>
          <p className="text-soft">
            The crust in the order it was really laid, judged on the new ground; what happened goes along as notes.
          </p>
          {result && "says" in result && (
            <p role="alert" className="mt-2 font-semibold text-ochre">
              {result.says}
            </p>
          )}
          <Form method="get" className="mt-3 flex flex-wrap items-end gap-3" aria-label="The other piece">
            <input type="hidden" name="zone" value={zone ?? ""} />
            <label>
              Ground
              <select name="ground" className="field min-h-11" defaultValue={wanted?.ground ?? ground}>
                {GROUND_KINDS.map((kind) => (
                  <option key={kind}>{kind}</option>
                ))}
              </select>
            </label>
            <label>
              Width, mm
              <input
                name="width"
                inputMode="numeric"
                className="field min-h-11 w-28"
                defaultValue={wanted?.width ?? 600}
              />
            </label>
            <label>
              Height, mm
              <input
                name="height"
                inputMode="numeric"
                className="field min-h-11 w-28"
                defaultValue={wanted?.height ?? 400}
              />
            </label>
            <button className="button min-h-11">Check it</button>
          </Form>
          {tried && wanted && (
            <>
              <p className="mt-4">
                Amounts: <b className="font-semibold">{tried.scale.toFixed(2)}</b> times those of this zone.{" "}
                {tried.findings.length === 0 ? "Nothing speaks against it on this ground." : "On this ground:"}
              </p>
              <ul className="mt-2 flex flex-col gap-2">
                {tried.findings.map(({ id, severity, title: says, because }) => (
                  <li key={id} className={`border-l-4 bg-board px-3 py-2 ${SEVERITY_WORDS[severity].edge}`}>
                    <p className={`flex items-center gap-2 font-semibold ${SEVERITY_WORDS[severity].text}`}>
                      <SeamMark severity={severity} width={28} /> {SEVERITY_WORDS[severity].one}: {says}
                    </p>
                    <p>{because}</p>
                  </li>
                ))}
              </ul>
              <Form method="post" className="mt-4 flex flex-wrap items-end gap-3" aria-label="New job">
                <input type="hidden" name="id" value={`r-${token}`} />
                <input type="hidden" name="zone" value={zone ?? ""} />
                {(["ground", "width", "height"] as const).map((name) => (
                  <input key={name} type="hidden" name={name} value={wanted[name]} />
                ))}
                <label className="grow">
                  Name of the new job
                  <input name="title" className="field min-h-11" maxLength={80} />
                </label>
                <label className="grow">
                  Client (optional)
                  <input name="client" className="field min-h-11" maxLength={120} />
                </label>
                <button className="button button-main min-h-11">Begin the job</button>
              </Form>
            </>
          )}
        </section>
      </main>
    </div>
  );
}
