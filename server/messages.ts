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
  chore: "pending" | "weighty" | "summarise" | "failed";
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

/** A job was saved: its summary for the jobs list has to be worked out. */
export interface WrittenMessage {
  kind: "written";
  planId: string;
  /** coats and other pieces of work in it; null if that is not known */
  weight: number | null;
}

export interface ReadyMessage {
  kind: "ready";
}

export type FromDesk = AnswerMessage | DoneMessage | WrittenMessage | ReadyMessage;
