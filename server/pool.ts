import type { Worker } from "node:worker_threads";
import type { AnswerMessage, FromDesk, ToDesk } from "./messages";

// Desks and the work that waits for them. What is known to take long shares one desk and waits in its own line, so that what is
// quick never stands behind it; whatever takes longer than it may is ended, and its desk is replaced.

/** A piece of work for a desk. */
export interface Job {
  message: DistributiveOmit<ToDesk, "id">;
  /** jobs of one subject go to the desk that knows it, where that is free */
  subject: string | null;
  slow: boolean;
  /** milliseconds after which it is ended */
  deadline: number;
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

export type Outcome =
  | { is: "answered"; answer: AnswerMessage }
  | { is: "done"; value: unknown }
  /** it took too long and was ended, or its desk broke */
  | { is: "ended" }
  /** too much is waiting already */
  | { is: "full" };

export interface PoolOptions {
  spawn: () => Worker;
  /** desks at work at the same time */
  desks: number;
  /** slow jobs at work at the same time */
  slow: number;
  /** desks that may be added while all others are held up */
  spare: number;
  /** jobs that may wait, quick and slow */
  waiting: { quick: number; slow: number };
  onWritten?: (planId: string, weight: number) => void;
  /** told of every job that a desk has finished, with the milliseconds it took */
  onTook?: (job: Job, milliseconds: number) => void;
}

interface Waiting {
  job: Job;
  resolve: (outcome: Outcome) => void;
}

interface Desk {
  worker: Worker;
  ready: boolean;
  at: (Waiting & { id: number; since: number; timer: NodeJS.Timeout }) | null;
  /** subjects it has worked on, the latest last */
  knows: Set<string>;
}

/** After so long a job that was thought quick counts as slow. */
const HELD_UP_MILLISECONDS = 100;
const MOST_KNOWN = 40;

export class Pool {
  private readonly desks: Desk[] = [];
  private readonly quick: Waiting[] = [];
  private readonly slow: Waiting[] = [];
  private nextId = 1;
  private closed = false;

  constructor(private readonly options: PoolOptions) {
    for (let count = 0; count < options.desks; count++) this.open();
  }

  /** Has a job done; answers what came of it, never throws. */
  run(job: Job): Promise<Outcome> {
    return new Promise((resolve) => {
      const line = job.slow ? this.slow : this.quick;
      const most = job.slow ? this.options.waiting.slow : this.options.waiting.quick;
      if (this.closed || line.length >= most) {
        resolve({ is: "full" });
        return;
      }
      line.push({ job, resolve });
      this.seat();
    });
  }

  /** Jobs that wait or are at work, for those who ask how much is going on. */
  get load() {
    return { waiting: this.quick.length + this.slow.length, busy: this.desks.filter(({ at }) => at !== null).length };
  }

  async close() {
    this.closed = true;
    for (const { resolve } of [...this.quick.splice(0), ...this.slow.splice(0)]) resolve({ is: "ended" });
    await Promise.all(this.desks.splice(0).map(({ worker }) => worker.terminate()));
  }

  private open() {
    const worker = this.options.spawn();
    const desk: Desk = { worker, ready: false, at: null, knows: new Set() };
    this.desks.push(desk);
    worker.on("message", (message: FromDesk) => this.hear(desk, message));
    worker.on("error", (error) => console.error(error));
    worker.on("exit", () => this.gone(desk));
  }

  private hear(desk: Desk, message: FromDesk) {
    if (message.kind === "ready") {
      desk.ready = true;
      this.seat();
    } else if (message.kind === "written") this.options.onWritten?.(message.planId, message.weight);
    else if (desk.at?.id === message.id) {
      const { job, since } = desk.at;
      this.options.onTook?.(job, performance.now() - since);
      this.leave(
        desk,
        message.kind === "done" ? { is: "done", value: message.value } : { is: "answered", answer: message },
      );
    }
  }

  private leave(desk: Desk, outcome: Outcome) {
    const { at } = desk;
    desk.at = null;
    if (at) {
      clearTimeout(at.timer);
      at.resolve(outcome);
    }
    this.seat();
  }

  /** A desk that ended, by itself or because its time was over. */
  private gone(desk: Desk) {
    const index = this.desks.indexOf(desk);
    if (index < 0) return;
    this.desks.splice(index, 1);
    const broke = !desk.ready;
    // one that cannot even begin would be opened for ever
    if (!this.closed && this.desks.length < this.options.desks)
      setTimeout(() => !this.closed && this.open(), broke ? 1000 : 0);
    this.leave(desk, { is: "ended" });
  }

  private get slowAtWork() {
    const now = performance.now();
    return this.desks.filter(({ at }) => at && (at.job.slow || now - at.since > HELD_UP_MILLISECONDS)).length;
  }

  /** Gives waiting work to free desks: the quick first, the slow only where there is room for it. */
  private seat() {
    for (const line of [this.quick, this.slow])
      while (line.length > 0) {
        if (line === this.slow && this.slowAtWork >= this.options.slow) break;
        const desk = this.freeDesk(line[0]!.job.subject);
        if (!desk) {
          this.addSpare();
          return;
        }
        this.give(desk, line.shift()!);
      }
  }

  private freeDesk(subject: string | null): Desk | undefined {
    const free = this.desks.filter(({ ready, at }) => ready && at === null);
    return free.find(({ knows }) => subject !== null && knows.has(subject)) ?? free[0];
  }

  private give(desk: Desk, { job, resolve }: Waiting) {
    const id = this.nextId++;
    const timer = setTimeout(() => void desk.worker.terminate(), job.deadline);
    desk.at = { job, resolve, id, since: performance.now(), timer };
    if (job.subject !== null) {
      desk.knows.delete(job.subject);
      desk.knows.add(job.subject);
      if (desk.knows.size > MOST_KNOWN) desk.knows.delete(desk.knows.keys().next().value!);
    }
    const message = { ...job.message, id } as ToDesk;
    desk.worker.postMessage(message, message.kind === "request" && message.body ? [message.body] : []);
  }

  private lookAgain: NodeJS.Timeout | null = null;

  /** Where every desk is held up and quick work waits, one more is opened. */
  private addSpare() {
    if (this.quick.length === 0 || this.lookAgain) return;
    this.lookAgain = setTimeout(() => {
      this.lookAgain = null;
      const held = this.desks.every(
        ({ at, ready }) => ready && at && performance.now() - at.since > HELD_UP_MILLISECONDS,
      );
      if (this.quick.length > 0 && held && this.desks.length < this.options.desks + this.options.spare) this.open();
      this.seat();
    }, HELD_UP_MILLISECONDS);
  }
}
