import { readFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { z } from "zod";
import { placeFrom } from "#db/place";

const Door = z.object({ addresses: z.array(z.string()), fingerprint: z.string() });

/** Where the shop can be reached on its network, as the server wrote it down; null while that door is shut. */
export function openDoor(): z.infer<typeof Door> | null {
  const { file } = placeFrom(process.env);
  const folder = file === null ? resolve(process.env.JOLLY_CRUST_DATA ?? "data") : dirname(resolve(file));
  try {
    return Door.parse(JSON.parse(readFileSync(join(folder, "shop-keys/door.json"), "utf8")));
  } catch {
    return null;
  }
}
