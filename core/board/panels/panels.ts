import { BOX } from "./box.ts";
import { CARVED } from "./carved.ts";
import { DISC } from "./disc.ts";
import { DRAWER } from "./drawer.ts";
import { FRAME } from "./frame.ts";
import { LEG } from "./leg.ts";
import type { Panel, PanelId } from "./panel.ts";
import { PLAIN_PANEL } from "./plain.ts";
import { TOP } from "./top.ts";

const PANELS: Readonly<Record<PanelId, Panel>> = {
  carved: CARVED,
  drawer: DRAWER,
  plain: PLAIN_PANEL,
  top: TOP,
  disc: DISC,
  leg: LEG,
  frame: FRAME,
  box: BOX,
};

export const panelNamed = (id: PanelId): Panel => PANELS[id];
