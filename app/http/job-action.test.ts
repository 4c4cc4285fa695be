import { describe, expect, it } from "vitest";
import { getJob } from "#db/plans";
import { harbourStool } from "#demo/hobnail-yard";
import { type Answered, answered, ownJob, ownShop, sentForm } from "../../tests/own-shop";
import { jobAction } from "./job-action.server";

const job = async () => {
  const plan = await ownJob(harbourStool());
  const crust = plan.crusts[0]!;
  const send = (fields: Record<string, string>, search = "?zone=stool-seat", view?: string): Promise<Answered> =>
    answered(
      jobAction(
        sentForm(`/jobs/${plan.id}/crust${search}`, { base: "1", crustId: crust.id, ...fields }),
        { planId: plan.id },
        view,
      ),
    );
  const now = async () => (await getJob(await ownShop(), plan.id))!;
  return { plan, crust, send, now };
};

describe("a job's forms, sent without scripts", () => {
  it("add a step on top, save it as the next version, and lead back to it", async () => {
    const { crust, send, now } = await job();
    const { status, to } = await send({ do: "add step", pick: "wax|wax-clear", edit: "added-by-hand" });
    expect(status).toBe(302);
    const { plan, version, undo } = await now();
    expect(version).toBe(2);
    const steps = plan.crusts.find(({ id }) => id === crust.id)!.steps;
    expect(steps).toHaveLength(crust.steps.length + 1);
    expect(steps.at(-1)).toMatchObject({ how: "wax", what: "wax-clear" });
    expect(to).toContain(`step=${steps.at(-1)!.id}`);
    expect(to).toContain("zone=stool-seat");
    expect(undo).toMatch(/wax/i);
  });

  it("make one edit where the same form is sent twice, as by a page loaded again", async () => {
    const { crust, send, now } = await job();
    const fields = { do: "add step", pick: "wax|wax-clear", edit: "pressed-twice" };
    await send(fields);
    expect((await send(fields)).status).toBe(302);
    const { plan, version } = await now();
    expect(version).toBe(2);
    expect(plan.crusts[0]!.steps).toHaveLength(crust.steps.length + 1);
  });

  it("say what others did since, and keep what was typed, where the job has gone on", async () => {
    const { crust, send, now } = await job();
    await send({ do: "add step", pick: "wax|wax-clear", edit: "first-one" });
    const { status, body } = await send({ do: "add step", pick: "scuff", note: "before the wax", edit: "late-one" });
    expect(status).toBe(409);
    expect(body.faults[""]).toMatch(/changed in another window: .*wax.*What you typed is still here/i);
    expect(body.values).toMatchObject({ pick: "scuff", note: "before the wax" });
    expect((await now()).plan.crusts[0]!.steps).toHaveLength(crust.steps.length + 1);
  });

  it("undo and redo", async () => {
    const { crust, send, now } = await job();
    await send({ do: "add step", pick: "wax|wax-clear", edit: "to-be-undone" });
    expect((await send({ do: "undo", base: "2" })).status).toBe(302);
    expect((await now()).plan.crusts[0]!.steps).toEqual(crust.steps);
    expect((await send({ do: "redo", base: "3" })).status).toBe(302);
    expect((await now()).plan.crusts[0]!.steps).toHaveLength(crust.steps.length + 1);
    expect((await send({ do: "redo", base: "4" })).status).toBe(422);
  });

  it("lead to another view of the job where the form asks for it", async () => {
    const { plan, send } = await job();
    const { to } = await send({ do: "add step", pick: "wax|wax-clear" }, "?finish=harbour-grey", "crust");
    expect(to).toMatch(new RegExp(`^/jobs/${plan.id}/crust\\?`));
  });

  it.each(["", "fly", "__proto__", "constructor", "toString", "hasOwnProperty"])(
    "are refused in words where they ask for %j, and nothing is changed",
    async (does) => {
      const { send, now } = await job();
      const { status, body } = await send({ do: does });
      expect(status).toBe(422);
      expect(body.faults[""]).toMatch(/arrived incomplete/);
      expect((await now()).version).toBe(1);
    },
  );

  it.each(["", "two", "1.5", "NaN"])("are refused without the version they were filled in on: %j", async (base) => {
    const { send, now } = await job();
    const { status, body } = await send({ do: "add step", pick: "scuff", base });
    // an empty field counts as none at all: 0, which no version is
    expect([409, 422]).toContain(status);
    expect(body.faults[""]).toMatch(/incomplete|changed in another window/);
    expect((await now()).version).toBe(1);
  });

  it("keep every field that was typed where one of them is wrong", async () => {
    const { crust, send } = await job();
    const step = crust.steps.find(({ what }) => what !== null)!;
    const { status, body } = await send({
      do: "patch step",
      stepId: step.id,
      coats: "many",
      note: "thin the second",
    });
    expect(status).toBe(422);
    expect(Object.keys(body.faults)).toEqual(["coats"]);
    expect(body.values).toMatchObject({ coats: "many", note: "thin the second" });
  });

  it("change what they are about and nothing else", async () => {
    const { plan: before, crust, send, now } = await job();
    const [first, second, ...others] = crust.steps;
    await send({ do: "patch step", stepId: second!.id, note: "by the window" });
    const { plan } = await now();
    const steps = plan.crusts[0]!.steps;
    expect(steps[0]).toEqual(first);
    expect(steps[1]).toEqual({ ...second, note: "by the window" });
    expect(steps.slice(2)).toEqual(others);
    expect(plan.crusts.slice(1)).toEqual(before.crusts.slice(1));
    expect(plan.pieces).toEqual(before.pieces);
  });

  it.each([
    ["a job that is gone", "gone-for-good", /No job has the id "gone-for-good"/],
    ["an id that no job can have", "a b\nc", /No job has the id "a b c"/],
    ["a very long one", "x".repeat(400), /No job has the id "x{80}"/],
  ])("of %s are answered with a page that says so", async (_what, planId, says) => {
    const { status, body } = await answered(
      jobAction(sentForm("/jobs/x/crust", { base: "1", do: "add step" }), { planId }),
    );
    expect(status).toBe(404);
    expect(body.says).toMatch(says);
  });

  it("are read only as forms: anything else is turned away unread", async () => {
    const { plan } = await job();
    const request = new Request(`http://127.0.0.1:4173/jobs/${plan.id}/crust`, {
      method: "POST",
      body: JSON.stringify({ do: "undo" }),
      headers: { "Content-Type": "application/json" },
    });
    const { status, body } = await answered(jobAction(request, { planId: plan.id }));
    expect(status).toBe(415);
    expect(body.says).toMatch(/Nothing was changed/);
  });

  it("that broke off on the way change nothing, and say so", async () => {
    const { plan, now } = await job();
    const request = new Request(`http://127.0.0.1:4173/jobs/${plan.id}/crust`, {
      method: "POST",
      body: '--cut\r\nContent-Disposition: form-data; name="do"\r\n\r\nadd st',
      headers: { "Content-Type": "multipart/form-data; boundary=cut" },
    });
    const { status, body } = await answered(jobAction(request, { planId: plan.id }));
    expect(status).toBe(400);
    expect(body.title).toBe("The form arrived damaged");
    expect((await now()).version).toBe(1);
  });
});
