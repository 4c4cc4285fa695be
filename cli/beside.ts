import { once } from "node:events";
import { availableParallelism } from "node:os";
import { Worker } from "node:worker_threads";
import type { NetworkFile } from "#core/schedule/solve/network-file";
import { Peers } from "#core/schedule/solve/peers";

/** Beyond this size memory is what both wait for: measured, two threads find less than one in half a second. */
const LARGE = 120;
/** Milliseconds from which two find more all the same. */
const LONG = 2000;

/** What a helper is given: the network, the memory both write to, and how long there is. */
export interface BesideTask {
  file: NetworkFile;
  buffer: SharedArrayBuffer;
  budget: number;
}

/** A second solver in a thread of its own, for machines with more than one core. */
export interface Helper {
  /**
   * Begins on a network; what it finds is in the answer's memory until it is stopped. Undefined where two threads would
   * take more from each other than they give.
   */
  begin(file: NetworkFile, budget: number): Peers | undefined;
  end(): Promise<unknown>;
}

/** The thread's file: beside this one in a build, or run from its source as this one is. */
function threadOf(): Worker {
  if (import.meta.url.endsWith(".js")) return new Worker(new URL("./helper/helper.js", import.meta.url));
  const words = [import.meta.resolve("tsx/esm/api"), new URL("./helper.ts", import.meta.url).href].map((url) =>
    JSON.stringify(url),
  );
  return new Worker(`import(${words[0]}).then(({ register }) => { register(); return import(${words[1]}); })`, {
    eval: true,
  });
}

/** Starts the helper, and waits until it is warm; null on one core, or where no thread can be had. */
export async function helperOf(): Promise<Helper | null> {
  if (availableParallelism() < 2) return null;
  const worker = threadOf();
  worker.unref();
  // without it the first solver does all by itself
  worker.on("error", () => undefined);
  try {
    await once(worker, "message");
  } catch {
    return null;
  }
  return {
    begin(file, budget) {
      if (file.activities.length > LARGE && budget < LONG) return undefined;
      const peers = Peers.of(file.activities.length);
      worker.postMessage({ file, buffer: peers.buffer, budget } satisfies BesideTask);
      return peers;
    },
    end: () => worker.terminate(),
  };
}
