import type { FrontPlace } from "./front.ts";
import { type Ground, groundOf } from "./ground.ts";
import { CARVED_RELIEF, MOULDED_RELIEF, PLAIN_RELIEF, type Relief, type Zone } from "./plan.ts";

// Standard pieces: zones with sizes, relief and their place on the front elevation, worked out from a few
// measurements.

export interface PieceKit {
  id: string;
  name: string;
  sizes: readonly { key: string; label: string; usual: number }[];
  zones(sizes: readonly number[]): readonly KitZone[];
}

interface KitZone {
  name: string;
  shape: Zone["shape"];
  place: FrontPlace;
  relief?: Relief;
  carving?: number;
  orientation?: Zone["orientation"];
  movingParts?: boolean;
  metal?: boolean;
}

const W = { key: "kitWidth", label: "Width" };
const H = { key: "kitHeight", label: "Height" };
const D = { key: "kitDepth", label: "Depth" };

const at = (drawn: FrontPlace["drawn"], x: number, y: number, width: number, height: number): FrontPlace => ({
  x: Math.round(x),
  y: Math.round(y),
  width: Math.max(1, Math.round(width)),
  height: Math.max(1, Math.round(height)),
  drawn,
});
const panel = (width: number, height: number, count = 1): Zone["shape"] => ({ kind: "panel", width, height, count });

/** The standard pieces, each from measurements taken with a tape. */
export const PIECE_KITS: readonly PieceKit[] = [
  {
    id: "chest",
    name: "Chest of drawers",
    sizes: [
      { ...W, usual: 1000 },
      { ...H, usual: 850 },
      { ...D, usual: 480 },
    ],
    zones: ([w, h, d]) => [
      {
        name: "Carcass",
        shape: { kind: "box", width: w!, height: h! - 30, depth: d!, count: 1 },
        place: at("panel", 0, 0, w!, h! - 30),
      },
      { name: "Top", shape: panel(w! + 40, d! + 20), place: at("top", -20, h! - 30, w! + 40, 30), orientation: "flat" },
      {
        name: "Drawer fronts",
        shape: panel(w! - 60, (h! - 130) / 4, 4),
        place: at("drawer", 30, 90, w! - 60, h! - 140),
        relief: MOULDED_RELIEF,
        carving: 1.1,
      },
      {
        name: "Plinth",
        shape: panel(w!, 80),
        place: at("moulded", 0, 0, w!, 80),
        relief: MOULDED_RELIEF,
        carving: 1.1,
      },
      { name: "Knobs", shape: { kind: "disc", diameter: 40, count: 8 }, place: at("knob", 0, 0, 40, 40), metal: true },
    ],
  },
  {
    id: "cabinet",
    name: "Cabinet",
    sizes: [
      { ...W, usual: 900 },
      { ...H, usual: 1600 },
      { ...D, usual: 420 },
    ],
    zones: ([w, h, d]) => [
      {
        name: "Carcass",
        shape: { kind: "box", width: w!, height: h!, depth: d!, count: 1 },
        place: at("panel", 0, 0, w!, h!),
      },
      {
        name: "Door frames",
        shape: { kind: "frame", width: (w! - 60) / 2, height: h! - 200, member: 70, count: 2 },
        place: at("frame", 30, 90, w! - 60, h! - 200),
        relief: MOULDED_RELIEF,
        carving: 1.1,
      },
      {
        name: "Door panels",
        shape: panel((w! - 60) / 2 - 140, h! - 340, 2),
        place: at("moulded", 100, 160, w! - 200, h! - 340),
        relief: MOULDED_RELIEF,
        carving: 1.1,
      },
      {
        name: "Cornice",
        shape: panel(w! + 80, 90),
        place: at("moulded", -40, h! - 60, w! + 80, 90),
        relief: MOULDED_RELIEF,
        carving: 1.2,
      },
    ],
  },
  {
    id: "table",
    name: "Table",
    sizes: [
      { ...W, usual: 1400 },
      { ...H, usual: 760 },
      { ...D, usual: 800 },
    ],
    zones: ([w, h, d]) => [
      { name: "Top", shape: panel(w!, d!), place: at("top", 0, h! - 30, w!, 30), orientation: "flat" },
      {
        name: "Apron",
        shape: { kind: "panel", width: 2 * (w! + d!) - 400, height: 100, count: 1 },
        place: at("panel", 80, h! - 130, w! - 160, 100),
      },
      {
        name: "Legs",
        shape: { kind: "leg", diameter: 80, length: h! - 30, count: 4 },
        place: at("leg", 60, 0, w! - 120, h! - 130),
        relief: MOULDED_RELIEF,
      },
    ],
  },
  {
    id: "settle",
    name: "Settle",
    sizes: [
      { ...W, usual: 1400 },
      { ...H, usual: 1100 },
      { ...D, usual: 480 },
    ],
    zones: ([w, h, d]) => [
      {
        name: "Frame and rails",
        shape: { kind: "frame", width: w!, height: h!, member: 100, count: 1 },
        place: at("frame", 0, 0, w!, h!),
        relief: MOULDED_RELIEF,
        carving: 1.1,
      },
      {
        name: "Back panel",
        shape: panel(w! - 200, h! - 560),
        place: at("carved", 100, 500, w! - 200, h! - 600),
        relief: CARVED_RELIEF,
        carving: 1.3,
      },
      { name: "Seat", shape: panel(w! - 120, d! - 40), place: at("top", 60, 440, w! - 120, 36), orientation: "flat" },
      {
        name: "Front panel",
        shape: panel(w! - 200, 300),
        place: at("moulded", 100, 110, w! - 200, 300),
        relief: MOULDED_RELIEF,
        carving: 1.1,
      },
    ],
  },
  {
    id: "frame",
    name: "Frame",
    sizes: [
      { ...W, usual: 800 },
      { ...H, usual: 1000 },
      { key: "kitDepth", label: "Rail width", usual: 110 },
    ],
    zones: ([w, h, m]) => [
      {
        name: "Frame",
        shape: { kind: "frame", width: w!, height: h!, member: m!, count: 1 },
        place: at("frame", 0, 0, w!, h!),
        relief: CARVED_RELIEF,
        carving: 1.3,
      },
    ],
  },
  {
    id: "box",
    name: "Box",
    sizes: [
      { ...W, usual: 700 },
      { ...H, usual: 420 },
      { ...D, usual: 400 },
    ],
    zones: ([w, h, d]) => [
      {
        name: "Box",
        shape: { kind: "box", width: w!, height: h!, depth: d!, count: 1 },
        place: at("panel", 0, 0, w!, h! - 40),
      },
      { name: "Lid", shape: panel(w! + 20, d! + 20), place: at("top", -10, h! - 40, w! + 20, 40), orientation: "flat" },
    ],
  },
  {
    id: "chair",
    name: "Chair",
    sizes: [
      { ...W, usual: 440 },
      { ...H, usual: 920 },
      { ...D, usual: 420 },
    ],
    zones: ([w, h, d]) => [
      { name: "Seat", shape: panel(w!, d!), place: at("top", 0, 430, w!, 30), orientation: "flat" },
      {
        name: "Back",
        shape: { kind: "frame", width: w! - 40, height: h! - 460, member: 55, count: 1 },
        place: at("frame", 20, 460, w! - 40, h! - 460),
        relief: MOULDED_RELIEF,
        carving: 1.2,
      },
      {
        name: "Legs",
        shape: { kind: "leg", diameter: 38, length: 430, count: 4 },
        place: at("leg", 10, 0, w! - 20, 430),
        relief: MOULDED_RELIEF,
      },
    ],
  },
  {
    id: "tray",
    name: "Tray",
    sizes: [
      { ...W, usual: 500 },
      { key: "kitDepth", label: "Depth", usual: 340 },
    ],
    zones: ([w, d]) => [
      {
        name: "Bottom",
        shape: panel(w! - 30, d! - 30),
        place: at("panel", 15, 15, w! - 30, d! - 30),
        orientation: "flat",
      },
      {
        name: "Rim",
        shape: { kind: "frame", width: w!, height: d!, member: 15, count: 1 },
        place: at("frame", 0, 0, w!, d!),
        relief: MOULDED_RELIEF,
        carving: 2,
      },
    ],
  },
];

/** Whole millimetres, and at least one of them, however small the piece is made. */
function measurable(shape: Zone["shape"]): Zone["shape"] {
  const whole = (value: number) => Math.max(1, Math.round(value));
  switch (shape.kind) {
    case "panel":
      return { ...shape, width: whole(shape.width), height: whole(shape.height) };
    case "frame":
      return { ...shape, width: whole(shape.width), height: whole(shape.height), member: whole(shape.member) };
    case "box":
      return { ...shape, width: whole(shape.width), height: whole(shape.height), depth: whole(shape.depth) };
    case "disc":
      return { ...shape, diameter: whole(shape.diameter) };
    case "leg":
      return { ...shape, diameter: whole(shape.diameter), length: whole(shape.length) };
  }
}

/**
 * The zones of a standard piece at these measurements, in millimetres, on one crust; hardware is metal, the rest as
 * given.
 */
export function zonesFromKit(
  kit: PieceKit,
  sizes: readonly number[],
  on: { crustId: string; ground?: Ground; newId: () => string },
): Zone[] {
  return kit.zones(sizes).map((made) => ({
    id: on.newId(),
    name: made.name,
    shape: measurable(made.shape),
    carving: made.carving ?? 1,
    faces: 1,
    relief: made.relief ?? PLAIN_RELIEF,
    orientation: made.orientation ?? "upright",
    use: { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing" },
    ground: made.metal ? groundOf("brass") : (on.ground ?? groundOf("raw timber", "pine")),
    crustId: on.crustId,
    overrides: [],
    hands: [],
    movingParts: made.movingParts ?? false,
    place: made.place,
  }));
}
