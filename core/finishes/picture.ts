import type { PanelId } from "../board/panels/panel.ts";
import type { Finish } from "./finish.ts";

/** Where the picture of a finish on one of its panels is, as an address and below `public`. */
export const pictureOf = ({ id }: Pick<Finish, "id">, panel: PanelId): string => `/finishes/${id}-${panel}.webp`;
