import { mkdtempSync, rmSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strToU8, unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { replay } from "#core/ledger/replay";
import { ledgerOf, logLines } from "#db/ledger";
import { openStore, type Store } from "#db/open";
import { addPhoto, listPhotos } from "#db/photos";
import { addPlan, getJob } from "#db/plans";
import { harbourStool, hobnailYard } from "#demo/hobnail-yard";
import { harbourStoolLedger } from "#demo/ledger";
import { archiveOf, importArchive, isArchive } from "./job-archive.server";

let folder: string;
let store: Store;
const openAt = (name: string) => openStore({ url: `file:${join(folder, name)}`, file: join(folder, name) });

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "archive-"));
  store = await openAt("shop.db");
  const plan = harbourStool();
  await addPlan(store, plan);
  await logLines(
    store,
    plan.id,
    harbourStoolLedger(plan).map((event) => ({ event, claimedAt: event.at })),
  );
  const jpeg = await sharp({ create: { width: 8, height: 6, channels: 3, background: "#b98d43" } })
    .jpeg()
    .toBuffer();
  await addPhoto(store, plan.id, {
    id: "harbour-stool-finished",
    zoneId: "stool-legs",
    stepId: "buff",
    note: "Finished",
    width: 8,
    height: 6,
    jpeg,
  });
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const archive = async () => archiveOf(store, (await getJob(store, "harbour-stool"))!.plan);

describe("a job with its ledger and photos in one file", () => {
  it("takes along the photo of its piece and what is marked on it, under new ids where the job is here already", async () => {
    const [cabinet] = hobnailYard().filter(({ id }) => id === "chart-cabinet");
    await addPlan(store, cabinet!);
    const [marks] = cabinet!.photos!;
    const jpeg = await readFile(`demo/photo/${marks!.id}.jpg`);
    const { width, height } = marks!;
    await addPhoto(store, cabinet!.id, {
      id: marks!.id,
      kind: "piece",
      zoneId: "piece",
      stepId: null,
      note: "",
      width,
      height,
      jpeg,
    });
    const bytes = await archiveOf(store, cabinet!);
    const done = await importArchive(store, bytes);
    if (!done.ok) throw new Error(done.says);
    expect(done.id).not.toBe(cabinet!.id);
    const { photos } = await listPhotos(store, done.id, "piece");
    expect(photos).toHaveLength(1);
    expect((await listPhotos(store, done.id)).photos).toEqual([]);
    const { plan } = (await getJob(store, done.id))!;
    expect(plan.photos!.map(({ id }) => id)).toEqual([photos[0]!.id]);
    expect(plan.photos![0]).toEqual({ ...marks, id: photos[0]!.id });
  });

  it("comes out in another shop as it went in", async () => {
    const bytes = await archive();
    expect(isArchive(bytes)).toBe(true);
    const other = await openAt("other.db");
    const done = await importArchive(other, bytes);
    expect(done).toMatchObject({ ok: true, id: "harbour-stool" });
    const events = async (of: Store) => (await ledgerOf(of, "harbour-stool")).map(({ event }) => event);
    expect(await events(other)).toEqual(await events(store));
    expect((await getJob(other, "harbour-stool"))!.plan.done).toEqual(
      (await getJob(store, "harbour-stool"))!.plan.done,
    );
    expect((await listPhotos(other, "harbour-stool")).photos).toMatchObject([{ note: "Finished", stepId: "buff" }]);
    other.client.close();
  });

  it("beside a job with the same id it gets ids of its own, and the same work", async () => {
    const done = await importArchive(store, await archive());
    if (!done.ok) throw new Error(done.says);
    expect(done.id).not.toBe("harbour-stool");
    const lines = await ledgerOf(store, done.id);
    expect(lines).toHaveLength((await ledgerOf(store, "harbour-stool")).length);
    const photo = lines.find(({ event }) => event.kind === "photo")!.event;
    const { photos } = await listPhotos(store, done.id);
    expect(photo.kind === "photo" && photo.photoId).toBe(photos[0]!.id);
    expect(replay(lines.map(({ event }) => event)).work.size).toBeGreaterThan(0);
  });

  it("a damaged one, one without a plan, and one with nonsense in it are refused with a sentence", async () => {
    const bytes = await archive();
    const says = async (of: Uint8Array) => {
      const done = await importArchive(store, of);
      return done.ok ? "" : done.says;
    };
    expect(await says(bytes.subarray(0, 300))).toMatch(/damaged|no job/);
    expect(await says(zipSync({ "notes.txt": strToU8("x") }))).toMatch(/no job\.crust\.json/);
    const files = unzipSync(bytes);
    expect(await says(zipSync({ ...files, "ledger.json": strToU8('[{"event":{"kind":"delete"}}]') }))).toMatch(
      /ledger\.json/,
    );
    expect(await says(zipSync({ ...files, "job.crust.json": strToU8("{}") }))).not.toBe("");
  });
});
