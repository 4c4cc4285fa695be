import { nanoid } from "nanoid";
import { data } from "react-router";
import { afterPaint } from "~/first/after-paint";
import { fieldsOf } from "~/forms/fields";
import { readForm } from "~/http/body.server";
import { answerDrill, askNext, ENOUGH, recordOf, withoutAnswers } from "~/http/trainer.server";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/train";

export const loader = ({ request }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const more = new URL(request.url).searchParams.get("more") === "yes";
    const record = await recordOf(store);
    const enough = record.today.seconds >= ENOUGH && !more;
    const drill = enough ? null : await askNext(store);
    return { record, enough, more, drill: drill && withoutAnswers(drill), id: nanoid(12), asked: Date.now() };
  });

export async function action({ request }: Route.ActionArgs) {
  const fields = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    const graded = await answerDrill(store, fields);
    return typeof graded === "string" ? data({ says: graded, graded: null }, { status: 422 }) : { says: null, graded };
  });
}

export const meta: Route.MetaFunction = () => [{ title: "Trainer · Jolly Crust" }];

export default afterPaint(() => import("~/views/train"));
