export interface KeyLine {
  keys: readonly string[];
  does: string;
}

/** Every key the tool listens to, as the keys list shows it. */
export const KEY_GROUPS: readonly { title: string; lines: readonly KeyLine[] }[] = [
  {
    title: "Anywhere in a job",
    lines: [
      { keys: ["1", "…", "8"], does: "Piece, crust, board, days, shelf, mix, materials, house rules" },
      { keys: ["Ctrl Z"], does: "Undo the last edit" },
      { keys: ["Ctrl Shift Z"], does: "Do it again" },
      { keys: ["["], does: "Zone before" },
      { keys: ["]"], does: "Zone after" },
      { keys: ["?"], does: "This list" },
    ],
  },
  {
    title: "On the crust",
    lines: [
      { keys: ["↑", "↓"], does: "Step above, step below" },
      { keys: ["Enter"], does: "Add a step over the one in hand" },
      { keys: ["Shift Enter"], does: "Add a step under it" },
      { keys: ["Alt ↑", "Alt ↓"], does: "Move the step up or down; or drag its row" },
      { keys: ["E"], does: "Into the fields of the step" },
      { keys: ["Delete"], does: "Leave the step out" },
      { keys: ["F"], does: "Apply the first repair" },
      { keys: ["N"], does: "To the next finding" },
      { keys: ["W"], does: "What can go on here?" },
      { keys: ["Esc"], does: "Let go" },
    ],
  },
  {
    title: "On the days",
    lines: [
      { keys: ["Shift ← →"], does: "Set the time of the work in focus a quarter of an hour sooner, later" },
      { keys: ["C"], does: "The chain that sets the finish" },
      { keys: ["O"], does: "What could be otherwise" },
    ],
  },
  {
    title: "On the board",
    lines: [
      { keys: ["←", "→"], does: "A step back, a step on" },
      { keys: ["Home", "End"], does: "Bare ground, the finished board" },
      { keys: ["V"], does: "The last coat wet, or dry" },
      { keys: ["L"], does: "Lamp, or daylight" },
      { keys: ["Z"], does: "Life size, or the whole board" },
    ],
  },
];

export const WORDS: readonly { word: string; means: string }[] = [
  { word: "Ground", means: "what is there before you start" },
  { word: "Crust", means: "the whole stack of layers on a zone" },
  { word: "Seam", means: "where one layer meets the next; it carries the wait and the verdict" },
  { word: "Window", means: "from the earliest to the latest moment; its two ends are gates that open and shut" },
  { word: "Slip coat", means: "clear glaze under a tinted one, so that it can be moved" },
  { word: "Resist", means: "wax or oil laid so that what comes over it lets go" },
  { word: "Tooth", means: "what the next coat can key to" },
  { word: "Arris", means: "a sharp edge, where wear begins" },
  { word: "House rules", means: "the school a shop follows where practitioners disagree" },
  { word: "Stop", means: "will fail, or can hurt: a broken seam" },
  { word: "Caution", means: "may fail; it depends: a dashed seam" },
  { word: "Note", means: "normal, worth knowing: a whole seam" },
];
