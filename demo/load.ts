import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import type { LedgerEvent, WorkRef } from "#core/ledger/event";
import type { Plan } from "#core/plan/plan";
import { logLines, tellChanges } from "#db/ledger";
import { makePlan } from "#db/make-plan";
import type { Store } from "#db/open";
import { addPhoto } from "#db/photos";
import { addPlan, isKnown, summarise } from "#db/plans";
import { book, FIRST_BATCH, writeMovements } from "#db/shelf";
import { getShop, setShop } from "#db/shop";
import { harbourStool, hobnailShop, hobnailYard, lampShelf } from "./hobnail-yard";
import { demoPhoto, harbourStoolLedger, lampShelfLedger } from "./ledger";
import { PHOTOS_OF_PIECES } from "./photo/pieces";
import { hobnailBook, hobnailMovements } from "./shelf";

/** The ledger of a job, with the photos that it names. */
async function addLedger(store: Store, plan: Plan, events: readonly LedgerEvent[]) {
  for (const event of events) {
    if (event.kind !== "photo") continue;
    const [{ zoneId, phaseId }] = event.on as [WorkRef];
    const picture = await demoPhoto(plan, zoneId, phaseId, event.at % 97);
    const stepId = phaseId.split("/", 1)[0]!;
    await addPhoto(store, plan.id, { id: event.photoId, zoneId, stepId, note: event.text ?? "", ...picture });
  }
  // each as it came in: the ledger tells when, and what it changed
  let before = plan;
  for (const event of events) {
    const logged = await logLines(store, plan.id, [{ event, claimedAt: event.at }], null, new Date(event.at));
    if (logged.is !== "logged") throw new Error(`the ledger of ${plan.id} could not be loaded`);
    if (event.kind === "sign") await tellChanges(store, plan.id, before, logged.plan, logged.fresh);
    before = logged.plan;
  }
}

/** The photo that a piece came in with, where it has one. It is read from the project, where everything that loads the demo runs. */
async function addPiecePhoto(store: Store, plan: Plan) {
  for (const photo of PHOTOS_OF_PIECES.map((make) => make()).filter(({ planId }) => planId === plan.id)) {
    const jpeg = await readFile(`demo/photo/${photo.id}.jpg`);
    const { width, height } = photo.camera;
    const zoneId = plan.pieces[0]!.id;
    await addPhoto(store, plan.id, {
      id: photo.id,
      kind: "piece",
      zoneId,
      stepId: null,
      note: photo.note,
      width,
      height,
      jpeg,
    });
  }
}

/**
 * Loads the demo shop's jobs, each only if it does not exist yet, so that nothing a person did to them is lost; its
 * hours, painters and shelf only where nobody has set any; and plans its work.
 */
export async function loadDemo(store: Store): Promise<number> {
  let added = 0;
  const { version } = await getShop(store);
  for (const plan of hobnailYard().reverse())
    if (!(await isKnown(store, plan.id)) && (await addPlan(store, plan))) {
      await summarise(store, plan.id);
      await addPiecePhoto(store, plan);
      added++;
    }
  if (version === 0 && added > 0)
    await setShop(store, { base: 0, shop: hobnailShop(), label: "Hours and painters of the demo shop" });
  if (added > 0 && (await book.get(store)).version === 0) {
    await book.set(store, { base: 0, document: hobnailBook(), label: "Suppliers and prices of the demo shop" });
    await writeMovements(store, {
      batch: FIRST_BATCH,
      label: "The shelf of the demo shop",
      list: hobnailMovements(),
      asTheyAre: true,
    });
  }
  for (const [plan, events] of [
    [lampShelf(), lampShelfLedger],
    [harbourStool(), harbourStoolLedger],
  ] as const)
    if (!(await isKnown(store, plan.id)) && (await addPlan(store, plan))) {
      await addLedger(store, plan, events(plan));
      await summarise(store, plan.id);
      added++;
    }
  await makePlan(store, randomUUID());
  return added;
}
