import { describe, expect, it } from "vitest";
import type { DatabasePlace } from "./place";
import { codesOf, isBusy, isStorageError, saidOf } from "./trouble";

const FILE: DatabasePlace = { url: "file:/shop/crust.db", file: "/shop/crust.db" };
const SERVER: DatabasePlace = { url: "libsql://shop", file: null };

const coded = (code: string, cause?: unknown) => Object.assign(new Error("words of the library", { cause }), { code });

describe("what went wrong with the shop's data, in words", () => {
  it.each([
    ["SQLITE_READONLY", /can be read but not written.*Nothing was changed/],
    ["EACCES", /can be read but not written/],
    ["SQLITE_FULL", /disk .* is full.*Free some space/],
    ["ENOSPC", /disk .* is full/],
    ["SQLITE_BUSY", /in use by another program.*Try again/],
    ["SQLITE_BUSY_SNAPSHOT", /in use by another program/],
    ["SQLITE_CORRUPT", /damaged, or not a database.*restore a backup/],
    ["SQLITE_NOTADB", /damaged, or not a database/],
    ["SQLITE_IOERR_READ", /Check the disk/],
    ["SQLITE_CANTOPEN", /Check the path in JOLLY_CRUST_DATA/],
    ["ENOENT", /Check the path/],
    ["SQLITE_ERROR", /from another version/],
    ["SQLITE_SOMETHING_NEW", /cannot be used at the moment/],
  ])("%s", (code, says) => {
    const said = saidOf(coded(code), FILE);
    expect(said).toMatch(says);
    expect(said).toContain("/shop/crust.db");
    // never the library's own words or codes
    expect(said).not.toMatch(/words of the library|SQLITE|E[A-Z]{3,}|undefined/);
  });

  it("of a server speaks of the address and the network, and of no file", () => {
    const said = saidOf(coded("ECONNREFUSED"), SERVER);
    expect(said).toMatch(/DATABASE_URL.*Check the address, the token and the network/);
    expect(said).not.toMatch(/JOLLY_CRUST_DATA/);
  });

  it("is found in what caused it, however deep", () => {
    const deep = coded("OUTER", coded("INNER", coded("SQLITE_FULL")));
    expect(codesOf(deep)).toEqual(["OUTER", "INNER", "SQLITE_FULL"]);
    expect(saidOf(deep, FILE)).toMatch(/full/);
  });

  it("never runs round in causes that lead back to themselves", () => {
    const round = coded("SQLITE_BUSY");
    round.cause = round;
    expect(codesOf(round).length).toBeLessThan(10);
    expect(isBusy(round)).toBe(true);
  });

  it("of the store is kept apart from a mistake of ours", () => {
    for (const code of ["SQLITE_BUSY", "EIO", "HRANA_WEBSOCKET_ERROR", "UND_ERR_CONNECT_TIMEOUT", "URL_INVALID"])
      expect(isStorageError(coded(code)), code).toBe(true);
    for (const error of [
      new TypeError("x is undefined"),
      coded("ZOD"),
      coded("ERR_INVALID_ARG_TYPE"),
      "SQLITE_BUSY",
      null,
      undefined,
      5,
    ])
      expect(isStorageError(error)).toBe(false);
  });

  it("may pass by itself only where another holds it", () => {
    expect(isBusy(coded("SQLITE_BUSY_RECOVERY"))).toBe(true);
    expect(isBusy(coded("SQLITE_FULL"))).toBe(false);
    expect(isBusy(coded("SQLITE_BUSYBODY"))).toBe(false);
  });
});
