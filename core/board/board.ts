import { LRUCache } from "lru-cache";
import { Climate } from "../drying/climate.ts";
import { filmGloss } from "../surface/film.ts";
import { type GroundState, groundAfter, untouched } from "../surface/ground-state.ts";
import { lawOf } from "../surface/laws/laws.ts";
import { mistedAfter } from "../surface/laws/misting.ts";
import { PLACE_SHARE, sizesOf } from "../surface/places.ts";
import type { Instant } from "../units/units.ts";
import { type BoardWork, inCommon, USUAL_VIEW, type View } from "./board-work.ts";
import { type LaidFilms, laidGround, type Skin, seen } from "./composite.ts";
import { type Field, type Grid, gridOf } from "./grid.ts";
import { type GroundFace, groundFace } from "./ground-face.ts";
import type { WorkedBoard } from "./hands/hand.ts";
import { reckon } from "./kernels.ts";
import { lay } from "./lay.ts";
import { type Layer, type Layers, letDownBy, topAt, totalOf } from "./layers.ts";
import { lit, shownHeight } from "./lighting.ts";
import type { PanelId } from "./panels/panel.ts";
import { panelNamed } from "./panels/panels.ts";
import { seedOf } from "./random.ts";
import { type PanelRelief, reliefOf } from "./relief.ts";
import { take } from "./take.ts";

/** A board at one step: its films, its ground as preparing has left it, and when it was last misted. */
export interface BoardState {
  layers: Layers;
  ground: GroundState;
  misted: Instant | null;
}

const reliefs = new LRUCache<string, PanelRelief>({ max: 6 });

/** A panel at a size, made once. */
export function reliefAt(panel: PanelId, width: number): PanelRelief {
  const key = `${panel} ${width}`;
  const relief = reliefs.get(key) ?? reliefOf(panelNamed(panel), gridOf(width));
  reliefs.set(key, relief);
  return relief;
}

/** The first films of a stack as they lie over the ground, so that a change above them need not begin there. */
interface Kept {
  layers: Layers;
  laid: LaidFilms;
}

/** What builds a face up so thick that its own peaks and dips take over from the carving's. */
const BUILDS_UP: ReadonlySet<string> = new Set(["paste", "crumb"]);

/** What a phase may do to the ground itself. */
const PREPARES = ["clean", "key", "degloss", "knock back", "strip"] as const;

const sameFilm = (a: Layer | undefined, b: Layer | undefined) =>
  a !== undefined &&
  b !== undefined &&
  a.thickness === b.thickness &&
  a.cover === b.cover &&
  a.optics === b.optics &&
  filmGloss(a.film) === filmGloss(b.film);

/**
 * A sample board that is painted step by step. The same work, panel and seed give the same picture at every size, and
 * every step's films are kept until the board is dropped.
 */
export class Board {
  readonly relief: PanelRelief;
  readonly grid: Grid;
  private readonly states: BoardState[];
  private readonly climate: Climate;
  private face: { stripped: boolean; face: GroundFace } | null = null;
  private kept: Kept[] = [];
  private lastSkin: { key: string; layers: Layers; skin: Skin; height: Field } | null = null;

  constructor(
    readonly work: BoardWork,
    /** pixels across of its sample panel, or another face it is laid on */
    on: number | PanelRelief,
  ) {
    this.relief = typeof on === "number" ? reliefAt(work.panel, on) : on;
    this.grid = this.relief.grid;
    this.climate = new Climate(work.air.course, work.air.zero);
    this.states = [{ layers: [], ground: untouched(work.ground), misted: null }];
  }

  /** Takes over what a board of earlier work has in common with this one: the first phases, as long as they are the same. */
  takeOver(other: Board) {
    if (other.relief !== this.relief) return;
    const same = inCommon(other.work, this.work);
    if (same < 0) return;
    for (let count = 1; count <= Math.min(same, other.states.length - 1); count++)
      this.states[count] = other.states[count]!;
    this.face = other.face;
    this.kept = other.kept;
  }

  /** The board when so many phases are done. */
  after(count: number): BoardState {
    const wanted = Math.min(count, this.work.phases.length);
    while (this.states.length <= wanted) {
      const index = this.states.length - 1;
      this.states.push(this.worked(this.states[index]!, index));
    }
    return this.states[wanted]!;
  }

  private worked({ layers, ground, misted }: BoardState, index: number): BoardState {
    const { phase, starts } = this.work.phases[index]!;
    let now = layers;
    for (const effect of phase.effects) {
      const bench: WorkedBoard = {
        relief: this.relief,
        grid: this.grid,
        seed: seedOf(`${this.work.seed} ${phase.id} ${effect.does}`),
        boardSeed: this.work.seed,
        sizes: this.work.places ? sizesOf(this.work.places) : PLACE_SHARE,
        outlines: this.work.places?.outlines ?? {},
        builtUp: now.some(({ film }) => BUILDS_UP.has(film.material.role)),
        letDown: letDownBy(phase),
        climate: this.climate,
        total: () => this.standing(now),
      };
      const meeting = { phase, at: starts, misted, ground };
      const law = lawOf(effect);
      now = law.way === "lays" ? lay(effect, law, meeting, now, bench) : take(effect, meeting, now, bench);
    }
    const reaches =
      PREPARES.some((does) => phase.does.has(does)) && (phase.does.has("strip") || this.isBareSomewhere(now));
    return {
      layers: now,
      ground: reaches ? groundAfter(ground, phase) : ground,
      misted: mistedAfter(misted, phase, starts),
    };
  }

  private isBareSomewhere(layers: Layers): boolean {
    return this.relief.sample.some((at) => topAt(layers, at) === -1);
  }

  /** Films and grain together, as a fluid meets them. */
  private standing(layers: Layers): Field {
    return reckon(this.grid).plus(1, totalOf(layers, this.grid)).plus(1, this.groundFace(false).marks).field();
  }

  private groundFace(stripped: boolean): GroundFace {
    if (this.face?.stripped !== stripped)
      this.face = { stripped, face: groundFace(this.work.ground, stripped, this.relief, this.work.seed) };
    return this.face.face;
  }

  /** What was kept that lies under these films, as high up as there is. */
  private keptUnder(layers: Layers, face: GroundFace): Kept {
    let found: Kept | null = null;
    for (const kept of this.kept) {
      const fits =
        kept.layers.length <= layers.length && kept.layers.every((layer, index) => sameFilm(layer, layers[index]));
      if (fits && (found === null || kept.layers.length > found.layers.length)) found = kept;
    }
    return found ?? { layers: [], laid: laidGround(face) };
  }

  private seen(layers: Layers, face: GroundFace, light: View["light"], wet: Layer | null): Skin {
    const under = this.keptUnder(layers, face);
    const from = under.layers.length;
    const { skin, beneath } = seen({ under: under.laid, from, layers, light, wet });
    this.kept = beneath === under.laid ? [under] : [under, { layers: layers.slice(0, -1), laid: beneath }];
    return skin;
  }

  /** The skin after so many phases, before light falls on it, and how high everything stands, in millimetres as shown. */
  skin(count: number, { light, wet }: View): { skin: Skin; height: Field } {
    const { layers, ground } = this.after(count);
    const key = `${count} ${light} ${wet}`;
    if (this.lastSkin?.key === key && this.lastSkin.layers === layers) return this.lastSkin;
    const face = this.groundFace(ground.stripped);
    const laid = this.work.phases[count - 1]?.phase.material ? (layers.at(-1) ?? null) : null;
    const skin = this.seen(layers, face, light, wet ? laid : null);
    const height = shownHeight(this.relief, totalOf(layers, this.grid), face.marks);
    this.lastSkin = { key, layers, skin, height };
    return this.lastSkin;
  }

  /** The picture after so many phases: red, green, blue and opacity of every pixel. */
  picture(count: number, view: View = USUAL_VIEW): Uint8ClampedArray<ArrayBuffer> {
    const { skin, height } = this.skin(count, view);
    return lit(skin, height, this.relief, view.lighting);
  }

  /** Colour at a place, as light without shape or sheen, 0 to 1 of width and height; the mean of what lies within a few pixels. */
  colourAt(count: number, x: number, y: number, view: View = USUAL_VIEW): [number, number, number] {
    const { skin } = this.skin(count, view);
    const { width, height } = this.grid;
    const column = Math.min(width - 1, Math.max(0, Math.floor(x * width)));
    const row = Math.min(height - 1, Math.max(0, Math.floor(y * height)));
    const sum: [number, number, number] = [0, 0, 0];
    let found = 0;
    for (let r = Math.max(0, row - 2); r <= Math.min(height - 1, row + 2); r++)
      for (let c = Math.max(0, column - 2); c <= Math.min(width - 1, column + 2); c++) {
        const at = r * width + c;
        sum[0] += skin.red[at]!;
        sum[1] += skin.green[at]!;
        sum[2] += skin.blue[at]!;
        found++;
      }
    return [sum[0] / found, sum[1] / found, sum[2] / found];
  }
}
