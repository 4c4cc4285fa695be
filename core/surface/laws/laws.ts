import type { Effect } from "../effect.ts";
import { flaking, scraping } from "./flaking.ts";
import type { Law } from "./law.ts";
import { depositing, sticking } from "./laying.ts";
import { dissolving } from "./opening.ts";
import { lifting, wiping } from "./thinning.ts";
import { forcing, keying, polishing, reacting } from "./turning.ts";
import { abrading } from "./wearing.ts";

type Does = Effect["does"];
type EffectOf<D extends Does> = Extract<Effect, { does: D }>;

const PREPARES = { way: "prepares" } as const;

/** The law of every effect: one without a law does not compile. */
const LAWS: { readonly [D in Does]: Law<EffectOf<D>> } = {
  deposit: depositing,
  stick: sticking,
  thin: wiping,
  lift: lifting,
  dissolve: dissolving,
  abrade: abrading,
  chip: flaking,
  scrape: scraping,
  "force dry": forcing,
  key: keying,
  polish: polishing,
  react: reacting,
  strip: { way: "strips", to: "sludge" },
  clean: PREPARES,
  degloss: PREPARES,
  "knock back": PREPARES,
  mist: PREPARES,
};

/** What an effect does. The law takes the effect it was asked for. */
export const lawOf = <E extends Effect>(effect: E): Law<E> => LAWS[effect.does] as unknown as Law<E>;
