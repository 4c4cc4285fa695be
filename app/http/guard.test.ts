import { describe, expect, it } from "vitest";
import { bodyLimit, refusalOf } from "./guard.server";

const asked = (method: string, target: string, headers: Record<string, string> = {}) => {
  const all: Record<string, string> = { host: "localhost:4173", ...headers };
  return refusalOf({ method, target, header: (name) => all[name.toLowerCase()] ?? null })?.status ?? null;
};

describe("the tool's own addresses", () => {
  it.each(["localhost", "localhost:4173", "127.0.0.1:80", "[::1]:4173", "LOCALHOST:1"])("%s is one", (host) => {
    expect(asked("GET", "/", { host })).toBeNull();
  });
  it.each([
    "evil.example",
    "localhost.evil.example",
    "127.0.0.1.evil.example:4173",
    "evil.example:4173",
    "10.0.0.5",
    "0.0.0.0:4173",
    "localhost@evil.example",
    "",
  ])("%j is none, whatever the origin says", (host) => {
    for (const method of ["GET", "POST", "HEAD"])
      expect(asked(method, "/", { host, origin: `http://${host}`, "sec-fetch-site": "same-origin" })).toBe(421);
  });
});

describe("who may change something", () => {
  it("is a page of this address", () => {
    expect(asked("POST", "/jobs/x/edit", { "sec-fetch-site": "same-origin" })).toBeNull();
    expect(asked("POST", "/jobs/x/edit", { origin: "http://localhost:4173" })).toBeNull();
  });
  it("is no other: another site, another port, no origin, an origin that is none", () => {
    expect(asked("POST", "/", { "sec-fetch-site": "cross-site", origin: "http://localhost:4173" })).toBe(403);
    expect(asked("POST", "/", { "sec-fetch-site": "same-site" })).toBe(403);
    expect(asked("POST", "/", { origin: "http://localhost:3000" })).toBe(403);
    expect(asked("POST", "/")).toBe(403);
    expect(asked("POST", "/", { origin: "null" })).toBe(403);
  });
});

describe("what another site may load", () => {
  const navigates = { "sec-fetch-site": "cross-site", "sec-fetch-mode": "navigate", "sec-fetch-dest": "document" };
  it("is a page that somebody follows a link to", () => {
    expect(asked("GET", "/jobs/x/crust", navigates)).toBeNull();
  });
  it("is nothing that costs or is data, and nothing in a frame or an image", () => {
    for (const path of ["/jobs/x/board.png?zone=z", "/jobs/x/days.ics", "/days.ics", "/jobs/x/export", "/room-sensor"])
      expect(asked("GET", path, navigates)).toBe(403);
    expect(asked("GET", "/jobs/x/crust", { ...navigates, "sec-fetch-dest": "iframe" })).toBe(403);
    expect(asked("GET", "/jobs/x/crust", { "sec-fetch-site": "cross-site", "sec-fetch-mode": "no-cors" })).toBe(403);
  });
});

describe("addresses and methods", () => {
  it("that are none are refused before anything is looked for", () => {
    for (const method of ["TRACE", "PUT", "DELETE", "PATCH", "CONNECT", "PROPFIND"])
      expect(asked(method, "/")).toBe(405);
    expect(asked("GET", "/jobs/%00/edit")).toBe(404);
    expect(asked("GET", "/jobs/%E0%A4%A/crust")).toBe(404);
    expect(asked("GET", `/${"x".repeat(5000)}`)).toBe(414);
  });
  it("photos may be larger than forms", () => {
    expect(bodyLimit("/jobs/x/board")).toBeGreaterThan(bodyLimit("/jobs/x/piece"));
    expect(bodyLimit("/jobs/x/board.data?zone=z")).toBe(bodyLimit("/jobs/x/board"));
    // a job with its photos comes by the form of the jobs list, and by nothing else
    expect(bodyLimit("/?index")).toBeGreaterThan(bodyLimit("/jobs/x/board"));
    for (const path of ["/", "/?page=2", "/?indexed=1", "/jobs/x?index"])
      expect(bodyLimit(path)).toBe(bodyLimit("/jobs/x/piece"));
  });
});
