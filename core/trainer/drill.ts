import type { PanelId } from "../board/panels/panel.ts";

/** What is practised in the trainer. */
export const DRILL_KINDS = ["fault", "next", "order", "wait", "board", "mix"] as const;
export type DrillKind = (typeof DRILL_KINDS)[number];

/** How each kind is called. */
export const KIND_WORDS: Record<DrillKind, string> = {
  fault: "Find the fault",
  next: "What can go on now",
  order: "Put them in order",
  wait: "How long before you may",
  board: "Read this board",
  mix: "Mix this colour",
};

export interface Choice {
  id: string;
  says: string;
  /** what it looks like, where that helps */
  colour?: string;
}

/** One question of a drill: one of the choices, or all of them in order. */
export interface Part {
  asks: string;
  is: "choose" | "order";
  choices: readonly Choice[];
}

/** A stack that is shown, from the ground up. */
export interface ShownStack {
  ground: string;
  steps: readonly Choice[];
}

/** A question to practise with, the same for the same source and seed. */
export interface Drill {
  /** what is practised: it comes back under this name until it stays */
  id: string;
  kind: DrillKind;
  /** what it is about, for the record: "Waxing" */
  family: string;
  seed: number;
  stack: ShownStack | null;
  colour: string | null;
  /** the finish whose board is shown, and on which panel */
  board: { finish: string; panel: PanelId } | null;
  parts: readonly Part[];
  /** the right answers, a list of choices for each part: for one of several any of them, for an order all of them in order */
  right: readonly (readonly string[])[];
  /** why, after the answer */
  because: string;
}

/** Where drills of one thing come from. */
export interface DrillSource {
  id: string;
  kind: DrillKind;
  family: string;
  /** null where this seed makes no fair question */
  make(seed: number): Drill | null;
  /** whether another order than the right one holds as well */
  holds?(drill: Drill, order: readonly string[]): boolean;
}

/** What each part of an answer comes to. */
export function grade(source: DrillSource, drill: Drill, answers: readonly (readonly string[])[]): boolean[] {
  return drill.parts.map((part, index) => {
    const answer = answers[index] ?? [];
    const right = drill.right[index]!;
    if (part.is === "choose") return answer.length === 1 && right.includes(answer[0]!);
    const whole = new Set(answer).size === part.choices.length && answer.length === part.choices.length;
    const same = whole && answer.every((id, place) => id === right[place]);
    return same || (whole && (source.holds?.(drill, answer) ?? false));
  });
}
