import { applyCommands } from "#core/edit/apply";
import type { Command } from "#core/edit/command";
import type { Plan } from "#core/plan/plan";

export interface SavedJob {
  plan: Plan;
  version: number;
  undo: string | null;
  redo: string | null;
}

export interface PendingEdit {
  id: string;
  label: string;
  commands: Command[];
  /** what would undo it where it was made: it shows what the edit overwrites */
  inverse?: Command[];
}

/** What the server answers to an edit. */
export type Answer =
  | { is: "written"; version: number; undo: string | null; redo: string | null; plan?: Plan }
  | { is: "overtaken"; job: SavedJob; since: string[] }
  | { is: "refused"; because: string }
  | { is: "missing" }
  /** it did not get there, or the store had trouble; worth trying again */
  | { is: "unsaved"; because: string };

export type Post = (body: ({ base: number } & PendingEdit) | { base: number; way: "undo" | "redo" }) => Promise<Answer>;

export interface QueueView {
  /** the plan with everything typed so far */
  plan: Plan;
  saved: SavedJob;
  pending: readonly PendingEdit[];
  state: "saved" | "saving" | "unsaved" | "overtaken";
  /** why it is not saved, or what was changed elsewhere */
  says: string | null;
  since: readonly string[];
  /** edits kept from an earlier page whose places others have changed since: the painter chooses */
  contested: readonly PendingEdit[];
}

const RETRY_MILLISECONDS = 3000;

/**
 * Edits on their way to the server: shown at once, sent one at a time, kept until they are saved. When another window
 * saved first, nothing is sent until the painter has chosen.
 */
export class EditQueue {
  private view: QueueView;
  private busy = false;
  private theirs: SavedJob | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(
    job: SavedJob,
    private readonly post: Post,
    private readonly keep: (pending: readonly PendingEdit[]) => void = () => {},
    private readonly later: (work: () => void, milliseconds: number) => void = (work, milliseconds) => {
      setTimeout(work, milliseconds);
    },
  ) {
    this.view = { plan: job.plan, saved: job, pending: [], state: "saved", says: null, since: [], contested: [] };
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };
  readonly current = (): QueueView => this.view;

  /** Adds an edit; returns a sentence when it cannot be made on the plan as shown. */
  add(edit: PendingEdit): string | null {
    const done = applyCommands(this.view.plan, edit.commands);
    if (!done.ok) return done.because;
    this.show({
      plan: done.plan,
      pending: [...this.view.pending, { ...edit, inverse: done.inverse }],
      ...(this.view.state === "overtaken" ? {} : { state: "saving" as const }),
    });
    void this.flush();
    return null;
  }

  /** Edits kept from before a reload, put back on top of what the server has. Returns those that no longer fit. */
  restore(pending: readonly PendingEdit[]): PendingEdit[] {
    return pending.filter((edit) => this.add(edit) !== null);
  }

  /**
   * Takes over edits that an earlier page left behind. Those that overwrite just what they would have overwritten
   * then are sent; those whose places others have changed are shown to the painter; those that no longer fit are
   * returned.
   */
  takeOver(left: readonly PendingEdit[]): PendingEdit[] {
    const lost: PendingEdit[] = [];
    const contested: PendingEdit[] = [];
    for (const edit of left) {
      if (this.view.pending.some(({ id }) => id === edit.id)) continue;
      const done = applyCommands(this.view.plan, edit.commands);
      if (!done.ok) lost.push(edit);
      else if (edit.inverse && JSON.stringify(done.inverse) !== JSON.stringify(edit.inverse)) contested.push(edit);
      else this.add(edit);
    }
    if (contested.length > 0) this.show({ contested: [...this.view.contested, ...contested] });
    return lost;
  }

  /** What the painter chose for edits whose places others have changed: overwrite, or discard. */
  settleContested(choice: "mine" | "theirs"): PendingEdit[] {
    const { contested } = this.view;
    this.show({ contested: [] });
    return choice === "mine" ? this.restore(contested) : [];
  }

  /** Undoes the last edit, or redoes it, once everything typed is saved. */
  async step(way: "undo" | "redo"): Promise<string | null> {
    await this.quiet();
    if (this.busy || this.view.pending.length > 0) return "Not everything is saved yet.";
    this.busy = true;
    const answer = await this.post({ base: this.view.saved.version, way });
    this.busy = false;
    if (answer.is === "written" && answer.plan) {
      const saved = { plan: answer.plan, version: answer.version, undo: answer.undo, redo: answer.redo };
      this.show({ saved, plan: answer.plan, state: "saved", says: null });
      return null;
    }
    if (answer.is === "overtaken") {
      this.take(answer.job);
      return `This job was changed in another window: ${answer.since.join("; ")}. You now see that version; try again if you still want to.`;
    }
    return answer.is === "missing"
      ? "This job has been removed. Restore it on the jobs list."
      : "because" in answer
        ? answer.because
        : null;
  }

  /** After another window saved first: combine what was typed here with it, or discard it. */
  resolve(choice: "mine" | "theirs"): PendingEdit[] {
    const job = this.theirs;
    if (!job) return [];
    const typed = choice === "mine" ? this.view.pending : [];
    this.theirs = null;
    this.take(job);
    return this.restore(typed);
  }

  /** What the server has, after a reload; never over something typed. */
  refresh(job: SavedJob) {
    if (!this.busy && this.view.pending.length === 0 && job.version > this.view.saved.version) this.take(job);
  }

  /** Waits until nothing is being sent: everything is saved, or held up. */
  private quiet(): Promise<void> {
    return new Promise((resolve) => {
      const look = () => {
        if (this.busy || this.view.state === "saving") return;
        this.listeners.delete(look);
        resolve();
      };
      this.listeners.add(look);
      look();
    });
  }

  private take(job: SavedJob) {
    this.show({ saved: job, plan: job.plan, pending: [], state: "saved", says: null, since: [] });
  }

  private show(next: Partial<QueueView>) {
    this.view = { ...this.view, ...next };
    if (next.pending || next.contested) this.keep([...this.view.pending, ...this.view.contested]);
    for (const listener of this.listeners) listener();
  }

  private async flush(): Promise<void> {
    while (!this.busy && this.view.state !== "overtaken" && this.view.pending.length > 0) {
      const edit = this.view.pending[0]!;
      this.busy = true;
      const { id, label, commands } = edit;
      const answer = await this.post({ id, label, commands, base: this.view.saved.version });
      this.busy = false;
      if (!this.settle(edit, answer)) return;
    }
  }

  /** Whether the next edit may be sent. */
  private settle(edit: PendingEdit, answer: Answer): boolean {
    const rest = this.view.pending.filter((other) => other.id !== edit.id);
    switch (answer.is) {
      case "written": {
        const done = applyCommands(this.view.saved.plan, edit.commands);
        const plan = answer.plan ?? (done.ok ? done.plan : this.view.saved.plan);
        const saved = { plan, version: answer.version, undo: answer.undo, redo: answer.redo };
        // where the ledger wrote to the plan meanwhile, what is still to be sent is shown on top of that
        const shown = answer.plan ? { plan: onTop(answer.plan, rest) } : {};
        this.show({ saved, ...shown, pending: rest, state: rest.length === 0 ? "saved" : "saving", says: null });
        return true;
      }
      case "refused": {
        this.show({ pending: [], plan: this.view.saved.plan, state: "saved", says: answer.because });
        this.restore(rest);
        return true;
      }
      case "overtaken":
        this.theirs = answer.job;
        this.show({ state: "overtaken", since: answer.since });
        return false;
      case "missing":
        this.show({
          state: "unsaved",
          says: "This job was removed in another window. Restore it on the jobs list to save your edits.",
        });
        this.again();
        return false;
      case "unsaved":
        this.show({ state: "unsaved", says: answer.because });
        this.again();
        return false;
    }
  }

  private again() {
    this.later(() => {
      if (this.view.state !== "unsaved") return;
      void this.flush();
    }, RETRY_MILLISECONDS);
  }
}

/** A plan with the edits that still fit it. */
const onTop = (plan: Plan, rest: readonly PendingEdit[]): Plan =>
  rest.reduce((so, { commands }) => {
    const done = applyCommands(so, commands);
    return done.ok ? done.plan : so;
  }, plan);
