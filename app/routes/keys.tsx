import { afterPaint } from "~/first/after-paint";

export const meta = () => [{ title: "Keys · Jolly Crust" }];

export default afterPaint(() => import("~/views/keys"));
