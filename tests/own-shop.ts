import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Plan } from "#core/plan/plan";
import type { Store } from "#db/open";
import { addPlan } from "#db/plans";
import { theStore } from "~/http/store.server";

let folder: string | null = null;

/** The store that the server's own code opens, in a folder of this process; empty until a test puts something in. */
export async function ownShop(): Promise<Store> {
  if (folder === null) {
    folder = mkdtempSync(join(tmpdir(), "crust-own-shop-"));
    const made = folder;
    process.once("exit", () => rmSync(made, { recursive: true, force: true }));
  }
  const before = process.env.JOLLY_CRUST_DATA;
  process.env.JOLLY_CRUST_DATA = folder;
  try {
    return await theStore();
  } finally {
    if (before === undefined) delete process.env.JOLLY_CRUST_DATA;
    else process.env.JOLLY_CRUST_DATA = before;
  }
}

let jobs = 0;

/** Puts a copy of a job into that shop, under an id that no other test has. */
export async function ownJob(plan: Plan): Promise<Plan> {
  const copy: Plan = { ...plan, id: `own-${++jobs}` };
  await addPlan(await ownShop(), copy);
  return copy;
}

/** A form as a browser without scripts sends it. */
export function sentForm(path: string, fields: Record<string, string | File>): Request {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.append(name, value);
  return new Request(`http://127.0.0.1:4173${path}`, { method: "POST", body });
}

/** What an action answers with: where it leads, or what it says and with what status. */
export interface Answered {
  status: number;
  to: string | null;
  // biome-ignore lint/suspicious/noExplicitAny: what is in it is what the test is about
  body: any;
}

/** Waits for an action, whether it returns its answer or throws it. */
export async function answered(action: Promise<unknown>): Promise<Answered> {
  // biome-ignore lint/suspicious/noExplicitAny: an answer, data with its status, or something thrown
  const answer: any = await action.catch((thrown) => thrown);
  if (answer instanceof Response) {
    const type = answer.headers.get("Content-Type") ?? "";
    const body = type.includes("json") ? await answer.json() : await answer.text();
    return { status: answer.status, to: answer.headers.get("Location"), body };
  }
  if (answer instanceof Error) throw answer;
  const isWithStatus = typeof answer === "object" && answer !== null && "init" in answer;
  return isWithStatus
    ? { status: answer.init?.status ?? 200, to: null, body: answer.data }
    : { status: 200, to: null, body: answer };
}
