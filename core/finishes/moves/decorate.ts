import { always, type Move, type MoveStep } from "../move.ts";

type Own = Partial<Omit<MoveStep, "key" | "how" | "what" | "why">>;

/** A design on the motif, by stencil, stamp or rub-on transfer. */
export const design = (key: string, how: "stencil" | "stamp" | "rub-transfer", what: string, own: Own = {}): Move =>
  always(how === "stencil" ? "Stencil" : how === "stamp" ? "Stamp" : "Rub on a transfer", {
    key,
    how,
    what,
    on: "motif",
    why:
      how === "stencil"
        ? "With hardly any paint, so that none creeps under the stencil."
        : how === "stamp"
          ? "Pressed once and lifted straight."
          : "Rubbed down all over before the sheet is lifted.",
    ...own,
  });

/** Printed tissue between two coats of its varnish. */
export const tissue = (key: string, what: string): Move =>
  always(
    "Lay tissue",
    {
      key: "tissue-under",
      how: "brush",
      what: "decoupage-varnish",
      why: "The tissue lies down in it while it is wet.",
    },
    { key, how: "lay-tissue", what, on: "motif", why: "Torn edges vanish; cut ones show." },
    { key: "tissue-over", how: "brush", what: "decoupage-varnish", coats: 2, why: "Closes it in." },
  );

/** Leaf on size, and sealed, since imitation leaf tarnishes. */
export const leaf = (key: string, what: string, red: string): Move =>
  always(
    "Lay leaf",
    {
      key: "leaf-seal",
      how: "brush",
      what: "clear-coat-satin",
      why: `On thirsty ${red} the size would sink in and go dead.`,
    },
    { key: "size", how: "brush", what: "leaf-size", why: "Leaf holds on size at tack: it whistles under a knuckle." },
    { key, how: "lay-leaf", what, why: "Small breaks let the red through, as in old gilding." },
    { key: "leaf-off", how: "leaf-off", why: "What has not stuck is brushed off." },
    { key: "leaf-shut", how: "brush", what: "shellac-sealer", why: "Unsealed, imitation leaf goes brown and green." },
  );
