import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { type Fault, readPlanFile, tooLarge } from "#core/exchange/plan-file";
import { isShopFile, readShopFile, type ShopShelf } from "#core/exchange/shop-file";
import { JOB_STATES, LIMITS } from "#core/plan/plan";
import type { Store } from "#db/open";
import { addPlan, isKnown, listJobs, listRemoved, setRemoved } from "#db/plans";
import { book, FIRST_BATCH, getStock, writeMovements } from "#db/shelf";
import { getShop, setShop } from "#db/shop";
import { afterPaint } from "~/first/after-paint";
import { readForm } from "~/http/body.server";
import { importArchive, isArchive } from "~/http/job-archive.server";
import { datesIn, readShopState, standingIn } from "~/http/plan-of-work.server";
import { withStore } from "~/http/trouble.server";
import { notePending, noteShopChanged, noteWritten } from "~/http/written.server";
import { MOST_LETTERS } from "~/parts/jobs-search";
import type { Route } from "./+types/jobs";

export function loader({ request }: Route.LoaderArgs) {
  const params = new URL(request.url).searchParams;
  const asked = Number(params.get("page") ?? 0);
  const page = Number.isInteger(asked) && asked >= 0 && asked < 10_000 ? asked : 0;
  return withStore(async (store) => {
    const away = params.get("show") === "put away";
    const text = (params.get("q") ?? "").trim().slice(0, MOST_LETTERS);
    const state = JOB_STATES.find((jobState) => jobState === params.get("state")) ?? null;
    const client = params.get("client") || null;
    const { jobs, pages, others, states, clients } = await listJobs(store, { page, away, text, state, client });
    // whoever wrote them, another program too: anything not worked out yet is worked out
    for (const { id, pending } of jobs) if (pending) notePending(id);
    const shop = await readShopState(
      store,
      jobs.map(({ id }) => id),
    );
    return {
      jobs,
      pages,
      page,
      away,
      others,
      states,
      clients,
      wanted: { text, state, client },
      dates: datesIn(shop),
      standing: standingIn(shop),
      removed: await listRemoved(store),
      token: nanoid(10),
    };
  });
}

const refuseFile = (file: string, faults: Fault[]) => data({ file, faults }, { status: 422 });

/** The text of a file; null if it is not text. */
function utf8(bytes: ArrayBuffer): string | null {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** The shelf of a shop file, where there is none here: two shelves cannot be put together. */
async function importShelf(store: Store, name: string, { book: document, movements }: ShopShelf) {
  if ((await book.get(store)).version > 0 || (await getStock(store)).movements.length > 0) return;
  await book.set(store, { base: 0, document, label: `The suppliers and prices of ${name}` });
  if (movements.length > 0)
    await writeMovements(store, {
      batch: FIRST_BATCH,
      label: `The shelf of ${name}`,
      list: movements,
      asTheyAre: true,
    });
}

/** All jobs of a shop file, beside those that are here; the shop's hours, painters and shelf only where nobody has set any. */
async function importShop(store: Store, name: string, text: string) {
  const read = readShopFile(text);
  if (!read.ok) return refuseFile(name, read.faults);
  const { version } = await getShop(store);
  for (const plan of read.file.plans) {
    const known = await isKnown(store, plan.id);
    const added = known ? { ...plan, id: `import-${nanoid(10)}` } : plan;
    if (await addPlan(store, added)) noteWritten(added);
  }
  if (version === 0) await setShop(store, { base: 0, shop: read.file.shop, label: `The shop of ${name}` });
  await importShelf(store, name, read.file.shelf);
  noteShopChanged();
  return redirect("/");
}

async function importFile(store: Store, form: FormData) {
  const file = form.get("file");
  if (!(file instanceof File) || file.size === 0)
    return refuseFile("", [{ where: "", says: "Choose a *.crust.json file first." }]);
  const start = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  if (isArchive(start)) {
    const done = await importArchive(store, new Uint8Array(await file.arrayBuffer()));
    if (!done.ok) return refuseFile(file.name, [{ where: "", says: done.says }]);
    noteWritten(done.plan);
    return redirect(`/jobs/${done.id}/ledger`);
  }
  if (file.size > LIMITS.projectFileBytes) return refuseFile(file.name, [{ where: "", says: tooLarge(file.size) }]);
  const text = utf8(await file.arrayBuffer());
  if (text === null)
    return refuseFile(file.name, [
      { where: "", says: "The file is not text. Choose a *.crust.json file as it was exported." },
    ]);
  if (isShopFile(text)) return importShop(store, file.name, text);
  const read = readPlanFile(text);
  if (!read.ok) return refuseFile(file.name, read.faults);
  // a job with this id stays as it is; the file is added beside it
  const id = (await isKnown(store, read.plan.id))
    ? `import-${String(form.get("token") ?? nanoid(10))
        .replace(/[^A-Za-z0-9_-]/g, "")
        .slice(0, 40)}`
    : read.plan.id;
  const plan = { ...read.plan, id };
  if (await addPlan(store, plan)) noteWritten(plan);
  return redirect(`/jobs/${id}/crust`);
}

export async function action({ request }: Route.ActionArgs) {
  const form = await readForm(request);
  return withStore(async (store) => {
    const planId = String(form.get("planId") ?? "");
    switch (form.get("do")) {
      case "import":
        return importFile(store, form);
      case "remove":
      case "restore":
        await setRemoved(store, planId, form.get("do") === "remove");
        noteShopChanged();
        return redirect("/");
      default:
        return refuseFile("", [{ where: "", says: "The form arrived incomplete. Reload the page and try again." }]);
    }
  });
}

export const meta: Route.MetaFunction = () => [{ title: "Jobs · Jolly Crust" }];

export default afterPaint(() => import("~/views/jobs"));
