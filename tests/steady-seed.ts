import fc from "fast-check";

// The same random crusts every run, so that a red test is a changed program and not a roll of the dice.
// CRUST_SEED=<any number> looks further afield.
fc.configureGlobal({ seed: Number(process.env.CRUST_SEED ?? 20261125) });
