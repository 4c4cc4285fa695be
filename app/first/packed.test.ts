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

  it("that was not packed is not read", () => {
    expect(() => unpacked('{"a": 1}' as Packed<unknown>)).toThrow(SyntaxError);
  });
});
