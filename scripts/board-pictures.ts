// Draws six of the trade's finishes into docs/boards, as the sample board shows them.
import { mkdirSync } from "node:fs";
import sharp from "sharp";
import { Board } from "#core/board/board";
import { boardWorkOf } from "#core/board/board-work";
import { FINISHES, judgedFinish } from "../tests/finishes";

const BEST = ["worn-two-tone", "crackle-medium", "patina", "dry-brushed-dark", "craters", "chipped-milk"];
const WIDTH = 768;

mkdirSync("docs/boards", { recursive: true });
for (const id of BEST) {
  const finish = FINISHES.find((one) => one.id === id);
  if (!finish) throw new Error(`there is no finish "${id}"`);
  const judged = judgedFinish(finish);
  const board = new Board(boardWorkOf(judged, finish.panel, 1), WIDTH);
  const { width, height } = board.grid;
  await sharp(board.picture(judged.phases.length), { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 86 })
    .toFile(`docs/boards/${id}.jpg`);
}
console.log(`${BEST.length} boards in docs/boards`);
