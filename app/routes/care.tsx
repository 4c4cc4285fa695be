import QRCode from "qrcode";
import { judgementOf } from "#core/schedule/kept";
import { fittedIn, workOf } from "#core/schedule/plan-of-work";
import { careFor } from "#core/shelf/care";
import { sayLongFullDate } from "#core/units/when";
import { getJob } from "#db/plans";
import { getShop } from "#db/shop";
import { afterPaint } from "~/first/after-paint";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/care";

/** "Friday 25 December 2026": a card is read long after. */
/** A code holds so much before it is too fine to be read off paper. */
const MOST_LETTERS = 900;

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { plan } = job;
    const { dates } = fittedIn(workOf(plan, (await getShop(store)).shop), {});
    const care = careFor(plan, judgementOf(plan));
    const when = dates
      ? [
          { name: "Dry to the touch", says: "It may be moved, with clean hands.", at: dates.leaves },
          { name: "Light use", says: "Nothing hot, wet or heavy yet.", at: dates.lightUse },
          { name: "Fully cured", says: "Use it as it is meant to be used.", at: dates.fullUse },
        ]
      : [];
    const text = [
      plan.title,
      ...when.map(({ name, at }) => `${name}: ${sayLongFullDate(at)}`),
      ...care.map(({ zones, says }) => `${zones.join(", ")}: ${says.join(" ")}`),
    ]
      .join("\n")
      .slice(0, MOST_LETTERS);
    // the card itself in the code: it leads nowhere
    const code = await QRCode.toDataURL(text, { margin: 0, width: 220, errorCorrectionLevel: "L" });
    return { planId, title: plan.title, client: plan.client ?? null, when, care, code };
  });

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Care card: ${(loaderData as { title?: string } | undefined)?.title ?? ""}` },
];

export default afterPaint(() => import("~/views/care"));
