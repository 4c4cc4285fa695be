import { describe, expect, it } from "vitest";
import { cookieFor, deviceIn, digestOf, mayAsk, newCode } from "./access.server";
import { behindOf, HandIn } from "./log.server";

describe("what a role may ask for", () => {
  it("an owner may do anything", () => {
    for (const path of ["/", "/jobs/x/quote", "/shelf/prices", "/shop/devices"])
      for (const method of ["GET", "POST"]) expect(mayAsk("owner", method, path)).toBe(true);
  });
  it.each([
    ["GET", "/bench", true],
    ["GET", "/bench.data?task=1", true],
    ["POST", "/bench/log", true],
    ["POST", "/jobs/x/ledger.data", true],
    ["GET", "/jobs/x/mix-cards", true],
    ["GET", "/jobs/x/quote", false],
    ["GET", "/jobs/x/shelf", false],
    ["GET", "/shelf/prices", false],
    ["GET", "/shop/backup.db", false],
    ["GET", "/shop/devices", false],
    ["POST", "/jobs/x/edit", false],
    ["GET", "/jobs/x/export", false],
    ["GET", "/", false],
    ["GET", "/jobs/x/ledger/../quote", false],
    ["GET", "/bench/../shelf/prices", false],
  ] as const)("a hand: %s %s %s", (method, path, may) => expect(mayAsk("hand", method, path)).toBe(may));
  it("a looker-on looks, and changes nothing", () => {
    expect(mayAsk("looker-on", "GET", "/bench")).toBe(true);
    expect(mayAsk("looker-on", "GET", "/jobs/x/photos/p1")).toBe(true);
    for (const path of ["/bench", "/bench/log", "/jobs/x/ledger"])
      expect(mayAsk("looker-on", "POST", path)).toBe(false);
    expect(mayAsk("looker-on", "GET", "/find")).toBe(false);
  });
});

describe("codes and sessions", () => {
  it("codes are hard to guess and easy to read out", () => {
    const codes = new Set(Array.from({ length: 500 }, newCode));
    expect(codes.size).toBe(500);
    for (const code of codes) expect(code).not.toMatch(/[ILO01]/);
    for (const code of codes) expect(code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);
  });
  it("however a code is typed, it is the same code", () => {
    expect(digestOf("k7pm 3xrd")).toBe(digestOf("K7PM-3XRD"));
    expect(digestOf("K7PM-3XRE")).not.toBe(digestOf("K7PM-3XRD"));
  });
  it("a session names its device only with the shop's own signature, and never to scripts or over plain ways", async () => {
    const set = await cookieFor("tablet");
    expect(set).toMatch(/HttpOnly/i);
    expect(set).toMatch(/Secure/i);
    expect(set).toMatch(/SameSite=Strict/i);
    const [pair] = set.split(";");
    expect(await deviceIn(pair)).toBe("tablet");
    expect(await deviceIn(`${pair}x`)).toBe(null);
    const [name, value] = pair!.split("=");
    const forged = Buffer.from(JSON.stringify("owner")).toString("base64");
    expect(await deviceIn(`${name}=${forged}.${decodeURIComponent(value!).split(".")[1]}`)).toBe(null);
    expect(await deviceIn("nothing=1")).toBe(null);
    expect(await deviceIn(null)).toBe(null);
  });
});

describe("what a device hands in", () => {
  it("its clock counts by how far it is off, and the way there does not count", () => {
    const now = 1_800_000_000_000;
    expect(behindOf(now - 3_600_000, now)).toBe(3_600_000);
    expect(behindOf(now + 3_600_000, now)).toBe(-3_600_000);
    expect(behindOf(now - 900, now)).toBe(0);
  });
  it("is read as from a stranger", () => {
    const line = { kind: "end", id: "a", at: 1_800_000_000_000, offset: 0, on: [] };
    const handed = (event: unknown) =>
      HandIn.safeParse({ sentAt: 1, lines: [{ planId: "x", events: [event], edit: null }] }).success;
    expect(handed(line)).toBe(true);
    for (const wrong of [
      { ...line, id: "../x" },
      { ...line, at: "now" },
      { ...line, at: 1 },
      { ...line, kind: "delete" },
      { ...line, more: true },
      { ...line, kind: "sign", stage: "magic", seen: true },
      { ...line, on: Array.from({ length: 100 }, () => ({ zoneId: "z", phaseId: "s" })) },
    ])
      expect(handed(wrong)).toBe(false);
    expect(HandIn.safeParse({ sentAt: 1, lines: [] }).success).toBe(false);
  });
});
