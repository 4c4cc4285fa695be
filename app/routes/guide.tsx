import { afterPaint } from "~/first/after-paint";
import { guideArticles } from "~/http/guide.server";
import type { Route } from "./+types/guide";

// Everything on this page is made from the rules themselves: their reasons, and their examples, judged now.

export function loader() {
  return { rules: guideArticles() };
}

export const meta: Route.MetaFunction = () => [{ title: "Guide · Jolly Crust" }];

export default afterPaint(() => import("~/views/guide"));
