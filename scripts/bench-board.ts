import { Board } from "#core/board/board";
import { type BoardWork, boardWorkOf, USUAL_VIEW } from "#core/board/board-work";
import { nearestMixes } from "#core/colour/nearest-mix";
import { judge } from "#core/judge/judge";
import { CATALOGUE } from "#core/materials/catalogue";
import { type ExampleStep, examplePlan } from "#core/rules/example";

/** What the sample board takes: every operator, a whole board, a change at its top, a step of the scrub. */

const WHOLE = 768;
const ROUGH = 192;
const DAY = 1440;

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

function timed(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

const workOf = (steps: ExampleStep[], seed: number): BoardWork =>
  boardWorkOf(judge(examplePlan({ shows: "bench", ground: "old paint", steps })).zones[0]!, "carved", seed);

const later = (minutes: number) => ({ wait: { kind: "at least", minutes } as const });
const some = (over: number) => ({ where: { on: "everywhere", over } as const });

/** Twelve films by the usual hands, with what is taken off between them. */
const TWELVE: ExampleStep[] = [
  ["brush", "stain-block-shellac", { coats: 2 }],
  ["brush", "tint-base-walnut", { coats: 2 }],
  ["brush", "chalk-slate"],
  ["cross-hatch", "chalk-bone-white", { coats: 2 }],
  ["wet-distress"],
  ["brush", "glaze-umber", later(DAY)],
  ["wipe-back"],
  ["dry-brush", "mineral-oyster", later(DAY)],
  ["brush", "clear-coat-matt", later(DAY)],
  ["wax", "wax-clear", later(DAY)],
  ["wax", "wax-dark", { where: { on: "recess", over: 1 } }],
];

/** Every operator on a board that carries two coats, a glaze or a wax where it needs one. */
const UNDER: ExampleStep[] = [["brush", "chalk-slate", { coats: 2 }]];
const OPERATORS: [name: string, step: ExampleStep, under?: ExampleStep[]][] = [
  ["brush", ["brush", "chalk-bone-white"]],
  ["cross-hatch", ["cross-hatch", "chalk-bone-white"]],
  ["roller", ["roller", "chalk-bone-white"]],
  ["sponge", ["sponge", "chalk-bone-white"]],
  ["stipple", ["stipple", "chalk-bone-white", some(0.6)]],
  ["dry-brush", ["dry-brush", "chalk-bone-white"]],
  ["wash", ["wash", "chalk-bone-white", some(0.6)]],
  ["rag on", ["rag-on", "chalk-bone-white"]],
  ["two-tone", ["two-tone", "chalk-bone-white"]],
  ["blend", ["blend", "chalk-bone-white", some(0.6)]],
  ["spatter", ["spatter", "chalk-bone-white"]],
  ["stencil", ["stencil", "chalk-bone-white"]],
  ["card", ["card-smear", "chalk-bone-white"]],
  ["emboss", ["emboss", "texture-paste"]],
  ["drag", ["drag", "chalk-bone-white"]],
  ["finger", ["finger", "wax-gilding"]],
  ["spray", ["spray", "clear-coat-matt"]],
  ["crumb", ["sprinkle", "texture-crumb"]],
  ["leaf", ["lay-leaf", "leaf-imitation-gold"], [["brush", "leaf-size"]]],
  ["tissue", ["lay-tissue", "tissue-roses"]],
  ["glaze", ["brush", "glaze-umber"]],
  ["wax", ["wax", "wax-dark", later(DAY)]],
  ["crackle", ["brush", "mineral-oyster"], [["brush", "crackle-medium", later(DAY)]]],
  ["wet distress", ["wet-distress"]],
  ["sand", ["sand-220", null, later(DAY)]],
  [
    "chip",
    ["chip"],
    [
      ["brush", "wax-clear"],
      ["brush", "milk-curd", { intents: ["chips"] }],
    ],
  ],
  [
    "scrape",
    ["scrape"],
    [
      ["sprinkle", "texture-crumb"],
      ["tap", "chalk-bone-white"],
    ],
  ],
  ["wipe back", ["wipe-back"], [["brush", "glaze-umber"]]],
  ["rag off", ["rag-off"], [["brush", "glaze-umber"]]],
  ["erase wax", ["erase-wax"], [["wax", "wax-dark", later(DAY)]]],
];

export function benchBoard(
  tell: (what: string, value: string, target?: string) => void,
  ms: (value: number) => string,
) {
  let seed = 0;
  const whole = () => {
    const board = new Board(workOf(TWELVE, ++seed), WHOLE);
    return { board, all: board.work.phases.length };
  };
  const draw = (width: number) => {
    const work = workOf(TWELVE, (++seed % 900) + 1);
    return timed(() => {
      const board = new Board(work, width);
      board.picture(work.phases.length);
    });
  };
  for (let warm = 0; warm < 4; warm++) draw(WHOLE);
  tell(
    "board, 12 layers, rough picture of 192 × 128",
    `${ms(median(Array.from({ length: 11 }, () => draw(ROUGH))))} median`,
    "≤ 100 ms",
  );
  tell(
    "board, 12 layers, full picture of 768 × 512 from scratch",
    `${ms(median(Array.from({ length: 11 }, () => draw(WHOLE))))} median`,
    "≤ 300 ms",
  );

  const edits = Array.from({ length: 9 }, () => {
    const { board, all } = whole();
    board.picture(all);
    // the last step is laid again otherwise: everything beneath it is taken over
    const phases = board.work.phases.map((placed, index) =>
      index === all - 1
        ? { ...placed, phase: { ...placed.phase, where: { ...placed.phase.where, on: "recess" as const, share: 0.8 } } }
        : placed,
    );
    return timed(() => {
      const next = new Board({ ...board.work, phases }, WHOLE);
      next.takeOver(board);
      next.picture(all);
    });
  });
  tell("board, an edit of the top layer", `${ms(median(edits))} median`, "≤ 50 ms");
  const { board, all } = whole();
  board.picture(all);
  const turns = Array.from({ length: 15 }, (_, index) => {
    const view = { ...USUAL_VIEW, lighting: { azimuth: (index * 23) % 360, elevation: 38 } };
    return timed(() => board.picture(all, view));
  });
  tell("board, the light turned", `${ms(median(turns))} median`);

  const operators = OPERATORS.map(([name, step, under = []]) => {
    const times = Array.from({ length: 5 }, () => {
      const work = workOf([...UNDER, ...under, step], ++seed);
      const board = new Board(work, WHOLE);
      board.after(work.phases.length - 1);
      return timed(() => board.after(work.phases.length));
    });
    return `${name} ${Math.round(median(times))}`;
  });
  for (let at = 0; at < operators.length; at += 10)
    tell(`board operators at 768 × 512, ms${at > 0 ? ", continued" : ""}`, operators.slice(at, at + 10).join(" · "));

  const paints = CATALOGUE.filter(({ role }) => role === "paint" || role === "pigment" || role === "tint-base");
  tell(
    `nearest mixes of ${paints.length} paints to a colour`,
    `${ms(median(Array.from({ length: 7 }, (_, index) => timed(() => nearestMixes(`#5d81${70 + index}`, paints)))))} median`,
  );
}
