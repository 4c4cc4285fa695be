import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { type Plan, zonesOf } from "#core/plan/plan";
import { addPhoto, listPhotos, MOST_PHOTOS } from "#db/photos";
import { harbourStool } from "#demo/hobnail-yard";
import { answered, ownJob, ownShop, sentForm } from "../../tests/own-shop";
import { isPhotoForm, photoAction } from "./photo-action.server";

let jpeg: Buffer;
beforeAll(async () => {
  jpeg = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#8a6b45" } })
    .jpeg()
    .toBuffer();
});
const aPhoto = () => new File([new Uint8Array(jpeg)], "board.jpg", { type: "image/jpeg" });

const job = async () => {
  const plan = await ownJob(harbourStool());
  const path = `/jobs/${plan.id}/board?zone=${zonesOf(plan)[0]!.id}&against=old&photo=old`;
  const send = (fields: Record<string, string | File>) =>
    answered(photoAction(sentForm(path, fields), { planId: plan.id }));
  const shelf = async () => listPhotos(await ownShop(), plan.id);
  return { plan, path, send, shelf };
};

/** Puts photos in until the job is full. */
async function fill(plan: Plan) {
  const store = await ownShop();
  for (let index = 0; index < MOST_PHOTOS; index++)
    await addPhoto(store, plan.id, {
      id: `full-${index}`,
      zoneId: zonesOf(plan)[0]!.id,
      stepId: null,
      note: "",
      width: 60,
      height: 40,
      jpeg,
    });
}

describe("a photo of a board, sent by a form", () => {
  it("is kept with its zone, its step and its note, and leads back to where it was sent from", async () => {
    const { plan, path, send, shelf } = await job();
    const zone = zonesOf(plan)[0]!;
    const step = plan.crusts.find(({ id }) => id === zone.crustId)!.steps[0]!;
    const { status, to } = await send({
      do: "add photo",
      zone: zone.id,
      step: step.id,
      note: "  a touch lighter ",
      photo: aPhoto(),
      edit: "photo-one",
    });
    expect([status, to]).toEqual([302, path]);
    const { photos } = await shelf();
    expect(photos).toMatchObject([
      { id: "photo-one", zoneId: zone.id, stepId: step.id, note: "a touch lighter", width: 60, height: 40 },
    ]);
  });

  it("is kept once where the form is sent twice, and without a step that is not on its zone", async () => {
    const { plan, send, shelf } = await job();
    const fields = {
      do: "add photo",
      zone: zonesOf(plan)[0]!.id,
      step: "no-such-step",
      photo: aPhoto(),
      edit: "twice-1",
    };
    await send(fields);
    await send(fields);
    expect((await shelf()).photos).toMatchObject([{ id: "twice-1", stepId: null }]);
  });

  it("is taken away and put back", async () => {
    const { plan, send, shelf } = await job();
    await send({ do: "add photo", zone: zonesOf(plan)[0]!.id, photo: aPhoto(), edit: "comes-back" });
    const away = await send({ do: "remove photo", photo: "comes-back" });
    // the address no longer names it
    expect(away.to).toBe(`/jobs/${plan.id}/board?zone=${zonesOf(plan)[0]!.id}`);
    expect(await shelf()).toMatchObject({ photos: [], removed: { id: "comes-back" } });
    await send({ do: "restore photo", photo: "comes-back" });
    expect(await shelf()).toMatchObject({ photos: [{ id: "comes-back" }], removed: null });
  });

  it.each<[string, Record<string, string>, RegExp]>([
    ["no zone", { do: "add photo", zone: "" }, /Choose the zone/],
    ["a zone that is gone", { do: "add photo", zone: "gone" }, /no longer in the plan/],
    ["too long a note", { do: "add photo", zone: "gone", note: "x".repeat(201) }, /200 characters at most/],
    ["too long a note on a piece", { do: "add piece photo", note: "x".repeat(201) }, /200 characters at most/],
    ["nothing to do", { do: "" }, /arrived incomplete/],
    ["something nobody does", { do: "frame photo" }, /arrived incomplete/],
    ["a photo that was never there", { do: "remove photo", photo: "never" }, /no longer there/],
  ])("is refused in words with %s", async (_what, fields, says) => {
    const { send, shelf } = await job();
    const { status, body } = await send({ photo: aPhoto(), ...fields });
    expect(status).toBeGreaterThanOrEqual(404);
    expect(status).toBeLessThan(500);
    expect(body.photoFault).toMatch(says);
    expect((await shelf()).photos).toEqual([]);
  });

  it("is refused without a picture, or with something that is none", async () => {
    const { plan, send } = await job();
    const zone = zonesOf(plan)[0]!.id;
    expect((await send({ do: "add photo", zone })).body.photoFault).toMatch(/Choose a photo first/);
    const text = new File(["not a picture"], "board.jpg", { type: "image/jpeg" });
    expect((await send({ do: "add photo", zone, photo: text })).body.photoFault).toMatch(/cannot be read/);
  });

  it("is refused where the job has as many as it can hold; one taken away makes room, and then comes back no more", async () => {
    const { plan, send, shelf } = await job();
    await fill(plan);
    const fields = { do: "add photo", zone: zonesOf(plan)[0]!.id, photo: aPhoto(), edit: "one-too-many" };
    expect((await send(fields)).body.photoFault).toMatch(/Remove one, then add this one again/);
    await send({ do: "remove photo", photo: "full-0" });
    expect((await send(fields)).status).toBe(302);
    expect((await send({ do: "restore photo", photo: "full-0" })).body.photoFault).toMatch(/then restore this one/);
    expect((await shelf()).photos).toHaveLength(MOST_PHOTOS);
  });

  it("of the whole piece is kept apart from those of boards, and leads on to marking its faces", async () => {
    const { plan, send, shelf } = await job();
    const { to } = await send({
      do: "add piece photo",
      piece: plan.pieces[0]!.id,
      note: "as it came in",
      photo: aPhoto(),
      edit: "whole-piece",
    });
    expect(to).toBe(`/jobs/${plan.id}/board?photo=whole-piece&view=mark`);
    expect((await shelf()).photos).toEqual([]);
    expect((await listPhotos(await ownShop(), plan.id, "piece")).photos).toMatchObject([
      { id: "whole-piece", zoneId: plan.pieces[0]!.id, note: "as it came in" },
    ]);
  });

  it("of a job that is gone is answered with a page that says so", async () => {
    const { status } = await answered(
      photoAction(sentForm("/jobs/gone/board", { do: "add piece photo", photo: aPhoto() }), { planId: "gone" }),
    );
    expect(status).toBe(404);
  });

  it("is known from other forms by how it is sent", () => {
    expect(isPhotoForm(sentForm("/x", { do: "add photo" }))).toBe(true);
    const plain = new Request("http://127.0.0.1/x", { method: "POST", body: new URLSearchParams({ do: "undo" }) });
    expect(isPhotoForm(plain)).toBe(false);
    expect(isPhotoForm(new Request("http://127.0.0.1/x"))).toBe(false);
  });
});
