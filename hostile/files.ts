import { Worker } from "node:worker_threads";
import { writePlanFile } from "#core/exchange/plan-file";
import { examplePlan } from "#core/rules/example";
import { RULES } from "#core/rules/rules";
import { hobnailYard } from "#demo/hobnail-yard";
import type { Trial } from "./trial.ts";

const WHOLE = 10_000;
const SHORT = 400;
/** Milliseconds that one file may take, with everything that is done with it. */
const DEADLINE = 15_000;
const DESKS = 2;

/** Small plans for the most part, and the jobs of the demo among them. */
function bases(): string[] {
  const examples = RULES.flatMap(({ examples: { faulty, clean } }) => [faulty[0], clean[0]]).filter(
    (exampleStack) => exampleStack !== undefined,
  );
  return [...examples.map((example) => writePlanFile(examplePlan(example))), ...hobnailYard().map(writePlanFile)];
}

interface Came {
  seed: number;
  read: boolean;
  fault: string | null;
}

/** Files that are wrong in every way: each is refused with a reason, or read and worked out to the end. */
export const files: Trial = {
  name: "files",
  says: "mutated project files: read, judged, dated, added up and drawn, each within a deadline",
  async run({ short, note, desk }) {
    const total = short ? SHORT : WHOLE;
    const texts = bases();
    let next = 1;
    let read = 0;
    let faults = 0;
    let longest = 0;
    const told = (fault: string) => {
      faults++;
      note(fault);
    };
    const one = (worker: Worker, seed: number) =>
      new Promise<Came>((resolve) => {
        const timer = setTimeout(() => {
          void worker.terminate();
          resolve({ seed, read: true, fault: `took more than ${DEADLINE / 1000} s` });
        }, DEADLINE);
        worker.once("message", (came: Came) => {
          clearTimeout(timer);
          resolve(came);
        });
        worker.postMessage({ bases: texts, seed });
      });
    const work = async () => {
      let worker = new Worker(desk("files-desk"));
      while (next <= total) {
        const began = performance.now();
        const came = await one(worker, next++);
        longest = Math.max(longest, performance.now() - began);
        if (came.read) read++;
        if (came.fault) told(`file ${came.seed}: ${came.fault}`);
        if (came.fault?.startsWith("took")) worker = new Worker(desk("files-desk"));
      }
      await worker.terminate();
    };
    await Promise.all(Array.from({ length: DESKS }, work));
    return {
      tried: total,
      faults,
      came: `${total - read} refused with a reason, ${read} read and worked out to the end; the longest took ${(longest / 1000).toFixed(1)} s`,
    };
  },
};
