import { nanoid } from "nanoid";
import { redirect } from "react-router";
import { z } from "zod";
import { Id } from "#core/plan/plan";
import { MOST_LOOKS } from "#core/schedule/looks";
import type { Store } from "#db/open";
import { callOffPlanning, goBack, ideaTriedIn, offerTried, takeOn } from "#db/plan-of-work";
import { editPlan, getJob } from "#db/plans";
import { readForm } from "~/http/body.server";
import { jobStandingFor, readShopState, standingIn } from "~/http/plan-of-work.server";
import { resource, troubleResponse, withStore } from "~/http/trouble.server";
import { askForPlan, noteShopChanged, noteWritten } from "~/http/written.server";
import type { Route } from "./+types/plan-of-work";

const asJson = (value: unknown, status = 200) =>
  Response.json(value, { status, headers: { "Cache-Control": "no-store" } });

/** How the plan of work stands; with ?job=… also that job's part in it. */
export const loader = ({ request }: Route.LoaderArgs) =>
  resource(() =>
    withStore(async (store) => {
      const job = Id.safeParse(new URL(request.url).searchParams.get("job"));
      return asJson(
        job.success ? await jobStandingFor(store, job.data) : { standing: standingIn(await readShopState(store)) },
      );
    }),
  );

const RowId = z.coerce.number().int().min(1).max(1e9);

const Asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("take on"), id: RowId }),
  z.object({ do: z.literal("go back"), id: RowId }),
  z.object({ do: z.literal("plan"), looks: z.coerce.number().int().min(1).max(MOST_LOOKS).optional() }),
  z.object({ do: z.literal("call off") }),
  z.object({ do: z.literal("try"), idea: Id }),
  z.object({ do: z.literal("promise"), id: RowId }),
]);

const GONE = "The schedule has changed in the meantime, so nothing was changed. Look at the new one, then try again.";

/** Promises an idea as it was tried: its state is an edit of the job, and the plan with it is taken on. */
async function promise(store: Store, id: number): Promise<string | null> {
  const idea = await ideaTriedIn(store, id);
  const job = idea === null ? null : await getJob(store, idea);
  if (!job) return GONE;
  const written = await editPlan(store, job.plan.id, {
    id: nanoid(),
    base: job.version,
    label: "Promise the job",
    commands: [{ do: "set job", patch: { state: "promised" } }],
  });
  if (written.is !== "written") return written.is === "refused" ? written.because : GONE;
  noteWritten(written.plan);
  await offerTried(store, id);
  await takeOn(store, id);
  return null;
}

/** Only leads back to pages of this tool. */
const pathFrom = (asked: unknown): string =>
  typeof asked === "string" && /^\/(?![/\\])[\x20-\x7e]*$/.test(asked) ? asked : "/days";

async function carryOut(store: Store, asked: z.infer<typeof Asked>): Promise<string | null> {
  switch (asked.do) {
    case "take on":
    case "go back": {
      const done = asked.do === "take on" ? await takeOn(store, asked.id) : await goBack(store, asked.id);
      noteShopChanged();
      return done.is === "taken" ? null : GONE;
    }
    case "promise": {
      return promise(store, asked.id);
    }
    case "plan":
      askForPlan({ looks: asked.looks ?? null });
      return null;
    case "try":
      askForPlan({ idea: asked.idea });
      return null;
    case "call off":
      await callOffPlanning(store);
      return null;
  }
}

/** Takes a plan of work on, goes back to the one before, has it made again, or calls that off. */
export const action = ({ request }: Route.ActionArgs) => resource(() => answer(request));

async function answer(request: Request): Promise<Response> {
  const form = await readForm(request);
  const fields = Object.fromEntries(form);
  const wantsJson = request.headers.get("Accept")?.includes("application/json") ?? false;
  const asked = Asked.safeParse(fields);
  if (!asked.success) {
    const says = "The form arrived incomplete. Reload the page and try again.";
    if (wantsJson) return asJson({ trouble: says }, 422);
    throw troubleResponse(422, "Nothing was changed", says);
  }
  return withStore(async (store) => {
    const trouble = await carryOut(store, asked.data);
    if (wantsJson) return asJson({ trouble }, trouble === null ? 200 : 409);
    if (trouble !== null) throw troubleResponse(409, "Nothing was changed", trouble);
    return redirect(pathFrom(fields.to));
  });
}
