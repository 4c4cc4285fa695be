import { z } from "zod";
import { Commands } from "#core/edit/command";
import { faultsOf, sayFault } from "#core/exchange/plan-file";
import { sayIssue } from "#core/plan/fault-words";
import { editPlan, stepThroughEdits, type Written } from "#db/plans";
import { StorageTrouble } from "#db/trouble";
import type { Answer } from "~/editor/queue";
import { readText } from "~/http/body.server";
import { theStore } from "~/http/store.server";
import { planIdOf } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
import type { Route } from "./+types/edit";

const Base = z.int().min(1);
const StepThrough = z.strictObject({ base: Base, way: z.enum(["undo", "redo"]) });
const OneEdit = z.strictObject({
  base: Base,
  id: z.string().min(8).max(64),
  label: z.string().min(1).max(200),
  commands: Commands,
});

const answer = (body: Answer, status = 200) =>
  Response.json(body, { status, headers: { "Cache-Control": "no-store" } });
const refused = (because: string, status = 400) => answer({ is: "refused", because }, status);

/** Receives one edit, or an undo or redo, as JSON. */
export async function action({ request, params }: Route.ActionArgs) {
  const planId = planIdOf(params);
  const text = await readText(request);
  let raw: unknown;
  try {
    raw = JSON.parse(text ?? "");
  } catch {
    return refused("The edit arrived incomplete. Make it again.");
  }
  const way = StepThrough.safeParse(raw);
  const edit = OneEdit.safeParse(raw, { error: sayIssue });
  if (!way.success && !edit.success)
    return refused(`This edit cannot be read. ${sayFault(faultsOf(edit.error, raw)[0]!)}`);
  try {
    const store = await theStore();
    let written: Written;
    if (way.success) written = await stepThroughEdits(store, planId, way.data.base, way.data.way);
    else written = await editPlan(store, planId, edit.data!);
    if (written.is !== "written") return answer(written);
    noteWritten(written.plan);
    // the page has applied an edit itself; it needs the plan only after an undo or redo, or where the ledger wrote to it meanwhile
    const itsOwn = !way.success && written.version === edit.data!.base + 1;
    return answer(itsOwn ? { ...written, plan: undefined } : written);
  } catch (error) {
    if (error instanceof StorageTrouble) return answer({ is: "unsaved", because: error.message }, 503);
    throw error;
  }
}

export function loader({ params }: Route.LoaderArgs) {
  return new Response(null, { status: 302, headers: { Location: `/jobs/${planIdOf(params)}/crust` } });
}
