import { z } from "zod";

/** Letters that cannot be seen and turn or cut what stands beside them: controls, marks of direction, line and paragraph separators. */
const UNSEEN = /[\p{Cc}\u200e\u200f\u202a-\u202e\u2028\u2029\u2060-\u2069\ufeff]/gu;
const UNSEEN_BUT_LINES = /[^\P{Cc}\t\n\r]|[\u200e\u200f\u202a-\u202e\u2028\u2029\u2060-\u2069\ufeff]/gu;
/** Half of a letter that takes two codes: no file or database keeps it. */
const HALF_LETTER = /\p{Cs}/u;

const SAYS = "has invisible characters in it (control or direction marks); type it again";

const isPlain = (text: string, unseen: RegExp) => text.search(unseen) < 0 && !HALF_LETTER.test(text);

/** The text without the letters that a name must not hold. */
export const withoutUnseen = (text: string): string => text.replace(UNSEEN, "").replace(/\p{Cs}/gu, "");

/** One line of text that is shown as it was typed, with so many letters at most. */
export const plainLine = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `${most} characters at most`)
    .refine((text) => isPlain(text, UNSEEN), SAYS);

/** The same with line breaks. */
export const plainText = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `${most} characters at most`)
    .refine((text) => isPlain(text, UNSEEN_BUT_LINES), SAYS);

/** A sign that leaves ink: not a space, nor what only joins or parts the letters beside it. */
const SEEN = /[^\s\p{Cf}\p{M}\u115f\u1160\u3164\uffa0\u2800]/u;

/** A name: one line with something in it that can be seen. */
export const plainName = (most: number) =>
  plainLine(most)
    .min(1, "give it a name")
    .refine((text) => text === "" || SEEN.test(text), "give it a name");
