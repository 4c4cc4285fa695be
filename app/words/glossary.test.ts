import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { RULES } from "#core/rules/rules";
import { anchorOf, cutAtWords, ENTRIES, entryOf, GLOSSARY } from "./glossary";

describe("the trade's words", () => {
  it("are each explained once, in a line that fits under the pointer, without a full stop of its own", () => {
    const words = ENTRIES.map(({ word }) => word.toLowerCase());
    expect(new Set(words).size).toBe(words.length);
    for (const { word, means } of ENTRIES) {
      expect(means.length, word).toBeLessThanOrEqual(130);
      expect(means, word).not.toMatch(/[.!?]$/);
      expect(means.charAt(0), word).toBe(means.charAt(0).toLowerCase());
    }
  });

  it("have a place of their own on the page of words", () => {
    const anchors = ENTRIES.map(({ word }) => anchorOf(word));
    expect(new Set(anchors).size).toBe(anchors.length);
    for (const anchor of anchors) expect(anchor).toMatch(/^[a-zµδ0-9-]+$/);
  });

  it("are found however they are written, and in no other word", () => {
    expect(entryOf("raking LIGHT")?.word).toBe("Raking light");
    const words = (text: string) =>
      cutAtWords(text).flatMap((piece) => (typeof piece === "string" ? [] : [piece.text]));
    expect(words("Look at the arrises in raking light.")).toEqual(["arrises", "raking light"]);
    // part of another word, or of a compound, is not it
    expect(words("Tackle the whole stack")).toEqual([]);
  });

  it("are found by the longest form, and only the first time in a sentence", () => {
    const [first, ...others] = cutAtWords("An arris is an arris; arrises are many.").filter(
      (piece) => typeof piece !== "string",
    );
    expect(first).toMatchObject({ text: "arris", entry: { word: "Arris" } });
    expect(others).toEqual([]);
  });

  it("leave a sentence as it was, whatever is in it", () => {
    const word = fc.constantFrom(...ENTRIES.map((entry) => entry.word), "paint", ",", "(", "$&", "\\", "  ", "é", "🜚");
    fc.assert(
      fc.property(fc.array(word, { maxLength: 12 }), (parts) => {
        const text = parts.join(" ");
        expect(
          cutAtWords(text)
            .map((piece) => (typeof piece === "string" ? piece : piece.text))
            .join(""),
        ).toBe(text);
      }),
    );
  });

  it("come in themes, and the rules speak in them", () => {
    expect(GLOSSARY.every(({ title, entries }) => title !== "" && entries.length > 1)).toBe(true);
    const spoken = RULES.map(({ meta }) => `${meta.title} ${meta.reason}`).join(" ");
    const found = cutAtWords(spoken).filter((piece) => typeof piece !== "string");
    expect(found.length).toBeGreaterThan(10);
  });
});
