import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { examplePlan } from "#core/rules/example";
import { openStore, placeFrom, type Store } from "./open";
import { addPhoto, allPhotos, getPhoto, listPhotos, MOST_PHOTOS, setPhotoRemoved } from "./photos";
import { addPlan } from "./plans";

let folder: string;
let store: Store;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-photos-"));
  store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  await addPlan(store, examplePlan({ shows: "a board", ground: "raw timber", steps: [["brush", "chalk-slate"]] }));
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const photo = (id: string) => ({
  id,
  zoneId: "z1",
  stepId: "s1",
  note: `photo ${id}`,
  width: 30,
  height: 20,
  jpeg: Buffer.from([255, 216, 255, 217]),
});

describe("photos of pieces", () => {
  it("are listed apart from those of boards, and removed ones too", async () => {
    await addPhoto(store, "example", photo("board"));
    await addPhoto(store, "example", { ...photo("piece"), kind: "piece", zoneId: "p1", stepId: null });
    expect((await listPhotos(store, "example")).photos.map(({ id }) => id)).toEqual(["board"]);
    expect((await listPhotos(store, "example", "piece")).photos.map(({ id }) => id)).toEqual(["piece"]);
    expect((await allPhotos(store, "example")).map(({ id, kind }) => [id, kind])).toEqual([
      ["board", "board"],
      ["piece", "piece"],
    ]);
    await setPhotoRemoved(store, "example", "piece", true);
    expect((await listPhotos(store, "example")).removed).toBeNull();
    expect((await listPhotos(store, "example", "piece")).removed?.id).toBe("piece");
  });
});

describe("photos of boards", () => {
  it("are kept byte for byte, listed without their bytes, the oldest first", async () => {
    expect(await addPhoto(store, "example", photo("a"))).toBe("added");
    expect(await addPhoto(store, "example", { ...photo("b"), stepId: null })).toBe("added");
    const { photos, removed } = await listPhotos(store, "example");
    expect(photos.map(({ id, stepId }) => [id, stepId])).toEqual([
      ["a", "s1"],
      ["b", null],
    ]);
    expect(removed).toBeNull();
    expect(await getPhoto(store, "example", "a")).toEqual(Buffer.from([255, 216, 255, 217]));
    expect(await getPhoto(store, "another", "a")).toBeNull();
  });

  it("sent twice are kept once", async () => {
    await addPhoto(store, "example", photo("a"));
    await addPhoto(store, "example", { ...photo("a"), note: "again" });
    expect((await listPhotos(store, "example")).photos).toMatchObject([{ note: "photo a" }]);
  });

  it("taken away can be put back", async () => {
    await addPhoto(store, "example", photo("a"));
    expect(await setPhotoRemoved(store, "example", "a", true)).toBe("done");
    expect(await listPhotos(store, "example")).toMatchObject({ photos: [], removed: { id: "a" } });
    expect(await setPhotoRemoved(store, "example", "a", false)).toBe("done");
    expect(await listPhotos(store, "example")).toMatchObject({ photos: [{ id: "a" }], removed: null });
    expect(await setPhotoRemoved(store, "example", "nothing", true)).toBe("missing");
  });

  it("belong to a job that is there, and are so many at most", async () => {
    expect(await addPhoto(store, "nobody", photo("a"))).toBe("missing");
    for (let at = 0; at < MOST_PHOTOS; at++) await addPhoto(store, "example", photo(`p${at}`));
    expect(await addPhoto(store, "example", photo("last"))).toBe("full");
    // a removed photo makes room, and is restored only where there is room again
    await setPhotoRemoved(store, "example", "p0", true);
    expect(await addPhoto(store, "example", photo("last"))).toBe("added");
    expect(await setPhotoRemoved(store, "example", "p0", false)).toBe("full");
  });
});
