import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PALETTE_BYTES, readPalette, writePalette } from "./palette.ts";

const colour = fc.record({
  name: fc.stringMatching(/^[A-Za-z][A-Za-z ,-]{0,20}[a-z]$/).map((name) => name.replace(/\s+/g, " ")),
  colour: fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`),
});

describe("a GIMP palette", () => {
  it("that was written is read back the same", () => {
    fc.assert(
      fc.property(fc.array(colour, { minLength: 1, maxLength: 40 }), (colours) => {
        expect(readPalette(writePalette("Harbour", colours))).toEqual({ ok: true, name: "Harbour", colours });
      }),
    );
  });

  it("is read with comments, columns, odd line ends and colours without a name", () => {
    const text =
      "\uFEFFGIMP Palette\r\nName: Chandler's office\r\nColumns: 3\r\n# a comment\r\n\r\n  0   0   0\r\n255 128 0\tbuoy\r\n";
    expect(readPalette(text)).toEqual({
      ok: true,
      name: "Chandler's office",
      colours: [
        { name: "#000000", colour: "#000000" },
        { name: "buoy", colour: "#ff8000" },
      ],
    });
  });

  it.each([
    ["", "line 1", /begins with the line "GIMP Palette"/],
    ["JASC-PAL\n0100\n1\n0 0 0", "line 1", /begins with the line "GIMP Palette"/],
    ["GIMP Palette\n12 13", "line 2", /three numbers from 0 to 255/],
    ["GIMP Palette\n#\n1 2 256 bright", "line 3", /three numbers from 0 to 255/],
    ["GIMP Palette\nName: empty\n", "", /no colours/],
    [`GIMP Palette\n${"1 2 3 x\n".repeat(300)}`, "", /256 colours at most; this one has 300/],
    [`GIMP Palette\n${"# \n".repeat(PALETTE_BYTES)}`, "", /64 kB/],
  ])("%j is refused at %s", (text, where, says) => {
    const read = readPalette(text);
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect(read.faults[0]!.where).toBe(where);
      expect(read.faults[0]!.says).toMatch(says);
    }
  });

  it("names a dozen faults of a file at most", () => {
    const read = readPalette(`GIMP Palette\n${"nonsense\n".repeat(60)}`);
    expect(!read.ok && read.faults).toHaveLength(12);
  });
});
