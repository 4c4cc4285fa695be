import { createContext, type ReactNode, useContext } from "react";
import type { ShelfBook } from "#core/shelf/book";
import { METRIC, type Voice } from "~/words/measures";

const Spoken = createContext<Voice>(METRIC);

/** How the shop's book writes amounts, numbers and money. */
export const voiceOf = ({
  measures,
  numbers,
  costing,
}: Pick<ShelfBook, "measures" | "numbers" | "costing">): Voice => ({
  measures,
  numbers,
  currency: costing.currency,
});

export const Speaking = ({ voice, children }: { voice: Voice; children: ReactNode }) => (
  <Spoken.Provider value={voice}>{children}</Spoken.Provider>
);

export const VoiceOf = ({ book, children }: { book: ShelfBook; children: ReactNode }) => (
  <Speaking voice={voiceOf(book)}>{children}</Speaking>
);

export const useVoice = () => useContext(Spoken);
