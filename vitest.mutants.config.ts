import usual from "./vitest.config.ts";

/** The tests that changed code is tried against: worked examples and the corpus of verdicts. Properties over random crusts stay out. */
export default {
  ...usual,
  test: {
    ...usual.test,
    include: [
      "tests/verdicts/*.test.ts",
      "core/judge/{rules,stacks,meets,beyond,repeats,look,thresholds}.test.ts",
      "core/{mixing,quantity,safety}/**/*.test.ts",
      "core/surface/laws/laws.test.ts",
    ],
    isolate: false,
    maxWorkers: 1,
  },
};
