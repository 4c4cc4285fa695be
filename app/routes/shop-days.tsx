import { readWallTime } from "#core/units/wall-time";
import type { ShopJob } from "~/days/shop-lanes";
import { afterPaint } from "~/first/after-paint";
import { packed } from "~/first/packed";
import { calendarJobsIn, datesIn, readShopState, standingIn } from "~/http/plan-of-work.server";
import { withStore } from "~/http/trouble.server";

export const loader = () =>
  withStore(async (store) => {
    const state = await readShopState(store);
    const { shop, leftOut } = state.inputs;
    const dates = datesIn(state);
    const shown = calendarJobsIn(state).map(
      ({ plan, job, isKept }): ShopJob => ({
        id: plan.id,
        title: plan.title,
        isKept,
        due: plan.due === undefined ? null : readWallTime(plan.due),
        edited: dates[plan.id]?.edited ?? false,
        pieces: plan.pieces.map(({ id, name, zones }) => ({
          id,
          name,
          zones: zones.map((zone) => ({ id: zone.id, name: zone.name })),
        })),
        job,
      }),
    );
    return { jobs: packed(shown), shop, leftOut, standing: standingIn(state) };
  });

export const meta = () => [{ title: "Shop calendar · Jolly Crust" }];

export default afterPaint(() => import("~/views/shop-days"));
