import { createServer, type Server } from "node:http";
import type { Reading } from "#core/plan/readings";
import { DAY, HOUR, type WallMinutes } from "#core/units/units";
import { EVERY, loftReadings } from "./room-air";

// A stand-in for a small logger in the room: it keeps two weeks of readings and sends them over HTTP.

/** How the logger goes wrong, for trying out what the tool says then. */
export const MANNERS = ["well", "silent", "absurd", "gaps", "hangs", "garbled", "young"] as const;
export type Manner = (typeof MANNERS)[number];

const KEEPS_DAYS = 14;

/** The wall time of this machine. */
export const wallNow = (): WallMinutes => {
  const now = new Date();
  return Math.floor(now.getTime() / 60_000) - now.getTimezoneOffset();
};

/** Its readings up to now; each odd manner spoils them in its own way. */
function kept(manner: Manner, now: WallMinutes): Reading[] {
  const readings = loftReadings(now - (manner === "young" ? 5 * HOUR : KEEPS_DAYS * DAY), now);
  switch (manner) {
    case "absurd":
      return readings.map((reading) => ({ ...reading, celsius: 85, relativeHumidity: 0 }));
    case "gaps":
      return readings.filter(({ at }) => at < now - 4 * DAY || at > now - 3 * DAY);
    case "hangs": {
      const stuck = readings.findLast(({ at }) => at < now - DAY)!;
      return readings.map((reading) => (reading.at < stuck.at ? reading : { ...stuck, at: reading.at }));
    }
    default:
      return readings;
  }
}

/** Wall minutes as an instant with its offset from universal time, as loggers write it. */
function stamp(at: WallMinutes): string {
  const instant = new Date(at * 60_000);
  const offset = -new Date(instant.getTime() + new Date().getTimezoneOffset() * 60_000).getTimezoneOffset();
  const away = Math.abs(offset);
  const two = (value: number) => String(value).padStart(2, "0");
  return `${instant.toISOString().slice(0, 19)}${offset < 0 ? "-" : "+"}${two(Math.floor(away / 60))}:${two(away % 60)}`;
}

/** The logger as an HTTP server: `GET /readings` answers all its readings, the oldest first. */
export function logger(manner: Manner = "well"): Server {
  return createServer((request, response) => {
    if (manner === "silent") return;
    const answer = (status: number, said: string, type = "application/json") => {
      response.writeHead(status, { "Content-Type": type, "Cache-Control": "no-store" });
      response.end(said);
    };
    if (request.method !== "GET") return answer(405, JSON.stringify({ error: "This logger only answers GET." }));
    if (new URL(request.url ?? "/", "http://logger").pathname !== "/readings")
      return answer(404, JSON.stringify({ error: "Only /readings exists here." }));
    if (manner === "garbled") return answer(200, "<html>Welcome</html>", "text/html");
    answer(
      200,
      JSON.stringify({
        place: "Finishing loft",
        everyMinutes: EVERY,
        readings: kept(manner, wallNow()).map(({ at, ...air }) => ({ at: stamp(at), ...air })),
      }),
    );
  });
}
