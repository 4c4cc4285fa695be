import { spokenName } from "../materials/spoken-name.ts";
import type { Pot } from "./pot.ts";

/** "Slate chalk-type paint mix": by the tin there is most of; what else is in it stands beside the step. */
export function mixName({ parts }: Pot): string {
  const main = spokenName(parts.reduce((most, part) => (part.share > most.share ? part : most)).material);
  return `${main.charAt(0).toUpperCase()}${main.slice(1)} mix`.slice(0, 80);
}
