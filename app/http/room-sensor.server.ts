import { z } from "zod";
import { type LoggedAir, loggedAir, type Reading, type Refused } from "#core/plan/readings";
import type { WallMinutes } from "#core/units/units";

// The logger in the room, if the shop has one: an address in ROOM_SENSOR_URL that answers GET /readings.

const PATIENCE_MILLISECONDS = 3000;
const MOST_BYTES = 2_000_000;
const MOST_READINGS = 20_000;

const Told = z.object({
  place: z.string().trim().max(80).default("the room"),
  readings: z
    .array(
      z.object({
        at: z.iso.datetime({ offset: true }),
        celsius: z.number(),
        relativeHumidity: z.number(),
      }),
    )
    .max(MOST_READINGS),
});

export type SensorAnswer = (LoggedAir & { place: string }) | Refused;

const refused = (says: string): Refused => ({ ok: false, says });

/** The address of the room's logger; null if the shop has none. */
export function sensorAddress({ ROOM_SENSOR_URL }: NodeJS.ProcessEnv): string | null {
  const address = ROOM_SENSOR_URL?.trim();
  return address ? address : null;
}

/** The wall-clock minute on this machine at an instant. */
function wallOf(instant: Date): WallMinutes {
  return Math.floor(instant.getTime() / 60_000) - instant.getTimezoneOffset();
}

async function readBounded(response: Response): Promise<string | null> {
  const parts: Uint8Array[] = [];
  const reader = response.body?.getReader();
  let size = 0;
  for (let read = await reader?.read(); read?.value; read = await reader?.read()) {
    size += read.value.length;
    if (size > MOST_BYTES) {
      await reader?.cancel();
      return null;
    }
    parts.push(read.value);
  }
  return Buffer.concat(parts).toString("utf8");
}

/** Asks the logger for all its readings and makes sense of them. Anything wrong with it comes back as a sentence. */
export async function askSensor(address: string, now = new Date()): Promise<SensorAnswer> {
  let url: URL;
  try {
    url = new URL("/readings", address);
  } catch {
    return refused(`ROOM_SENSOR_URL should be an address like http://127.0.0.1:4180, not "${address.slice(0, 80)}".`);
  }
  if (url.protocol !== "http:" && url.protocol !== "https:")
    return refused("ROOM_SENSOR_URL should begin with http:// or https://.");
  let said: string | null;
  try {
    const response = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MILLISECONDS), redirect: "error" });
    if (!response.ok) return refused(`The room sensor at ${url.host} answered with an error (${response.status}).`);
    said = await readBounded(response);
  } catch (error) {
    return refused(
      error instanceof DOMException && error.name === "TimeoutError"
        ? `The room sensor at ${url.host} did not answer within ${PATIENCE_MILLISECONDS / 1000} s. Is it switched on, and is its battery good?`
        : `There is no room sensor at ${url.host}. Is it switched on and on the shop's network?`,
    );
  }
  if (said === null) return refused(`The room sensor at ${url.host} sent more than ${MOST_BYTES / 1_000_000} MB.`);
  let told: z.infer<typeof Told>;
  try {
    told = Told.parse(JSON.parse(said));
  } catch (error) {
    const where = error instanceof z.ZodError ? error.issues[0]?.path.join(".") : null;
    return refused(
      where
        ? `The readings of the room sensor at ${url.host} cannot be read: check "${where}".`
        : `The device at ${url.host} is not a room sensor.`,
    );
  }
  const readings = told.readings.map(
    ({ at, celsius, relativeHumidity }): Reading => ({ at: wallOf(new Date(at)), celsius, relativeHumidity }),
  );
  const air = loggedAir(readings, wallOf(now));
  return air.ok ? { ...air, place: told.place } : air;
}
