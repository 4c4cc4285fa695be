import type { WallMinutes } from "#core/units/units";
import { readWallTime } from "#core/units/wall-time";

/** The time on this machine's clock, as the shop's wall clock shows it. */
export function todayNow(now = new Date()): WallMinutes {
  const two = (value: number) => String(value).padStart(2, "0");
  const date = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  return readWallTime(`${date}T${two(now.getHours())}:${two(now.getMinutes())}`)!;
}
