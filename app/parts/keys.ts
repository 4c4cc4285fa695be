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
      { keys: ["9"], does: "Ledger" },
      { keys: ["0"], does: "Bench" },
      { keys: ["P"], does: "The finish on your own photo" },
      { keys: ["Ctrl Z"], does: "Undo" },
      { keys: ["Ctrl Shift Z"], does: "Redo" },
      { keys: ["["], does: "Previous zone" },
      { keys: ["]"], does: "Next zone" },
      { keys: ["?"], does: "This list" },
    ],
  },
  {
    title: "Crust view",
    lines: [
      { keys: ["↑", "↓"], does: "Step above, step below" },
      { keys: ["Enter"], does: "Add a step over the selected one" },
      { keys: ["Shift Enter"], does: "Add a step under it" },
      { keys: ["Alt ↑", "Alt ↓"], does: "Move the step up or down, or drag its row" },
      { keys: ["E"], does: "Edit the step" },
      { keys: ["Delete"], does: "Remove the step" },
      { keys: ["F"], does: "Apply the first repair" },
      { keys: ["N"], does: "Next finding" },
      { keys: ["W"], does: "What next?" },
      { keys: ["Esc"], does: "Deselect" },
    ],
  },
  {
    title: "Piece view, drawing a place",
    lines: [
      { keys: ["← → ↑ ↓"], does: "Move the pencil; with Shift further" },
      { keys: ["Enter"], does: "Set a corner" },
      { keys: ["C"], does: "Close the outline" },
      { keys: ["Backspace"], does: "Take the last corner back" },
      { keys: ["Esc"], does: "Drop the line" },
    ],
  },
  {
    title: "On your photo",
    lines: [
      { keys: ["←", "→"], does: "Step by step" },
      { keys: ["Home", "End"], does: "As it is, finished" },
      { keys: ["← → ↑ ↓"], does: "Move the corner in focus by a pixel; with Shift by ten" },
      { keys: ["Esc"], does: "Stop pointing at corners" },
    ],
  },
  {
    title: "Days view",
    lines: [
      { keys: ["Shift ← →"], does: "Move the work in focus 15 min earlier or later" },
      { keys: ["C"], does: "What sets the finish" },
      { keys: ["O"], does: "What if" },
    ],
  },
  {
    title: "Shop calendar",
    lines: [
      { keys: ["T"], does: "Today" },
      { keys: ["+", "−"], does: "Show less, show more: from half a day to two months" },
      { keys: ["["], does: "Earlier" },
      { keys: ["]"], does: "Later" },
    ],
  },
  {
    title: "Board view",
    lines: [
      { keys: ["←", "→"], does: "Previous step, next step" },
      { keys: ["Home", "End"], does: "Bare ground, the finished board" },
      { keys: ["V"], does: "Last coat wet or dry" },
      { keys: ["L"], does: "Lamp or daylight" },
      { keys: ["Z"], does: "Life size or whole board" },
    ],
  },
  {
    title: "Trainer",
    lines: [
      { keys: ["1", "…", "9"], does: "Pick an answer" },
      { keys: ["Enter"], does: "Answer, and on to the next" },
    ],
  },
  {
    title: "Planning a look, picture",
    lines: [
      { keys: ["← → ↑ ↓"], does: "Move the cross over the picture" },
      { keys: ["Enter"], does: "Take the colour beneath it" },
    ],
  },
];
