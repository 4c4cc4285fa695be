import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { hobnailYard } from "#demo/hobnail-yard";
import { type Packed, packed, unpacked } from "./packed";

describe("what goes to the page as text", () => {
  it("comes back as it was, whatever quotes and signs are in it", () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(unpacked(packed(value))).toEqual(JSON.parse(JSON.stringify(value)));
      }),
    );
    for (const text of [`the painter's "best" brush`, '\\"', "'\u0000'", "\u2028</script>", ""])
      expect(unpacked(packed({ text }))).toEqual({ text });
  });

  it("has hardly a quote that a script would have to escape", () => {
    for (const plan of hobnailYard()) {
      const text = packed(plan);
      expect(text.split('"').length - 1).toBe(JSON.stringify(plan).split("'").length - 1);
      expect(JSON.stringify(text).length).toBeLessThan(1.01 * text.length);
    }
  });

  it("is read as an older version sent it too, which a browser may have kept", () => {
    for (const plan of hobnailYard()) expect(unpacked(JSON.stringify(plan) as Packed<unknown>)).toEqual(plan);
    expect(unpacked("[1, null]" as Packed<unknown>)).toEqual([1, null]);
  });

  it("is never half read", () => {
    const text = packed({ title: "Dough bin", zones: ["lid", "body"] });
    for (let length = 0; length < text.length; length++)
      expect(() => unpacked(text.slice(0, length) as typeof text)).toThrow(SyntaxError);
  });
});
