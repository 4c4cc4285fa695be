import { afterPaint } from "~/first/after-paint";

export const meta = () => [{ title: "Words · Jolly Crust" }];

export default afterPaint(() => import("~/views/words"));
