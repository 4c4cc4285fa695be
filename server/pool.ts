import type { Worker } from "node:worker_threads";
import { LRUCache } from "lru-cache";
import type { AnswerMessage, FromDesk, NoteMessage, ToDesk } from "./messages";
import { waitedSoFar } from "./thread-times";

// Desks and the work that waits for them. What is known to take long has desks and a queue of its own, so that quick work never
// waits behind it; whatever takes longer than allowed is ended, and its desk is replaced.

/** A piece of work for a desk. */
export interface Job {
  message: DistributiveOmit<ToDesk, "id">;
  /** jobs on one subject go to the desk that knows it, if it is free */
  subject: string | null;
  lane: Lane;
  /** milliseconds that it may need, after which it is ended */
  deadline: number;
  /** asked for beforehand: it is done when nothing else of its lane waits, and never two of these at once */
  beforehand?: boolean;
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

export type Outcome =
  | { is: "answered"; answer: AnswerMessage }
  | { is: "done"; value: unknown }
  /** it took too long and was ended, or its desk broke */
  | { is: "ended" }
  /** too much is waiting already */
  | { is: "full" }
  /** whoever asked went away before it was begun */
  | { is: "left" };

export interface PoolOptions {
  spawn: (lane: Lane) => Worker;
  /** desks for what is quick, for what is slow, for summaries of saved jobs, and for planning the shop's work */
  desks: Record<Lane, number>;
  /** quick desks that may be added while all others are held up */
  spare: number;
  /** jobs that may wait */
  waiting: Record<Lane, number>;
  onNote?: (note: NoteMessage) => void;
  /** called for every job a desk has finished, with the milliseconds it needed */
  onTook?: (job: Job, milliseconds: number) => void;
}

interface Waiting {
  job: Job;
  resolve: (outcome: Outcome) => void;
}

/**
 * What is quick never waits behind what is slow; neither waits behind summaries, which are written when the database
 * is free, nor behind planning, which takes as long as it likes.
 */
export type Lane = (typeof LANES)[number];

/** Work that nobody looks at while it is done: what somebody waits for goes before it. */
export const isBehind = (lane: Lane): boolean => lane === "summaries" || lane === "planning";

/** What a desk is working on. */
interface AtWork extends Waiting {
  id: number;
  since: number;
  /** for how long its thread had waited for a processor until then */
  waited: number;
  timer: NodeJS.Timeout;
}

interface Desk {
  lane: Lane;
  worker: Worker;
  ready: boolean;
  /** where the times of its thread are kept, if anywhere */
  times: string | null;
  at: AtWork | null;
  /** subjects it has worked on, the latest last */
  knows: LRUCache<string, true>;
}

const LANES = ["quick", "slow", "summaries", "planning"] as const;
/** Milliseconds after which a job that was thought quick holds up its desk. */
const HELD_UP = 100;
/** The desks that are not needed at once are opened this long after the start. */
const REST_MILLISECONDS = 4000;
/** A desk that could not start is opened again after this long. */
const REOPEN_MILLISECONDS = 1000;
const MOST_KNOWN = 40;
/** However busy the machine is, nothing goes on for more than so many times as long as it may need. */
const LONGEST = 8;

/**
 * Milliseconds that a desk has needed for what it is at: those in which it was ready to work and had no processor are the
 * machine's doing. Where the system does not say, all of them.
 */
const neededBy = ({ times }: Desk, { since, waited }: AtWork): number =>
  performance.now() - since - (waitedSoFar(times) - waited);

export class Pool {
  private readonly desks: Desk[] = [];
  private readonly lines: Record<Lane, Waiting[]> = { quick: [], slow: [], summaries: [], planning: [] };
  private nextId = 1;
  private closed = false;

  constructor(private readonly options: PoolOptions) {
    // one is enough to begin with; the others come when they are needed, or when all is quiet
    this.open("quick");
    this.rest = setTimeout(() => {
      // the desks for summaries and planning are opened when there is something to do
      for (const lane of ["quick", "slow"] as const)
        while (!this.closed && this.countOf(lane) < options.desks[lane]) this.open(lane);
    }, REST_MILLISECONDS);
    this.rest.unref();
  }

  private readonly rest: NodeJS.Timeout;

  /** Has a job done; returns its result, never throws. Whoever asks may go away: what has not been begun by then is left. */
  run(job: Job, away?: AbortSignal): Promise<Outcome> {
    return new Promise((resolve) => {
      const { lane } = job;
      const line = this.lines[lane];
      if (this.closed || line.length >= this.options.waiting[lane]) {
        resolve({ is: "full" });
        return;
      }
      const waiting: Waiting = { job, resolve };
      line.push(waiting);
      away?.addEventListener("abort", () => {
        const place = line.indexOf(waiting);
        if (place < 0) return;
        line.splice(place, 1);
        resolve({ is: "left" });
      });
      this.seat();
    });
  }

  /** Jobs that are waiting or running, for those who ask how busy it is. */
  get load() {
    const waiting = LANES.reduce((sum, lane) => sum + this.lines[lane].length, 0);
    return { waiting, busy: this.desks.filter(({ at }) => at !== null).length };
  }

  async close() {
    this.closed = true;
    clearTimeout(this.rest);
    for (const lane of LANES) for (const { resolve } of this.lines[lane].splice(0)) resolve({ is: "ended" });
    await Promise.all(this.desks.splice(0).map(({ worker }) => worker.terminate()));
  }

  private open(lane: Lane) {
    const worker = this.options.spawn(lane);
    const desk: Desk = { lane, worker, ready: false, times: null, at: null, knows: new LRUCache({ max: MOST_KNOWN }) };
    this.desks.push(desk);
    worker.on("message", (message: FromDesk) => this.hear(desk, message));
    worker.on("error", (error) => console.error(error));
    worker.on("exit", () => this.gone(desk));
  }

  private hear(desk: Desk, message: FromDesk) {
    if (message.kind === "ready") {
      desk.ready = true;
      desk.times = message.times;
      this.seat();
    } else if (message.kind === "written" || message.kind === "plan" || message.kind === "network")
      this.options.onNote?.(message);
    else if (desk.at?.id === message.id) {
      this.options.onTook?.(desk.at.job, neededBy(desk, desk.at));
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

  /** A desk that ended, by itself or because its time was up. */
  private gone(desk: Desk) {
    const index = this.desks.indexOf(desk);
    if (index < 0) return;
    this.desks.splice(index, 1);
    const broke = !desk.ready;
    if (!this.closed && this.countOf(desk.lane) < this.options.desks[desk.lane])
      setTimeout(() => !this.closed && this.open(desk.lane), broke ? REOPEN_MILLISECONDS : 0);
    this.leave(desk, { is: "ended" });
  }

  private isOpening(lane: Lane): boolean {
    return this.desks.some((desk) => desk.lane === lane && !desk.ready);
  }

  private countOf(lane: Lane): number {
    return this.desks.filter((desk) => desk.lane === lane).length;
  }

  /** Gives waiting work to free desks of its lane. */
  private seat() {
    for (const lane of LANES) {
      for (let next = this.nextOf(lane); next; next = this.nextOf(lane)) {
        const desk = this.freeDesk(lane, next.job.subject);
        if (!desk && this.countOf(lane) < this.options.desks[lane] && !this.isOpening(lane)) this.open(lane);
        if (!desk) break;
        this.lines[lane].splice(this.lines[lane].indexOf(next), 1);
        this.give(desk, next);
      }
    }
    this.addSpare();
  }

  /** What of a lane is to be done next: whoever waits for it now goes before what may be wanted later. */
  private nextOf(lane: Lane): Waiting | undefined {
    const line = this.lines[lane];
    const wanted = line.find(({ job }) => !job.beforehand);
    if (wanted || this.desks.some(({ at }) => at?.job.beforehand)) return wanted;
    return line[0];
  }

  private freeDesk(lane: Lane, subject: string | null): Desk | undefined {
    const free = this.desks.filter((desk) => desk.lane === lane && desk.ready && desk.at === null);
    return free.find(({ knows }) => subject !== null && knows.has(subject)) ?? free[0];
  }

  private give(desk: Desk, { job, resolve }: Waiting) {
    const id = this.nextId++;
    const timer = setTimeout(() => this.timeIsUp(desk), job.deadline);
    desk.at = { job, resolve, id, since: performance.now(), waited: waitedSoFar(desk.times), timer };
    if (job.subject !== null) {
      desk.knows.set(job.subject, true);
    }
    const message = { ...job.message, id } as ToDesk;
    desk.worker.postMessage(message, message.kind === "request" && message.body ? [message.body] : []);
  }

  /** Ends what a desk is at, or lets it have the time that it could not use. */
  private timeIsUp(desk: Desk) {
    const { at } = desk;
    if (!at) return;
    const { deadline } = at.job;
    const left = Math.min(deadline - neededBy(desk, at), LONGEST * deadline - (performance.now() - at.since));
    if (left < 1) void desk.worker.terminate();
    else at.timer = setTimeout(() => this.timeIsUp(desk), left);
  }

  private lookAgain: NodeJS.Timeout | null = null;

  /** Where every quick desk is held up and quick work waits, one more is opened. */
  private addSpare() {
    if (!this.lines.quick.some(({ job }) => !job.beforehand) || this.lookAgain) return;
    this.lookAgain = setTimeout(() => {
      this.lookAgain = null;
      const now = performance.now();
      const held = this.desks.every(
        ({ lane, at, ready }) => lane !== "quick" || (ready && at && now - at.since > HELD_UP),
      );
      const room = this.countOf("quick") < this.options.desks.quick + this.options.spare;
      if (this.nextOf("quick") && held && room) this.open("quick");
      this.seat();
    }, HELD_UP);
  }
}
