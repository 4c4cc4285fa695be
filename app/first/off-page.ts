import { proxy, type Remote, wrap } from "comlink";

/** A program that runs in a worker, and is called as if it were here. */
export interface OffPage<Program> {
  run: Remote<Program>;
  close: () => void;
}

/** Takes up a program in a worker; `failed` hears why, where it does not start. */
export function offPage<Program>(worker: Worker, failed: (says: string) => void): OffPage<Program> {
  worker.addEventListener("error", (event) => {
    event.preventDefault();
    failed(event.message);
  });
  return { run: wrap<Program>(worker), close: () => worker.terminate() };
}

const saysOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** What a program tells while it works, and why it gave up; nothing any more once the asker has gone on to something else. */
export function listening<Said>(hear: (said: Said) => void, failed: (says: string) => void) {
  let over = false;
  const tell = (said: Said) => {
    if (!over) hear(said);
  };
  return {
    tell: proxy(tell),
    gaveUp: (error: unknown) => {
      if (!over) failed(saysOf(error));
    },
    end: () => {
      over = true;
    },
  };
}
