import { materialsOf } from "../judge/judge.ts";
import type { Material } from "../materials/material.ts";
import type { Plan } from "../plan/plan.ts";
import type { Micrometres, Millilitres, Share, SquareMetres } from "../units/units.ts";
import { type CoatOnZone, coatsIn, type Drawn, sheetsFor, tinsOf, type Unit } from "./usage.ts";

/** One step on one zone, and what it takes of a material, in the material's unit. */
export interface Use {
  planId: string;
  zoneId: string;
  zone: string;
  stepId: string;
  /** the technique's name */
  how: string;
  coats: number;
  /** covered by one coat */
  area: SquareMetres;
  /** of a normal coat, where it covers */
  load: number;
  /** of what is laid, the part that comes from this tin; the rest is water and what else is in the mix */
  share: Share;
  /** square metres a litre as it is laid */
  spreads: number;
  /** of one coat, dry */
  film: Micrometres;
  /** what goes on the piece */
  amount: number;
  done: boolean;
  /** the phases it is made of */
  phases: readonly string[];
}

/** How much of a material is needed, in its unit, and how that is made up. */
export interface Need {
  material: Material;
  unit: Unit;
  /** all of it: on the piece, lost, left in the tools and put aside */
  amount: number;
  /** the same by the careful end of every spreading rate */
  careful: number;
  /** what is still to be done */
  open: number;
  /** goes on the piece */
  onPiece: number;
  /** overspray, wiped off, brushed out on a board; with leaf and tissue, offcuts */
  lost: number;
  /** stays in brush, roller and kettle, session by session */
  left: number;
  /** put aside to mend it later */
  touchUp: number;
  uses: Use[];
}

/** A jar of each colour is put aside for mending (common practice; the size is from memory). */
export const TOUCH_UP: Millilitres = 15;
const PUT_ASIDE: ReadonlySet<Material["role"]> = new Set(["paint", "tint-base", "glaze"]);

/** What a coat takes of one of its tins, in the tin's unit. */
function takenBy(coat: CoatOnZone, { material, unit, perMillilitre }: Drawn): { net: number; careful: number } {
  if (unit === "sheets") {
    const sheets = sheetsFor(coat, material);
    return { net: sheets, careful: sheets * (1 + coat.phase.technique.loss) };
  }
  return { net: coat.net * perMillilitre, careful: coat.careful * perMillilitre };
}

/** Coats that are laid in one session: what stays in the brush stays there once for all zones of a job. */
const sessionOf = ({ planId, phase: { step, coat, round } }: CoatOnZone): string =>
  `${planId} ${step.id} ${coat} ${round}`;

/** Coats of one step on one zone that are alike: those that are shown as one line. */
const lineOf = ({ planId, zone, phase: { step }, done }: CoatOnZone, material: Material) =>
  `${planId} ${zone.id} ${step.id} ${material.id} ${done}`;

class Gathering {
  readonly needs = new Map<string, Need>();
  private readonly uses = new Map<string, Use>();
  private readonly sessions = new Set<string>();
  private readonly aside = new Set<string>();

  constructor(private readonly keptBack: Millilitres) {}

  take(coat: CoatOnZone, tin: Drawn) {
    const { material, unit } = tin;
    const need = this.needOf(material, unit);
    const { loss } = coat.phase.technique;
    const { net, careful } = takenBy(coat, tin);
    const session = `${sessionOf(coat)} ${material.id}`;
    const first = !this.sessions.has(session);
    this.sessions.add(session);
    const left = first && unit !== "sheets" ? coat.phase.technique.residue * tin.perMillilitre : 0;
    need.onPiece += net;
    need.lost += net * loss;
    need.left += left;
    need.careful += careful * (1 + loss) + left;
    if (!coat.done) need.open += net * (1 + loss) + left;
    this.note(coat, tin, net);
    this.putAside(coat, tin, need);
  }

  private needOf(material: Material, unit: Unit): Need {
    const known = this.needs.get(material.id);
    if (known) return known;
    const need: Need = {
      material,
      unit,
      amount: 0,
      careful: 0,
      open: 0,
      onPiece: 0,
      lost: 0,
      left: 0,
      touchUp: 0,
      uses: [],
    };
    this.needs.set(material.id, need);
    return need;
  }

  private note(coat: CoatOnZone, { material, perMillilitre }: Drawn, net: number) {
    const key = lineOf(coat, material);
    const { phase, zone, planId, covered, film, done } = coat;
    const known = this.uses.get(key);
    if (known) {
      known.coats++;
      known.amount += net;
      known.phases = [...known.phases, phase.id];
      return;
    }
    const use: Use = {
      planId,
      zoneId: zone.id,
      zone: zone.name,
      stepId: phase.step.id,
      how: phase.technique.name,
      coats: 1,
      area: covered,
      load: phase.load,
      share: perMillilitre,
      spreads: phase.material!.spreadingRate.typical,
      film,
      amount: net,
      done,
      phases: [phase.id],
    };
    this.uses.set(key, use);
    this.needs.get(material.id)!.uses.push(use);
  }

  private putAside({ planId }: CoatOnZone, { material, unit, perMillilitre }: Drawn, need: Need) {
    const key = `${planId} ${material.id}`;
    if (this.aside.has(key) || unit === "sheets" || !PUT_ASIDE.has(material.role)) return;
    this.aside.add(key);
    const kept = this.keptBack * perMillilitre;
    need.touchUp += kept;
    need.careful += kept;
    need.open += kept;
  }

  /** Sheets are whole; what is left of a fraction is an offcut. */
  done(): Need[] {
    return [...this.needs.values()].map((need) => {
      const amount = need.onPiece + need.lost + need.left + need.touchUp;
      if (need.unit !== "sheets") return { ...need, amount };
      const whole = wholeSheets(amount);
      return {
        ...need,
        amount: whole,
        careful: wholeSheets(need.careful),
        open: wholeSheets(need.open),
        lost: whole - need.onPiece,
      };
    });
  }
}

const wholeSheets = (sheets: number) => Math.ceil(sheets - 1e-9);

/**
 * What the plans take of each material, in the order the materials are first used: from the coats as they are compiled for each
 * zone, what they really cover, how thick they go on, what is stirred together for them, what is lost and left in tools, and a
 * jar of each colour put aside.
 *
 * @param touchUp millilitres of each colour put aside, job by job
 */
export function needsOf(plans: readonly Plan[], touchUp: Millilitres = TOUCH_UP): Need[] {
  const gathering = new Gathering(touchUp);
  for (const plan of plans)
    for (const coat of coatsOf(plan))
      for (const tin of tinsOf(coat.phase, materialsOf(plan))) gathering.take(coat, tin);
  return gathering.done();
}

const known = new WeakMap<Plan, readonly CoatOnZone[]>();

/** The coats of a plan, worked out once for each version of it. */
export function coatsOf(plan: Plan): readonly CoatOnZone[] {
  let coats = known.get(plan);
  if (!coats) {
    coats = coatsIn(plan, materialsOf(plan));
    known.set(plan, coats);
  }
  return coats;
}
