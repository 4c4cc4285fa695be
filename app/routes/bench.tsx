import { nanoid } from "nanoid";
import type { ShouldRevalidateFunctionArgs } from "react-router";
import { lastState } from "~/bench/last-state";
import { afterPaint } from "~/first/after-paint";
import { benchState } from "~/http/bench.server";
import { benchAction } from "~/http/bench-action.server";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/bench";

export const loader = () => withStore(async (store) => ({ ...(await benchState(store)), token: nanoid(10) }));

export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs) {
  try {
    return await serverLoader();
  } catch (error) {
    // as the page showed it last
    if (lastState.is) return lastState.is as Awaited<ReturnType<typeof serverLoader>>;
    throw error;
  }
}

/** Another step or panel is the same page: only the shop's own news are loaded. */
export const shouldRevalidate = ({ currentUrl, nextUrl, defaultShouldRevalidate }: ShouldRevalidateFunctionArgs) =>
  currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search ? false : defaultShouldRevalidate;

export const action = ({ request }: Route.ActionArgs) => benchAction(request);

export const meta = () => [{ title: "Bench · Jolly Crust" }];

export default afterPaint(() => import("~/views/bench"));
