import { CARVED } from "./carved.ts";
import { DRAWER } from "./drawer.ts";
import type { Panel, PanelId } from "./panel.ts";
import { PLAIN_PANEL } from "./plain.ts";

export const PANELS: readonly Panel[] = [CARVED, DRAWER, PLAIN_PANEL];

export const panelNamed = (id: PanelId): Panel => PANELS.find((panel) => panel.id === id)!;
