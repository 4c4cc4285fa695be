import { describe, expect, it } from "vitest";
import type { Command } from "#core/edit/command";
import type { Plan } from "#core/plan/plan";
import { getJob } from "#db/plans";
import { harbourStool } from "#demo/hobnail-yard";
import { answered, ownJob, ownShop } from "../../tests/own-shop";
import type { Route } from "./+types/edit";
import { action, loader } from "./edit";

const asked = (planId: string, body: string) =>
  ({
    request: new Request(`http://127.0.0.1:4173/jobs/${planId}/edit`, { method: "POST", body }),
    params: { planId },
  }) as Route.ActionArgs;

const send = (planId: string, body: unknown) =>
  answered(action(asked(planId, typeof body === "string" ? body : JSON.stringify(body))));

const renamed = (title: string): Command[] => [{ do: "set job", patch: { title } } as Command];
const titleOf = async ({ id }: Plan) => (await getJob(await ownShop(), id))!.plan.title;

describe("an edit as the page sends it", () => {
  it("is saved as the next version; the page is not sent the plan that it has made itself", async () => {
    const plan = await ownJob(harbourStool());
    const { status, body } = await send(plan.id, {
      base: 1,
      id: `rename-it-${plan.id}`,
      label: "Rename",
      commands: renamed("Blue stool"),
    });
    expect(status).toBe(200);
    expect(body).toMatchObject({ is: "written", version: 2, undo: "Rename", redo: null });
    expect(body.plan).toBeUndefined();
    expect(await titleOf(plan)).toBe("Blue stool");
  });

  it("is undone and redone, and then the plan comes with the answer", async () => {
    const plan = await ownJob(harbourStool());
    await send(plan.id, { base: 1, id: `rename-it-${plan.id}`, label: "Rename", commands: renamed("Blue stool") });
    const undone = await send(plan.id, { base: 2, way: "undo" });
    expect(undone.body).toMatchObject({ is: "written", version: 3, redo: "Rename", plan: { title: plan.title } });
    const redone = await send(plan.id, { base: 3, way: "redo" });
    expect(redone.body).toMatchObject({ is: "written", version: 4, plan: { title: "Blue stool" } });
  });

  it("made on an older version is not saved over the newer one: the answer brings what was done since", async () => {
    const plan = await ownJob(harbourStool());
    await send(plan.id, { base: 1, id: `first-window-${plan.id}`, label: "Rename", commands: renamed("First window") });
    const { body } = await send(plan.id, {
      base: 1,
      id: `second-window-${plan.id}`,
      label: "Rename",
      commands: renamed("Second window"),
    });
    expect(body).toMatchObject({
      is: "overtaken",
      since: ["Rename"],
      job: { version: 2, plan: { title: "First window" } },
    });
    expect(await titleOf(plan)).toBe("First window");
  });

  it("sent again because the answer was lost is not made twice", async () => {
    const plan = await ownJob(harbourStool());
    const edit = { base: 1, id: `lost-answer-${plan.id}`, label: "Rename", commands: renamed("Once") };
    await send(plan.id, edit);
    const { body } = await send(plan.id, edit);
    expect(body.is).toBe("written");
    expect((await getJob(await ownShop(), plan.id))!.version).toBe(2);
  });

  it("with the name of an edit of another job is refused, and changes neither", async () => {
    const [one, other] = [await ownJob(harbourStool()), await ownJob(harbourStool())];
    const edit = { base: 1, id: `borrowed-${one.id}`, label: "Rename", commands: renamed("Mine") };
    await send(one.id, edit);
    expect((await send(other.id, { ...edit, commands: renamed("Yours") })).body).toEqual({
      is: "refused",
      because: "This edit belongs to another job.",
    });
    expect([await titleOf(one), await titleOf(other)]).toEqual(["Mine", other.title]);
  });

  it.each<[string, unknown, RegExp]>([
    ["no text at all", "", /arrived incomplete/],
    ["half a sentence", '{"base":1,', /arrived incomplete/],
    ["a list", [], /cannot be read/],
    ["nothing in it", {}, /cannot be read/],
    ["no version", { id: "no-version", label: "x", commands: [] }, /cannot be read.*base/i],
    ["a version that none is", { base: 0, id: "version-0", label: "x", commands: [] }, /cannot be read/],
    [
      "a command that nobody knows",
      { base: 1, id: "unknown-command", label: "x", commands: [{ do: "fly" }] },
      /cannot be read/,
    ],
    [
      "a title that is too long",
      { base: 1, id: "long-title", label: "x", commands: renamed("x".repeat(5000)) },
      /characters at most/,
    ],
    ["a way that is none", { base: 1, way: "sideways" }, /cannot be read/],
  ])("with %s is refused in words, and nothing is changed", async (_what, body, says) => {
    const plan = await ownJob(harbourStool());
    const { status, body: answer } = await send(plan.id, body);
    expect(status).toBe(400);
    expect(answer.is).toBe("refused");
    expect(answer.because).toMatch(says);
    expect((await getJob(await ownShop(), plan.id))!.version).toBe(1);
  });

  it("that does not fit the plan is refused by the plan, in words", async () => {
    const plan = await ownJob(harbourStool());
    const { body } = await send(plan.id, {
      base: 1,
      id: "no-such-crust",
      label: "Remove",
      commands: [{ do: "remove step", crustId: "gone", stepId: "gone" }],
    });
    expect(body.is).toBe("refused");
    expect(body.because).toMatch(/no longer|not in/);
  });

  it("of a job that is not there is answered so, and one without an id leads nowhere", async () => {
    expect((await send("not-there", { base: 1, id: "lost-job-1", label: "x", commands: renamed("y") })).body).toEqual({
      is: "missing",
    });
    expect((await send("no such id", { base: 1, way: "undo" })).status).toBe(404);
  });

  it("opened as a page leads to the job", () => {
    const to = loader({ params: { planId: "carved-settle" } } as Route.LoaderArgs);
    expect([to.status, to.headers.get("Location")]).toEqual([302, "/jobs/carved-settle/crust"]);
  });
});
