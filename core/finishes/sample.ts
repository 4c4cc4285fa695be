import type { PanelId } from "../board/panels/panel.ts";
import type { ZoneJudgement } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { type Ground, groundOf } from "../plan/ground.ts";
import { DEFAULT_HOURS } from "../plan/hours.ts";
import { DEFAULT_HOUSE_RULES } from "../plan/house-rules.ts";
import { CARVED_RELIEF, MOULDED_RELIEF, PLAIN_RELIEF, type Relief, type Use, type Zone } from "../plan/plan.ts";
import { REFERENCE_ROOM } from "../plan/room.ts";
import { buildFinish, type Site } from "./build.ts";
import type { Finish } from "./finish.ts";

/** The relief of a zone that each panel stands for. */
export const RELIEF_OF: Record<PanelId, Relief> = {
  carved: CARVED_RELIEF,
  drawer: MOULDED_RELIEF,
  plain: PLAIN_RELIEF,
  top: PLAIN_RELIEF,
  disc: MOULDED_RELIEF,
  leg: MOULDED_RELIEF,
  frame: MOULDED_RELIEF,
  box: MOULDED_RELIEF,
};

const GENTLE: Use = { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing" };

/** A sample board of this panel: half a square metre in the reference air, under the usual house rules. */
export function sampleSite(panel: PanelId, ground: Ground = groundOf("raw timber", "pine"), use: Use = GENTLE): Site {
  const zone: Zone = {
    id: "sample",
    name: "Sample board",
    shape: { kind: "panel", width: 1000, height: 500, count: 1 },
    carving: 1,
    faces: 1,
    relief: RELIEF_OF[panel],
    orientation: "upright",
    use,
    ground,
    crustId: "finish",
    overrides: [],
    hands: [],
    movingParts: false,
  };
  return {
    zone,
    pinned: { room: REFERENCE_ROOM, hours: DEFAULT_HOURS, houseRules: DEFAULT_HOUSE_RULES },
    start: "2026-11-30T09:00",
    catalogue: CATALOGUE,
  };
}

/** A finish on a sample board, judged: what the gallery shows of it. */
export const sampleOf = (finish: Finish, panel: PanelId = finish.panels[0], ground?: Ground): ZoneJudgement =>
  buildFinish(sampleSite(panel, ground), { finish }).judged;
