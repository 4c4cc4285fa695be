// What the front and the desks say to each other. Both run in one process: the front in its main thread, each desk in
// its own.

/** A request, read in full by the front. */
export interface AskMessage {
  kind: "request";
  id: number;
  method: string;
  url: string;
  headers: [string, string][];
  body: ArrayBuffer | null;
}

/** Work that no page waits for, by its name in the application's bookkeeping. */
export interface ChoreMessage {
  kind: "chore";
  id: number;
  chore: "pending" | "weighty" | "summarise" | "failed" | "makePlan" | "planningEnded" | "copy";
  words: string[];
}

export type ToDesk = AskMessage | ChoreMessage;

export interface AnswerMessage {
  kind: "answer";
  id: number;
  status: number;
  headers: [string, string][];
  body: ArrayBuffer;
}

export interface DoneMessage {
  kind: "done";
  id: number;
  /** what the chore returned; null if it failed */
  value: unknown;
}

/** A job or the shop was saved: its summary has to be worked out, and the shop's work planned again. */
export interface WrittenMessage {
  kind: "written";
  /** null where it was the shop */
  planId: string | null;
  /** coats and other pieces of work in it; null if that is not known */
  weight: number | null;
}

/** Somebody asked for the shop's work to be planned: how often to look at it, with which idea. */
export interface PlanMessage {
  kind: "plan";
  looks: number | null;
  idea: string | null;
}

/** The owner pressed to open the shop to its network. */
export interface NetworkMessage {
  kind: "network";
}

export type NoteMessage = WrittenMessage | PlanMessage | NetworkMessage;

export interface ReadyMessage {
  kind: "ready";
  /** where the system keeps the times of its thread; null where it does not */
  times: string | null;
}

export type FromDesk = AnswerMessage | DoneMessage | NoteMessage | ReadyMessage;
