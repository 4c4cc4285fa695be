import { afterPaint } from "~/first/after-paint";
import type { Route } from "./+types/hardware";

/** The questions of the page, and what they begin with. */
const FIELDS = {
  inner: "91",
  outer: "101",
  width: "400",
  height: "120",
  top: "",
  old: "",
  plate: "0",
  panel: "19",
  thread: "12",
  knob: "40",
  tape: "across",
} as const;

export type Name = keyof typeof FIELDS;

export function loader({ request }: Route.LoaderArgs) {
  const params = new URL(request.url).searchParams;
  const of = (name: Name) => (params.get(name) ?? FIELDS[name]).slice(0, 20);
  return {
    values: Object.fromEntries(Object.keys(FIELDS).map((name) => [name, of(name as Name)])) as Record<Name, string>,
  };
}

export const meta = () => [{ title: "Handles and knobs · Jolly Crust" }];

export default afterPaint(() => import("~/views/hardware"));
