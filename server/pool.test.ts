import { Worker } from "node:worker_threads";
import { afterEach, describe, expect, it } from "vitest";
import { type Job, Pool, type PoolOptions } from "./pool.ts";

/** A desk that answers with its own number after the time in the words; "spin" holds its thread, "break" ends it. */
const DESK = `
const { parentPort, threadId } = require("node:worker_threads");
parentPort.on("message", ({ id, words: [does, time] }) => {
  const until = performance.now() + Number(time ?? 0);
  if (does === "break") process.exit(1);
  if (does === "for ever") for (;;) {}
  if (does === "spin") while (performance.now() < until) {}
  parentPort.postMessage({ kind: "done", id, value: threadId });
});
parentPort.postMessage({ kind: "ready", times: null });
`;

const pools: Pool[] = [];
afterEach(async () => {
  await Promise.all(pools.splice(0).map((pool) => pool.close()));
});

function open(options: Partial<PoolOptions> = {}): Pool {
  const pool = new Pool({
    spawn: () => new Worker(DESK, { eval: true }),
    desks: { quick: 2, slow: 1, summaries: 1, planning: 1 },
    spare: 1,
    waiting: { quick: 10, slow: 3, summaries: 3, planning: 3 },
    ...options,
  });
  pools.push(pool);
  return pool;
}

const job = (words: string[], more: Partial<Job> = {}): Job => ({
  message: { kind: "chore", chore: "summarise", words },
  subject: null,
  lane: "quick",
  deadline: 5000,
  ...more,
});

describe("desks", () => {
  it("do what they are given, and those of one subject go to the desk that knows it", async () => {
    const pool = open();
    const first = await pool.run(job(["answer"], { subject: "settle" }));
    expect(first.is).toBe("done");
    for (let round = 0; round < 5; round++) {
      await pool.run(job(["answer"], { subject: `other-${round}` }));
      expect(await pool.run(job(["answer"], { subject: "settle" }))).toEqual(first);
    }
  });

  it("never let what is quick stand behind what is slow", async () => {
    const pool = open();
    await pool.run(job(["answer"]));
    const done: string[] = [];
    const slow = [1, 2].map((at) =>
      pool.run(job(["spin", "400"], { lane: "slow" })).then(() => done.push(`slow ${at}`)),
    );
    await Promise.all([1, 2, 3].map((at) => pool.run(job(["answer"])).then(() => done.push(`quick ${at}`))));
    expect(done).toEqual(["quick 1", "quick 2", "quick 3"]);
    await Promise.all(slow);
  });

  it("let no page stand behind a summary that waits for the database", async () => {
    const pool = open();
    await pool.run(job(["answer"], { lane: "slow" }));
    const done: string[] = [];
    const summary = pool.run(job(["spin", "2500"], { lane: "summaries" })).then(() => done.push("summary"));
    await pool.run(job(["answer"], { lane: "slow" })).then(() => done.push("page"));
    expect(done).toEqual(["page"]);
    await summary;
  });

  it("are ended at the deadline, whatever they are at, and replaced", async () => {
    const pool = open({ desks: { quick: 1, slow: 1, summaries: 1, planning: 1 }, spare: 0 });
    expect(await pool.run(job(["for ever"], { deadline: 300 }))).toEqual({ is: "ended" });
    expect((await pool.run(job(["answer"]))).is).toBe("done");
  });

  it("that break end their job, and the next is done by another", async () => {
    const pool = open({ desks: { quick: 1, slow: 1, summaries: 1, planning: 1 } });
    expect(await pool.run(job(["break"]))).toEqual({ is: "ended" });
    expect((await pool.run(job(["answer"]))).is).toBe("done");
  });

  it("let only so many wait", async () => {
    const pool = open();
    const jobs = Array.from({ length: 8 }, () => pool.run(job(["spin", "60"], { lane: "slow" })));
    const came = await Promise.all(jobs);
    expect(came.filter(({ is }) => is === "full").length).toBeGreaterThanOrEqual(4);
    expect(came.filter(({ is }) => is === "done").length).toBeGreaterThanOrEqual(3);
    expect(pool.load).toEqual({ waiting: 0, busy: 0 });
  });

  it("do what somebody waits for before what may be wanted later, of which never two at once", async () => {
    const pool = open({ spare: 0 });
    await Promise.all([1, 2].map(() => pool.run(job(["spin", "30"]))));
    const done: string[] = [];
    const later = [1, 2, 3].map((which) =>
      pool.run(job(["spin", "250"], { beforehand: true })).then(() => done.push(`later ${which}`)),
    );
    const wanted = [1, 2, 3].map((which) => pool.run(job(["spin", "20"])).then(() => done.push(`wanted ${which}`)));
    await Promise.all([...later, ...wanted]);
    expect(done).toEqual(["wanted 1", "wanted 2", "wanted 3", "later 1", "later 2", "later 3"]);
  });

  it("leave what has not been begun when whoever asked goes away, and finish what has", async () => {
    const pool = open({ desks: { quick: 1, slow: 1, summaries: 1, planning: 1 }, spare: 0 });
    await pool.run(job(["answer"]));
    const [first, second] = [new AbortController(), new AbortController()];
    const begun = pool.run(job(["spin", "200"]), first.signal);
    const waits = pool.run(job(["spin", "60000"]), second.signal);
    first.abort();
    second.abort();
    expect(await waits).toEqual({ is: "left" });
    expect((await begun).is).toBe("done");
    expect(pool.load).toEqual({ waiting: 0, busy: 0 });
  });

  it("are added while all others are held up", async () => {
    const pool = open({ desks: { quick: 1, slow: 1, summaries: 1, planning: 1 }, spare: 1 });
    await pool.run(job(["answer"]));
    let held = true;
    const long = pool.run(job(["spin", "2500"])).then(() => {
      held = false;
    });
    expect((await pool.run(job(["answer"]))).is).toBe("done");
    expect(held).toBe(true);
    await long;
  });
});
