import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { readPhoto } from "./photo.server";

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#7a5a3a" } });
const fileOf = (bytes: Uint8Array | string, name = "board.jpg") =>
  new File([bytes as BlobPart], name, { type: "image/jpeg" });

describe("a photo of a real board", () => {
  it("is written again, made smaller, without the camera's notes", async () => {
    const taken = await picture(3000, 2000)
      .withExif({ IFD0: { Copyright: "somebody", ImageDescription: "a secret place" } })
      .jpeg()
      .toBuffer();
    const read = await readPhoto(fileOf(taken));
    if (!read.ok) throw new Error(read.says);
    expect(read).toMatchObject({ width: 1600, height: 1067 });
    const { format, exif, icc, xmp, width } = await sharp(read.jpeg).metadata();
    expect({ format, exif, xmp, width }).toEqual({ format: "jpeg", exif: undefined, xmp: undefined, width: 1600 });
    expect(icc).toBeUndefined();
    expect(read.jpeg.toString("latin1")).not.toContain("secret");
  });

  it("is turned upright by what the camera noted of its hold", async () => {
    const sideways = await picture(600, 400).withMetadata({ orientation: 6 }).jpeg().toBuffer();
    expect(await readPhoto(fileOf(sideways))).toMatchObject({ ok: true, width: 400, height: 600 });
  });

  it("keeps its size where it is small, and its colour within a breath", async () => {
    const read = await readPhoto(fileOf(await picture(300, 200).png().toBuffer()));
    if (!read.ok) throw new Error(read.says);
    expect(read).toMatchObject({ width: 300, height: 200 });
    const { data } = await sharp(read.jpeg).raw().toBuffer({ resolveWithObject: true });
    expect(Math.abs(data[0]! - 0x7a)).toBeLessThan(4);
  });

  it.each([
    ["nothing", async () => null, /Choose a photo first/],
    ["an empty file", async () => fileOf(""), /Choose a photo first/],
    ["a text under a photo's name", async () => fileOf("hello"), /cannot be read as a photo/],
    [
      "a drawing that could run as a program",
      async () => fileOf('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      /This is not a photo/,
    ],
    ["an animation", async () => fileOf(await picture(8, 8).gif().toBuffer()), /This is not a photo/],
    [
      "a photo cut short",
      async () => fileOf((await picture(900, 600).jpeg().toBuffer()).subarray(0, 900)),
      /cannot be read as a photo/,
    ],
    [
      "too many pixels in few bytes",
      async () => fileOf(await picture(9000, 6000).png().toBuffer()),
      /54 megapixels; the limit is 40/,
    ],
    ["too many bytes", async () => fileOf(new Uint8Array(8_100_000)), /8\.1 MB; the limit is 8 MB/],
  ])("%s is refused in words", async (_what, make, says) => {
    const read = await readPhoto(await make());
    expect(read.ok).toBe(false);
    expect(!read.ok && read.says).toMatch(says);
  });
});
