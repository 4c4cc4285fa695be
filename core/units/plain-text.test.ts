import { describe, expect, it } from "vitest";
import { plainLine, plainName, plainText, withoutUnseen } from "./plain-text.ts";

const saysOf = (schema: ReturnType<typeof plainLine>, text: string) =>
  schema.safeParse(text).error?.issues.map(({ message }) => message);
const isName = (text: string) => plainName(40).safeParse(text).success;

describe("a name", () => {
  it.each(["Dough bin", "n° 7", "藍", "Café & Co", "7", "👩‍🎨", "…"])("%s can be seen", (text) => {
    expect(isName(text)).toBe(true);
  });

  it.each([
    ["nothing", ""],
    ["spaces", "   "],
    ["spaces of no width", "\u200b\u200b"],
    ["what joins letters, without any", "\u200d\u200c"],
    ["soft hyphens", "\u00ad"],
    ["blanks that count as letters", "\u3164\u115f\u2800"],
    ["an accent over nothing", "\u0301"],
  ])("of %s cannot, and is asked for", (_what, text) => {
    expect(saysOf(plainName(40), text)).toEqual(["give it a name"]);
  });

  it("loses the spaces round it, and is no longer than its field", () => {
    expect(plainName(40).parse("  Settle ")).toBe("Settle");
    expect(saysOf(plainName(4), "Settle")).toEqual(["4 characters at most"]);
  });
});

describe("text as it is shown", () => {
  it("turns nothing beside it round, and cuts nothing off", () => {
    for (const sign of ["\u202e", "\u2066", "\u0000", "\u0007", "\u2028", "\ufeff"]) {
      expect(plainLine(40).safeParse(`Set${sign}tle`).success, sign).toBe(false);
      expect(plainText(40).safeParse(`Set${sign}tle`).success, sign).toBe(false);
      expect(withoutUnseen(`Set${sign}tle`)).toBe("Settle");
    }
  });

  it("may have lines where there is room for them", () => {
    expect(plainText(40).parse("two coats\n\tsand")).toBe("two coats\n\tsand");
    expect(plainLine(40).safeParse("two coats\nsand").success).toBe(false);
  });

  it("has no half of a letter in it", () => {
    expect(plainLine(40).safeParse("x\ud83d").success).toBe(false);
    expect(withoutUnseen("x\ud83d")).toBe("x");
  });
});
