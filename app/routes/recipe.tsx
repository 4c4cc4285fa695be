import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { z } from "zod";
import { checkPlan, sayFault } from "#core/exchange/plan-file";
import { judge } from "#core/judge/judge";
import { planFromRecipe, recipeOf, scaleOf } from "#core/ledger/recipe";
import { replay } from "#core/ledger/replay";
import { GROUND_KINDS } from "#core/plan/ground";
import { Id, zonesOf } from "#core/plan/plan";
import { DAY } from "#core/units/units";
import { midnightBefore, sayWallTime, weekday } from "#core/units/wall-time";
import { ledgerOf } from "#db/ledger";
import type { Store } from "#db/open";
import { addPlan, getJob } from "#db/plans";
import { afterPaint } from "~/first/after-paint";
import { fieldsOf } from "~/forms/fields";
import { readForm } from "~/http/body.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
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

export default afterPaint(() => import("~/views/recipe"));
