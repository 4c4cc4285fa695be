export interface Key {
  /** The presses that mean it, modifiers before a space: `mod shift z`. `mod` is Ctrl, or Command where keyboards have that. */
  press: readonly string[];
  does: string;
  /** heard by what is in focus, which asks {@link pressed}, instead of by the whole page */
  inFocus?: true;
}

interface KeyGroup {
  title: string;
  keys: Readonly<Record<string, Key>>;
}

const ARROWS = ["left", "right", "up", "down"] as const;
const BACKWARDS: Key = { press: ["left"], does: "Previous step" };
const FORWARDS: Key = { press: ["right"], does: "Next step" };

/** Every key the tool listens to. The views bind them from here by `useKey`, and the list under `?` shows them. */
export const KEYS = {
  job: {
    title: "Anywhere in a job",
    keys: {
      piece: { press: ["1"], does: "Piece" },
      crust: { press: ["2"], does: "Crust" },
      board: { press: ["3"], does: "Board" },
      days: { press: ["4"], does: "Days" },
      shelf: { press: ["5"], does: "Shelf" },
      mix: { press: ["6"], does: "Mix" },
      materials: { press: ["7"], does: "Materials" },
      house: { press: ["8"], does: "House rules" },
      ledger: { press: ["9"], does: "Ledger" },
      bench: { press: ["0"], does: "Bench" },
      photo: { press: ["p"], does: "The finish on your own photo" },
      undo: { press: ["mod z"], does: "Undo" },
      redo: { press: ["mod shift z", "mod y"], does: "Redo" },
      previousZone: { press: ["["], does: "Previous zone" },
      nextZone: { press: ["]"], does: "Next zone" },
      keys: { press: ["?", "shift ?"], does: "This list" },
    },
  },
  crust: {
    title: "Crust view",
    keys: {
      above: { press: ["up"], does: "Step above" },
      below: { press: ["down"], does: "Step below" },
      addOver: { press: ["enter"], does: "Add a step over the selected one" },
      addUnder: { press: ["shift enter"], does: "Add a step under it" },
      moveUp: { press: ["alt up"], does: "Move the step up, or drag its row" },
      moveDown: { press: ["alt down"], does: "Move the step down" },
      edit: { press: ["e"], does: "Edit the step" },
      remove: { press: ["delete", "backspace"], does: "Remove the step" },
      repair: { press: ["f"], does: "Apply the first repair" },
      nextFinding: { press: ["n"], does: "Next finding" },
      whatNext: { press: ["w"], does: "What next?" },
      deselect: { press: ["escape"], does: "Deselect" },
    },
  },
  place: {
    title: "Piece view, drawing a place",
    keys: {
      move: { press: ARROWS, does: "Move the pencil; with Shift further", inFocus: true },
      corner: { press: ["enter"], does: "Set a corner", inFocus: true },
      close: { press: ["c"], does: "Close the outline", inFocus: true },
      back: { press: ["backspace"], does: "Take the last corner back", inFocus: true },
      drop: { press: ["escape"], does: "Drop the line", inFocus: true },
    },
  },
  front: {
    title: "Piece view, drawing on the front",
    keys: {
      move: { press: ARROWS, does: "Move the pencil, or the zone, by 5 mm; with Shift by 50", inFocus: true },
      corner: { press: ["enter"], does: "Set a corner, or put the zone down", inFocus: true },
      drop: { press: ["escape"], does: "Leave it as it was", inFocus: true },
    },
  },
  photo: {
    title: "On your photo",
    keys: {
      previous: BACKWARDS,
      next: FORWARDS,
      first: { press: ["home"], does: "As it is" },
      last: { press: ["end"], does: "Finished" },
      corner: { press: ARROWS, does: "Move the corner in focus by a pixel; with Shift by ten", inFocus: true },
      stop: { press: ["escape"], does: "Stop pointing at corners" },
    },
  },
  days: {
    title: "Days view",
    keys: {
      earlier: { press: ["shift left"], does: "Move the work in focus 15 min earlier", inFocus: true },
      later: { press: ["shift right"], does: "Move it 15 min later", inFocus: true },
      chain: { press: ["c"], does: "What sets the finish" },
      whatIf: { press: ["o"], does: "What if" },
    },
  },
  calendar: {
    title: "Shop calendar",
    keys: {
      today: { press: ["t"], does: "Today" },
      closer: { press: ["+", "shift +", "="], does: "Show less, down to half a day" },
      wider: { press: ["-"], does: "Show more, up to two months" },
      earlier: { press: ["["], does: "Earlier" },
      later: { press: ["]"], does: "Later" },
    },
  },
  board: {
    title: "Board view",
    keys: {
      previous: BACKWARDS,
      next: FORWARDS,
      bare: { press: ["home"], does: "Bare ground" },
      finished: { press: ["end"], does: "The finished board" },
      wet: { press: ["v"], does: "Last coat wet or dry" },
      lamp: { press: ["l"], does: "Lamp or daylight" },
      lifeSize: { press: ["z"], does: "Life size or whole board" },
      dial: { press: ARROWS, does: "Turn the light, on its dial", inFocus: true },
      spot: { press: ARROWS, does: "Move the ring in focus", inFocus: true },
    },
  },
  wipe: {
    title: "Two pictures side by side",
    keys: {
      left: { press: ["left"], does: "Move the line to the left", inFocus: true },
      right: { press: ["right"], does: "Move the line to the right", inFocus: true },
    },
  },
  trainer: {
    title: "Trainer",
    keys: {
      pick: { press: ["1", "2", "3", "4", "5", "6", "7", "8", "9"], does: "Pick an answer" },
      answer: { press: ["enter"], does: "Answer, and on to the next", inFocus: true },
    },
  },
  look: {
    title: "Planning a look",
    keys: {
      place: { press: ["enter", "space"], does: "Choose the place in focus on the corner", inFocus: true },
      cross: { press: ARROWS, does: "Move the cross over a picture", inFocus: true },
      take: { press: ["enter", "space"], does: "Take the colour beneath it", inFocus: true },
    },
  },
  pane: {
    title: "Narrow screens",
    keys: { close: { press: ["escape"], does: "Close a dialog or menu" } },
  },
} as const satisfies Record<string, KeyGroup>;

const SIGNS: Readonly<Record<string, string>> = {
  left: "←",
  right: "→",
  up: "↑",
  down: "↓",
  mod: "Ctrl",
  escape: "Esc",
  "-": "−",
};
const sayPart = (part: string) => SIGNS[part] ?? part[0]!.toUpperCase() + part.slice(1);

/** The caps to draw for a key: a row of many as its ends, and no second way to the same sign. */
export function capsOf({ press }: Key): string[] {
  const caps = press.filter((text) => !press.includes(text.replace(/^shift /, "")) || !text.startsWith("shift "));
  const said = caps.map((cap) => cap.split(" ").map(sayPart).join(" "));
  return said.length > ARROWS.length ? [said[0]!, "…", said.at(-1)!] : said;
}
