import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { factorsOf, SURE_FROM } from "#core/ledger/learned";
import { hoursOfShop } from "#core/plan/shop";
import { DAY } from "#core/units/units";
import { midnightBefore, sayWallTime, weekday } from "#core/units/wall-time";
import { addPlan } from "#db/plans";
import { getShop } from "#db/shop";
import { afterPaint } from "~/first/after-paint";
import { fieldsOf } from "~/forms/fields";
import { readNewJob, readReadyPiece } from "~/forms/job-form";
import { readForm } from "~/http/body.server";
import { learnedOf } from "~/http/ledger.server";
import { withStore } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
import type { Route } from "./+types/new-job";

const NINE = 9 * 60;

/** Nine o'clock on the next working day. */
function nextMorning(now: Date): string {
  let day = midnightBefore(now.getTime() / 60_000) + DAY;
  while (weekday(day) > 4) day += DAY;
  return sayWallTime(day + NINE);
}

export const loader = ({ request }: Route.LoaderArgs) => ({
  id: nanoid(10),
  start: nextMorning(new Date()),
  own: new URL(request.url).searchParams.get("measures") === "own",
});

export async function action({ request }: Route.ActionArgs) {
  const values = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    const hours = hoursOfShop((await getShop(store)).shop);
    const read = values.own === "yes" ? readNewJob(values, hours) : readReadyPiece(values, hours);
    if (!read.ok) return data({ faults: read.faults, values }, { status: 422 });
    // a new job waits as long as things have been seen to dry here
    const drying = factorsOf(await learnedOf(store), SURE_FROM);
    const known = Object.keys(drying).length > 0;
    const plan = known ? { ...read.plan, pinned: { ...read.plan.pinned, drying } } : read.plan;
    // a form sent twice finds its job already there
    if (await addPlan(store, plan)) noteWritten(plan);
    return redirect(`/jobs/${plan.id}/${values.next === "crust" ? "crust" : "finish"}`);
  });
}

export const meta: Route.MetaFunction = () => [{ title: "New job · Jolly Crust" }];

export default afterPaint(() => import("~/views/new-job"));
