import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import type { Command } from "#core/edit/command";
import type { Plan } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { type Answer, EditQueue, type PendingEdit, type Post, type SavedJob } from "./queue";

const plan = (): Plan =>
  examplePlan({
    shows: "x",
    ground: "raw timber",
    species: "pine",
    steps: [
      ["brush", "chalk-slate"],
      ["wax", "wax-clear"],
    ],
  });
const job = (version = 1, of = plan()): SavedJob => ({ plan: of, version, undo: null, redo: null });
const coats = (id: string, count: number, stepId = "s1"): PendingEdit => ({
  id,
  label: `${count} coats`,
  commands: [
    {
      do: "patch step",
      crustId: "c1",
      stepId,
      patch: { coats: count, what: undefined, wait: undefined, reveals: undefined },
    },
  ],
});
const leaveOut = (id: string, stepId: string): PendingEdit => ({
  id,
  label: "Leave out",
  commands: [{ do: "remove step", crustId: "c1", stepId }],
});
const settled = () => new Promise((resolve) => setTimeout(resolve, 5));

/** A server for one job: versions, conflicts and undo as the real one has them, and it can be offline. */
class Server {
  saved = job();
  away = false;
  missing = false;
  readonly sent: string[] = [];
  private readonly past: Command[][] = [];

  readonly post: Post = async (body) => {
    await Promise.resolve();
    if (this.away) return { is: "unsaved", because: "The server does not answer." };
    if (this.missing) return { is: "missing" };
    if (body.base !== this.saved.version) return { is: "overtaken", job: this.saved, since: ["Something else"] };
    if ("way" in body) {
      const inverse = this.past.pop();
      if (!inverse) return { is: "refused", because: "There is nothing to undo." };
      return this.write(inverse, true);
    }
    this.sent.push(body.id);
    return this.write(body.commands, false);
  };

  write(commands: readonly Command[], back: boolean): Answer {
    const done = applyCommands(this.saved.plan, commands);
    if (!done.ok) return { is: "refused", because: done.because };
    if (!back) this.past.push(done.inverse);
    this.saved = { ...this.saved, plan: done.plan, version: this.saved.version + 1 };
    return { is: "written", version: this.saved.version, undo: "x", redo: null, ...(back ? { plan: done.plan } : {}) };
  }
}

function open(server: Server) {
  const kept: { pending: readonly PendingEdit[] } = { pending: [] };
  const later: (() => void)[] = [];
  const queue = new EditQueue(
    server.saved,
    server.post,
    (pending) => {
      kept.pending = pending;
    },
    (work) => later.push(work),
  );
  const coatsShown = () => queue.current().plan.crusts[0]!.steps.map((step) => step.coats);
  return { queue, kept, later, coatsShown };
}

describe("edits on their way", () => {
  it("are shown at once and saved behind it, in order", async () => {
    const server = new Server();
    const { queue, kept, coatsShown } = open(server);
    queue.add(coats("a", 2));
    queue.add(coats("b", 3));
    queue.add(coats("c", 4));
    expect(coatsShown()).toEqual([4, 1]);
    expect(queue.current().state).toBe("saving");
    expect(kept.pending).toHaveLength(3);
    await settled();
    expect(server.sent).toEqual(["a", "b", "c"]);
    expect(queue.current()).toMatchObject({ state: "saved", pending: [], saved: { version: 4 } });
    expect(server.saved.plan).toEqual(queue.current().plan);
    expect(kept.pending).toEqual([]);
  });

  it("that cannot be done here are refused before they are sent", async () => {
    const server = new Server();
    const { queue } = open(server);
    expect(queue.add(leaveOut("a", "nobody"))).toMatch(/no longer in the crust/);
    await settled();
    expect(server.sent).toEqual([]);
  });

  it("wait while the server is away, lose nothing, and go when it is back", async () => {
    const server = new Server();
    server.away = true;
    const { queue, kept, later, coatsShown } = open(server);
    queue.add(coats("a", 2));
    queue.add(coats("b", 3));
    await settled();
    expect(queue.current()).toMatchObject({ state: "unsaved", says: "The server does not answer." });
    expect(kept.pending.map((edit) => edit.id)).toEqual(["a", "b"]);
    expect(coatsShown()).toEqual([3, 1]);
    server.away = false;
    for (const work of later.splice(0)) work();
    await settled();
    expect(server.sent).toEqual(["a", "b"]);
    expect(queue.current().state).toBe("saved");
  });

  it("kept from before a reload are put back; those that no longer fit are answered", async () => {
    const server = new Server();
    const { queue, coatsShown } = open(server);
    const lost = queue.restore([coats("a", 5), leaveOut("b", "nobody")]);
    expect(lost.map((edit) => edit.id)).toEqual(["b"]);
    expect(coatsShown()).toEqual([5, 1]);
    await settled();
    expect(server.sent).toEqual(["a"]);
  });

  it("stay on the page when the job was removed", async () => {
    const server = new Server();
    server.missing = true;
    const { queue, later } = open(server);
    queue.add(coats("a", 2));
    await settled();
    expect(queue.current()).toMatchObject({
      state: "unsaved",
      says: expect.stringContaining("Restore it on the jobs list"),
    });
    server.missing = false;
    for (const work of later.splice(0)) work();
    await settled();
    expect(queue.current().state).toBe("saved");
  });
});

describe("when another window was faster", () => {
  async function overtaken(mine: PendingEdit) {
    const server = new Server();
    const opened = open(server);
    server.write(coats("theirs", 7, "s2").commands, false);
    opened.queue.add(mine);
    await settled();
    return { server, ...opened };
  }

  it("nothing is sent until the painter has chosen", async () => {
    const { queue, server, coatsShown } = await overtaken(coats("mine", 2));
    expect(queue.current()).toMatchObject({ state: "overtaken", since: ["Something else"] });
    expect(coatsShown()).toEqual([2, 1]);
    queue.add(coats("more", 3));
    await settled();
    expect(server.sent).toEqual([]);
    expect(queue.current().pending).toHaveLength(2);
  });

  it("mine is laid over theirs, and both are kept", async () => {
    const { queue, server, coatsShown } = await overtaken(coats("mine", 2));
    expect(queue.resolve("mine")).toEqual([]);
    await settled();
    expect(coatsShown()).toEqual([2, 7]);
    expect(server.saved.plan.crusts[0]!.steps.map((step) => step.coats)).toEqual([2, 7]);
    expect(queue.current().state).toBe("saved");
  });

  it("theirs is taken, and mine let go", async () => {
    const { queue, server, coatsShown } = await overtaken(coats("mine", 2));
    queue.resolve("theirs");
    await settled();
    expect(coatsShown()).toEqual([1, 7]);
    expect(server.sent).toEqual([]);
  });

  it("what no longer fits over theirs is answered, not swallowed", async () => {
    const server = new Server();
    const { queue } = open(server);
    server.write(leaveOut("theirs", "s1").commands, false);
    queue.add(coats("mine", 2));
    await settled();
    expect(queue.resolve("mine").map((edit) => edit.id)).toEqual(["mine"]);
  });
});

describe("undo and redo", () => {
  it("waits until everything typed is written, then takes the last edit back", async () => {
    const server = new Server();
    const { queue, coatsShown } = open(server);
    queue.add(coats("a", 2));
    queue.add(coats("b", 3));
    expect(await queue.step("undo")).toBeNull();
    expect(coatsShown()).toEqual([2, 1]);
    expect(queue.current().saved.version).toBe(4);
  });

  it("says so when there is nothing, and when the server is away", async () => {
    const server = new Server();
    const { queue } = open(server);
    expect(await queue.step("undo")).toBe("There is nothing to undo.");
    server.away = true;
    expect(await queue.step("undo")).toBe("The server does not answer.");
  });

  it("shows what another window did before it undoes anything", async () => {
    const server = new Server();
    const { queue, coatsShown } = open(server);
    server.write(coats("theirs", 7, "s2").commands, false);
    expect(await queue.step("undo")).toMatch(/changed in another window: Something else/);
    expect(coatsShown()).toEqual([1, 7]);
  });
});

describe("a page loaded again", () => {
  it("takes a newer plan, never over something typed", async () => {
    const server = new Server();
    const { queue } = open(server);
    queue.refresh(job(9, { ...plan(), title: "Newer" }));
    expect(queue.current().plan.title).toBe("Newer");
    server.away = true;
    queue.add(coats("a", 2));
    queue.refresh(job(12, { ...plan(), title: "Newest" }));
    expect(queue.current().plan.title).toBe("Newer");
    queue.refresh(job(3));
    expect(queue.current().saved.version).toBe(9);
  });
});
