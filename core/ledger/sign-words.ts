import type { Stage } from "../drying/gate.ts";
import type { Material } from "../materials/material.ts";

// The signs that overrule the clock, as they are asked for at the bench and answered with one press (common practice).

/** A sign as a question with its two answers. */
export interface SignQuestion {
  stage: Stage;
  asks: string;
  yes: string;
  notYet: string;
  /** how the ledger says that it had not come yet */
  was: string;
  /** how the ledger says that it was seen */
  seen: string;
}

type Words = Omit<SignQuestion, "stage">;

const TACKY: Words = {
  asks: "Touch it with a knuckle: tacky, and no longer wet?",
  yes: "Yes, tacky",
  notYet: "Still wet",
  was: "still wet",
  seen: "at tack",
};

const BY_STAGE: Record<Exclude<Stage, "habit">, Words> = {
  touch: {
    asks: "Touch it where nobody looks: dry, and not tacky?",
    yes: "Yes, dry",
    notYet: "Still tacky",
    was: "still tacky",
    seen: "dry to the touch",
  },
  recoat: {
    asks: "Look along it against the light: matt all over?",
    yes: "Yes, matt",
    notYet: "Still tacky",
    was: "still tacky",
    seen: "matt against the light",
  },
  "before clear": {
    asks: "Lay the back of your hand on it: warm, not cold?",
    yes: "Yes, warm",
    notYet: "Still cold",
    was: "still cold to the hand",
    seen: "warm to the hand",
  },
  through: {
    asks: "Press a thumb and twist: does it leave no mark?",
    yes: "No mark",
    notYet: "It marks",
    was: "still soft under the thumb",
    seen: "hard under the thumb",
  },
  set: {
    asks: "Try it with a fingernail: does it still bite?",
    yes: "It bites",
    notYet: "Too hard",
    was: "already too hard",
    seen: "still soft enough",
  },
  cure: {
    asks: "Press a fingernail in: no dent?",
    yes: "No dent",
    notYet: "It dents",
    was: "not cured yet",
    seen: "cured",
  },
  open: {
    asks: "Does it still shine and slide?",
    yes: "It slides",
    notYet: "It drags",
    was: "no longer open",
    seen: "still open",
  },
  wet: {
    asks: "Does it still shine wet against the light?",
    yes: "Still wet",
    notYet: "Gone matt",
    was: "no longer wet",
    seen: "still wet",
  },
  tack: TACKY,
  buff: {
    asks: "Has its colour lightened, and the solvent gone?",
    yes: "Yes, lightened",
    notYet: "Still dark",
    was: "its solvent not gone yet",
    seen: "ready to buff",
  },
};

const CRACKLE: Words = {
  asks: "Is it milky with hair lines, and tacky to a knuckle?",
  yes: "Yes, milky",
  notYet: "Still wet",
  was: "still wet",
  seen: "milky with hair lines",
};
const SIZE: Words = {
  asks: "Draw a knuckle over it: does it whistle, and not wet it?",
  yes: "It whistles",
  notYet: "Still wet",
  was: "still wet",
  seen: "whistling under a knuckle",
};
const WAX: Words = {
  asks: "Wipe a clean cloth over it: does nothing smear?",
  yes: "No smear",
  notYet: "It smears",
  was: "still smearing",
  seen: "dry to a cloth",
};
const GLAZE: Words = {
  asks: "Touch it with a knuckle: does it drag, not smear?",
  yes: "Yes, it drags",
  notYet: "Still wet",
  was: "still wet",
  seen: "dragging under a knuckle",
};

function wordsOf(stage: Exclude<Stage, "habit">, material: Pick<Material, "role"> | null): Words {
  if (stage === "tack" && material?.role === "medium") return CRACKLE;
  if (stage === "tack" && material?.role === "size") return SIZE;
  if (stage === "tack" && material?.role === "glaze") return GLAZE;
  if (material?.role === "wax" && (stage === "recoat" || stage === "touch")) return WAX;
  return BY_STAGE[stage];
}

/** The question to ask of a stage; null where only the clock counts. */
export const signQuestion = (stage: Stage, material: Pick<Material, "role"> | null): SignQuestion | null =>
  stage === "habit" ? null : { stage, ...wordsOf(stage, material) };
