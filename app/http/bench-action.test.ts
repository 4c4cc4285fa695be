import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { replay } from "#core/ledger/replay";
import { type Plan, zonesOf } from "#core/plan/plan";
import { ledgerOf } from "#db/ledger";
import { listPhotos } from "#db/photos";
import { getJob } from "#db/plans";
import { harbourStool } from "#demo/hobnail-yard";
import { writePlaces } from "~/bench/log-form";
import { answered, ownJob, ownShop, sentForm } from "../../tests/own-shop";
import { benchAction } from "./bench-action.server";

let jpeg: Buffer;
beforeAll(async () => {
  jpeg = await sharp({ create: { width: 30, height: 20, channels: 3, background: "#5b6b45" } })
    .jpeg()
    .toBuffer();
});

/** A stool that nobody has begun. */
const bare = (): Plan => {
  const { done: _, ...plan } = harbourStool();
  return { ...plan, state: "promised" };
};

const job = async () => {
  const plan = await ownJob(bare());
  const zone = zonesOf(plan)[0]!;
  const step = plan.crusts.find(({ id }) => id === zone.crustId)!.steps[0]!;
  const on = writePlaces([{ zoneId: zone.id, phaseId: step.id }]);
  const press = (fields: Record<string, string | File>) =>
    answered(benchAction(sentForm("/bench", { plan: plan.id, on, ...fields })));
  const lines = async () => (await ledgerOf(await ownShop(), plan.id)).map(({ event }) => event);
  return { plan, zone, step, press, lines };
};

describe("a press at the bench, sent without scripts", () => {
  it("is a line of the job's ledger, and the work is under way", async () => {
    const { plan, zone, press, lines } = await job();
    const { status, to } = await press({ kind: "start", line: `begun-${plan.id}` });
    expect([status, to]).toEqual([302, "/bench"]);
    expect(await lines()).toMatchObject([{ kind: "start", id: `begun-${plan.id}`, on: [{ zoneId: zone.id }] }]);
    expect((await getJob(await ownShop(), plan.id))!.plan.state).toBe("under way");
  });

  it("pressed twice, by a page that was slow, is written down once", async () => {
    const { plan, press, lines } = await job();
    const fields = { kind: "note", text: "grain is up", line: `noted-${plan.id}` };
    await press(fields);
    await press(fields);
    expect(await lines()).toHaveLength(1);
  });

  it("begun and ended, the coat is done in the plan, at the time it was", async () => {
    const { plan, zone, step, press, lines } = await job();
    await press({ kind: "start", line: `start-${plan.id}` });
    await press({ kind: "end", line: `end-${plan.id}` });
    const { done } = (await getJob(await ownShop(), plan.id))!.plan;
    expect(done).toMatchObject([{ zoneId: zone.id, phaseId: step.id }]);
    expect(replay(await lines()).lines.every(({ remark }) => remark === null)).toBe(true);
  });

  it("keeps the step as it is now: a later change of the plan leaves the line as it was", async () => {
    const { plan, step, press, lines } = await job();
    await press({ kind: "start", line: `then-${plan.id}` });
    const [line] = await lines();
    expect(line!.step).toMatchObject({ how: step.how });
  });

  it("leads back to the page it came from, and to no other place", async () => {
    const { plan, press } = await job();
    const ledger = `/jobs/${plan.id}/ledger`;
    const note = (line: string, to: string) => press({ kind: "note", text: "x", line: `${line}-${plan.id}`, to });
    expect((await note("a", ledger)).to).toBe(ledger);
    expect((await note("b", "/bench?job=all")).to).toBe("/bench?job=all");
    for (const [index, away] of [
      "https://elsewhere.test/bench",
      "//elsewhere.test/bench",
      "/bench\nLocation: elsewhere",
      "/jobs/../shelf",
      "javascript:alert(1)",
    ].entries())
      expect((await note(`c${index}`, away)).to).toBe("/bench");
  });

  it("brings a photo along, which is then with those of the job", async () => {
    const { plan, zone, step, press, lines } = await job();
    const photo = new File([new Uint8Array(jpeg)], "leg.jpg", { type: "image/jpeg" });
    await press({ kind: "photo", line: `seen-${plan.id}`, text: "first coat", photo });
    expect(await lines()).toMatchObject([{ kind: "photo", photoId: `seen-${plan.id}`, text: "first coat" }]);
    expect((await listPhotos(await ownShop(), plan.id)).photos).toMatchObject([
      { id: `seen-${plan.id}`, zoneId: zone.id, stepId: step.id, note: "first coat" },
    ]);
  });

  it("without the picture that it speaks of is not written down", async () => {
    const { plan, press, lines } = await job();
    const { status, body } = await press({ kind: "photo", line: `unseen-${plan.id}` });
    expect(status).toBe(422);
    expect(body.says).toMatch(/Choose a photo first.*Go back and try again/);
    expect(await lines()).toEqual([]);
  });

  it.each<[string, Record<string, string>, RegExp]>([
    ["nothing pressed", { kind: "" }, /incomplete/],
    ["a press nobody knows", { kind: "__proto__" }, /incomplete/],
    ["a start of nothing", { kind: "start", on: "" }, /incomplete/],
    ["a place that is no place", { kind: "start", on: "seat:../../etc" }, /incomplete/],
    ["an amount beyond all measure", { kind: "amount", material: "", amount: "1e999", unit: "ml" }, /material/],
  ])("with %s is refused in words, and nothing is written down", async (_what, fields, says) => {
    const { press, lines } = await job();
    const { status, body } = await press(fields);
    expect(status).toBe(422);
    expect(body.says).toMatch(says);
    expect(body.says).toMatch(/nothing was lost/);
    expect(await lines()).toEqual([]);
  });

  it("on a job that is gone says so", async () => {
    for (const plan of ["gone", "no such id", ""])
      expect(await answered(benchAction(sentForm("/bench", { plan, kind: "note", text: "x" })))).toMatchObject({
        status: 404,
        body: { says: expect.stringMatching(/no longer there/) },
      });
  });
});
