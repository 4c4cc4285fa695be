import type { AddressInfo } from "node:net";
import { createServer } from "node:net";
import { describe, expect, it } from "vitest";
import { entriesIn, taken } from "#demo/subscriber/follow";
import { askTool } from "../../app/http/bench-tools.server";
import { openTools } from "./bench-tools";

describe("the tools on the bench", () => {
  it("are asked over a socket and answer with what they read", async () => {
    const { address, server } = await openTools(0);
    for (const [of, least, most] of [
      ["weight", 100, 130],
      ["moisture", 8, 13],
      ["wet film", 80, 110],
    ] as const) {
      const answer = await askTool(of, address);
      expect("value" in answer && answer.value, of).toBeGreaterThan(least);
      expect("value" in answer && answer.value, of).toBeLessThan(most);
    }
    await new Promise((done) => server.close(done));
  });

  it("a scale that has not settled says so", async () => {
    const { address, server } = await openTools(0);
    const answers = [];
    for (let look = 0; look < 5; look++) answers.push(await askTool("weight", address));
    expect(answers.some((answer) => "says" in answer && /not settled/.test(answer.says))).toBe(true);
    server.close();
  });

  it("none, none that answers, and one that talks nonsense: a sentence, and it can be typed", async () => {
    const says = async (address?: string) => {
      const answer = await askTool("moisture", address);
      return "says" in answer ? answer.says : "";
    };
    expect(await says(undefined)).toMatch(/type what it shows/i);
    expect(await says("http://elsewhere")).toMatch(/should be an address/);
    expect(await says("tcp://127.0.0.1:1")).toMatch(/does not answer/);
    const nonsense = createServer((socket) => socket.end("hello there\r\n"));
    await new Promise<void>((done) => nonsense.listen(0, "127.0.0.1", done));
    expect(await says(`tcp://127.0.0.1:${(nonsense.address() as AddressInfo).port}`)).toMatch(/not a reading/);
    nonsense.close();
  });
});

const feed = (...events: [uid: string, sequence: number, starts: string][]) =>
  [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    "PRODID:-//test//EN",
    ...events.flatMap(([uid, sequence, starts]) => [
      "BEGIN:VEVENT",
      `UID:${uid}`,
      `SEQUENCE:${sequence}`,
      `SUMMARY:Coat ${uid}`,
      `DTSTART:${starts}`,
      "DTSTAMP:20261128T090000Z",
      "END:VEVENT",
    ]),
    "END:VCALENDAR",
    "",
  ].join("\r\n");

describe("a calendar that subscribes to the feed", () => {
  it("takes over what is new, what moved by its number, and what is gone", () => {
    const first = taken(new Map(), feed(["a", 0, "20261130T090000"], ["b", 0, "20261130T100000"]));
    expect(first.changes).toHaveLength(2);
    const moved = taken(first.entries, feed(["a", 1, "20261201T090000"], ["b", 0, "20261130T100000"]));
    expect(moved.changes).toEqual([expect.stringMatching(/^moved: Coat a/)]);
    // an older feed, from a cache on the way, changes nothing back
    const stale = taken(moved.entries, feed(["a", 0, "20261130T090000"], ["b", 0, "20261130T100000"]));
    expect(stale.changes).toEqual([]);
    expect(taken(stale.entries, feed(["b", 0, "20261130T100000"])).changes).toEqual(["gone: Coat a"]);
    expect(entriesIn(feed())).toEqual([]);
  });
});
