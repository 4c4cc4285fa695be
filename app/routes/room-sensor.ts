import { data } from "react-router";
import { askSensor, sensorAddress } from "~/http/room-sensor.server";

/** What the room's logger reads now; null if the shop has none. */
export async function loader() {
  const address = sensorAddress(process.env);
  return data(address === null ? null : await askSensor(address), { headers: { "Cache-Control": "no-store" } });
}
