import { nanoid } from "nanoid";
import { data, Form, Link, redirect, useActionData, useLoaderData } from "react-router";
import { z } from "zod";
import { checkPlan, sayFault } from "#core/exchange/plan-file";
import { judge } from "#core/judge/judge";
import { planFromRecipe, recipeOf, scaleOf } from "#core/ledger/recipe";
import { replay } from "#core/ledger/replay";
import { GROUND_KINDS } from "#core/plan/ground";
import { Id, zonesOf } from "#core/plan/plan";
import { sayDuration } from "#core/units/duration";
import { DAY } from "#core/units/units";
import { midnightBefore, sayWallTime, weekday } from "#core/units/wall-time";
import { ledgerOf } from "#db/ledger";
import type { Store } from "#db/open";
import { addPlan, getJob } from "#db/plans";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { fieldsOf } from "~/forms/fields";
import { readForm } from "~/http/body.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
import { JobHead } from "~/parts/job-head";
import { todayNow } from "~/shelf/today";
import type { Route } from "./+types/recipe";

const Wanted = z.object({
  ground: z.enum(GROUND_KINDS),
  width: z.coerce.number("write the width in millimetres").min(20).max(5000),
  height: z.coerce.number("write the height in millimetres").min(20).max(5000),
});

function nextMorning(): string {
  let day = midnightBefore(todayNow()) + DAY;
  while (weekday(day) > 4) day += DAY;
  return sayWallTime(day + 9 * 60);
}

async function recipeIn(store: Store, planId: string, zoneId: string | null) {
  const job = await getJob(store, planId);
  if (!job) throw noSuchJob(planId);
  const { plan } = job;
  const zone = zonesOf(plan).find(({ id }) => id === zoneId) ?? zonesOf(plan)[0];
  const recipe = zone && recipeOf(plan, zone.id, replay((await ledgerOf(store, planId)).map(({ event }) => event)));
  return { plan, recipe: recipe ?? null };
}

export const loader = ({ params, request }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const asked = new URL(request.url).searchParams;
    const { plan, recipe } = await recipeIn(store, planId, asked.get("zone"));
    const wanted = Wanted.safeParse(Object.fromEntries(asked));
    let tried = null;
    if (recipe && wanted.success) {
      const { ground, width, height } = wanted.data;
      const shape = { kind: "panel" as const, width, height, count: 1 };
      const made = planFromRecipe(plan, recipe, {
        id: "tried",
        title: "tried",
        piece: recipe.zone.name,
        start: plan.start,
        ground,
        shape,
      });
      const judged = judge(made).zones[0];
      tried = {
        scale: scaleOf(plan, recipe.zone.id, { shape }),
        findings: (judged?.findings ?? [])
          .filter(({ severity }) => severity !== "note")
          .map(({ severity, title, because, id }) => ({ severity, title, because, id })),
      };
    }
    return {
      planId,
      title: plan.title,
      zones: zonesOf(plan).map(({ id, name }) => ({ id, name })),
      zone: recipe?.zone.id ?? null,
      ground: recipe?.zone.ground.kind ?? "raw timber",
      crust: recipe?.crust.name ?? null,
      steps: (recipe?.steps ?? []).map(({ phaseId, title, colour, stood, took, remarks, done }) => ({
        phaseId,
        title,
        colour,
        stood,
        took,
        remarks,
        done,
      })),
      wanted: wanted.success ? wanted.data : null,
      tried,
      token: nanoid(10),
    };
  });

/** Makes a new job of it. */
export async function action({ params, request }: Route.ActionArgs) {
  const planId = planIdOf(params);
  const fields = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    const { plan, recipe } = await recipeIn(store, planId, fields.zone ?? null);
    const wanted = Wanted.safeParse(fields);
    const title = (fields.title ?? "").trim().slice(0, 80);
    if (!recipe) return data({ says: "There is no zone to take it from." }, { status: 422 });
    if (title === "") return data({ says: "Give the new job a name." }, { status: 422 });
    if (!wanted.success)
      return data({ says: "Write width and height in millimetres, from 20 to 5000." }, { status: 422 });
    const { ground, width, height } = wanted.data;
    const made = checkPlan(
      planFromRecipe(plan, recipe, {
        id: Id.safeParse(fields.id).data ?? nanoid(10),
        title,
        ...(fields.client?.trim() ? { client: fields.client.trim().slice(0, 120) } : {}),
        piece: title,
        start: nextMorning(),
        ground,
        shape: { kind: "panel", width, height, count: 1 },
      }),
    );
    if (!made.ok) return data({ says: sayFault(made.faults[0]!) }, { status: 422 });
    if (await addPlan(store, made.plan)) noteWritten(made.plan);
    return redirect(`/jobs/${made.plan.id}/crust`);
  });
}

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Recipe: ${(loaderData as { title?: string } | undefined)?.title ?? ""}` },
];

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
