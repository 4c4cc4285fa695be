import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { afterEach, describe, expect, it } from "vitest";
import { readWallTime } from "#core/units/wall-time";
import { logger, type Manner, wallNow } from "#demo/sensor/logger";
import { loftAirAt } from "#demo/sensor/room-air";
import { askSensor, sensorAddress } from "./room-sensor.server";

const running: { close(): void; closeAllConnections(): void }[] = [];
afterEach(() => {
  for (const server of running.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
});

async function listening(server: ReturnType<typeof createServer>): Promise<string> {
  running.push(server);
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
const ask = async (manner: Manner) => askSensor(await listening(logger(manner)));

describe("the room's sensor over HTTP", () => {
  it("tells two weeks by the hour that are those of the room", async () => {
    const air = await ask("well");
    if (!air.ok) throw new Error(air.says);
    expect(air.place).toBe("Finishing loft");
    expect(air.notes).toEqual([]);
    expect(air.hours.length).toBeGreaterThanOrEqual(14 * 24);
    expect(wallNow() - air.latest.at).toBeLessThan(12);
    // an hour in the middle is the mean of what the room had then, on the wall clock
    const at = readWallTime(air.from)! + 100 * 60;
    const mean = [0, 10, 20, 30, 40, 50].reduce((sum, minute) => sum + loftAirAt(at + minute).celsius, 0) / 6;
    expect(air.hours[100]![0]).toBeCloseTo(mean, 0);
  });

  it.each([
    ["silent", /did not answer within 3 s/],
    ["absurd", /85 °C and 0 %.*no room can be/],
    ["hangs", /without any change: it has frozen/],
    ["garbled", /not a room sensor/],
    ["young", /at least a day is needed/],
  ] as const)("that is %s is explained", async (manner, says) => {
    const air = await ask(manner);
    expect(air.ok).toBe(false);
    if (!air.ok) expect(air.says).toMatch(says);
  });

  it("with a gap is used from after it", async () => {
    const air = await ask("gaps");
    expect(air).toMatchObject({ ok: true, notes: [expect.stringContaining("a gap before")] });
  });

  it("that is not there, or whose address is none, is explained", async () => {
    expect(await askSensor("http://127.0.0.1:1")).toMatchObject({
      says: expect.stringContaining("There is no room sensor"),
    });
    expect(await askSensor("next to the stove")).toMatchObject({ says: expect.stringContaining("ROOM_SENSOR_URL") });
    expect(await askSensor("file:///etc")).toMatchObject({ says: expect.stringContaining("http://") });
    expect(sensorAddress({ ROOM_SENSOR_URL: "  " })).toBeNull();
  });

  it("that tells too much, the wrong things, or an error is explained", async () => {
    const saying = (status: number, said: string) =>
      listening(createServer((_, response) => response.writeHead(status).end(said)));
    expect(await askSensor(await saying(500, "no"))).toMatchObject({ says: expect.stringContaining("500") });
    expect(await askSensor(await saying(200, " ".repeat(2_100_000)))).toMatchObject({
      says: expect.stringContaining("more than 2 MB"),
    });
    const strange = JSON.stringify({ readings: [{ at: "noon", celsius: 20, relativeHumidity: 50 }] });
    expect(await askSensor(await saying(200, strange))).toMatchObject({
      says: expect.stringContaining("readings.0.at"),
    });
  });
});
