import { z } from "zod";
import { Commands } from "#core/edit/command";
import { LIMITS } from "#core/plan/plan";
import { editPlan, stepThroughEdits } from "#db/plans";
import { StorageTrouble } from "#db/trouble";
import type { Answer } from "~/editor/queue";
import { theStore } from "~/http/store.server";
import type { Route } from "./+types/edit";

const Base = z.int().min(1);
const Body = z.union([
  z.strictObject({ base: Base, way: z.enum(["undo", "redo"]) }),
  z.strictObject({ base: Base, id: z.string().min(8).max(64), label: z.string().min(1).max(200), commands: Commands }),
]);

const answer = (body: Answer, status = 200) => Response.json(body, { status });

/** Takes one edit, or a step back or forward, as JSON. */
export async function action({ request, params }: Route.ActionArgs) {
  const text = await request.text();
  if (text.length > LIMITS.projectFileBytes) return answer({ is: "refused", because: "That edit is too large." }, 413);
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return answer({ is: "refused", because: "The edit was cut short on its way; do it again." }, 400);
  }
  const body = Body.safeParse(raw);
  if (!body.success)
    return answer({ is: "refused", because: `The edit cannot be read: ${body.error.issues[0]!.message}.` }, 400);
  try {
    const store = await theStore();
    const edit = body.data;
    if ("way" in edit) return answer(await stepThroughEdits(store, params.planId, edit.base, edit.way));
    const written = await editPlan(store, params.planId, edit);
    // the page has applied the edit itself; it needs the plan only when another was faster
    return answer(written.is === "written" ? { ...written, plan: undefined } : written);
  } catch (error) {
    if (error instanceof StorageTrouble) return answer({ is: "unsaved", because: error.message }, 503);
    throw error;
  }
}

export function loader({ params }: Route.LoaderArgs) {
  return new Response(null, { status: 302, headers: { Location: `/jobs/${params.planId}/crust` } });
}
