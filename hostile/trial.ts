/** A shop of its own, with the demo in it. */
export interface OwnShop {
  address: string;
  folder: string;
  stop(signal: "SIGTERM" | "SIGKILL"): void;
  /** until it has ended */
  gone(): Promise<void>;
  /** takes its folder away, once it has ended */
  away(): Promise<void>;
}

/** What a trial has to work with. */
export interface TrialSetting {
  /** address of a running shop with the demo in it */
  address: string;
  /** starts another, with more in its environment */
  start(environment?: Readonly<Record<string, string>>): Promise<OwnShop>;
  /** path of a bundled thread */
  desk(name: string): string;
  /** the short form that runs with the other tests */
  short: boolean;
  /** notes something that should not have happened */
  note: (fault: string) => void;
}

export interface TrialResult {
  /** how often something was tried */
  tried: number;
  faults: number;
  /** what happened, in a sentence */
  came: string;
}

/** Hostile or unlucky use of one kind. */
export interface Trial {
  name: string;
  says: string;
  run(setting: TrialSetting): Promise<TrialResult>;
}
