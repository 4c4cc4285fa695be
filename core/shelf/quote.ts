import { judge } from "../judge/judge.ts";
import { findCrust, type Plan, type Zone, zoneArea, zonesOf } from "../plan/plan.ts";
import type { JobPlan } from "../schedule/plan-of-work.ts";
import { DAY, type SquareMetres, type WallMinutes } from "../units/units.ts";
import type { ShelfBook } from "./book.ts";
import { type Care, careFor } from "./care.ts";
import { type Cost, costOfJob, saidPrice } from "./cost.ts";

/** What a zone gets, as a client reads it. */
export interface QuotedZone {
  zoneId: string;
  name: string;
  area: SquareMetres;
  /** the name of its crust */
  finish: string;
  /** what is seen in the end, and what it is sealed with */
  layers: string[];
}

/** A quote: what it says to the client, and beneath it what the shop knows. */
export interface Quote {
  title: string;
  client: string | null;
  made: WallMinutes;
  validUntil: WallMinutes;
  zones: QuotedZone[];
  /** zones whose boards show the look: for each crust, the largest of its zones */
  shownBy: string[];
  begins: WallMinutes | null;
  leaves: WallMinutes | null;
  lightUse: WallMinutes | null;
  fullUse: WallMinutes | null;
  care: Care[];
  /** what is said, in whole steps */
  price: { from: number; to: number };
  taxed: boolean;
  terms: string;
  cost: Cost;
}

const MOST_BOARDS = 4;

/** The colours that are laid on a zone, in words, and what seals them. */
function layersOf(plan: Plan, crustId: string): string[] {
  const names = new Map(plan.pinned.materials.map((material) => [material.id, material]));
  const seen = new Set<string>();
  const listed: string[] = [];
  for (const { what, branch } of findCrust(plan, crustId)?.steps ?? []) {
    const material = what === undefined || branch !== undefined ? undefined : names.get(what);
    if (!material || seen.has(material.id)) continue;
    seen.add(material.id);
    if (material.role !== "primer") listed.push(material.name);
  }
  return listed;
}

export interface QuoteQuestion {
  plan: Plan;
  book: ShelfBook;
  /** its part of the plan of work, or how it would fit in */
  job: Pick<JobPlan, "bookings" | "dates">;
  today: WallMinutes;
}

/** The quote of a job: what it is, how it will look, when it is ready, how to look after it, and what it costs. */
export function quoteOf({ plan, book, job, today }: QuoteQuestion): Quote {
  const cost = costOfJob(plan, book, job.bookings);
  const zones = zonesOf(plan);
  const largest = new Map<string, Zone>();
  for (const zone of zones) {
    const before = largest.get(zone.crustId);
    if (!before || zoneArea(zone) > zoneArea(before)) largest.set(zone.crustId, zone);
  }
  return {
    title: plan.title,
    client: plan.client ?? null,
    made: today,
    validUntil: today + book.costing.validDays * DAY,
    zones: zones.map((zone) => ({
      zoneId: zone.id,
      name: zone.name,
      area: zoneArea(zone),
      finish: findCrust(plan, zone.crustId)?.name ?? "",
      layers: layersOf(plan, zone.crustId),
    })),
    shownBy: [...largest.values()].slice(0, MOST_BOARDS).map(({ id }) => id),
    begins: job.bookings[0]?.starts ?? null,
    leaves: job.dates?.leaves ?? null,
    lightUse: job.dates?.lightUse ?? null,
    fullUse: job.dates?.fullUse ?? null,
    care: careFor(plan, judge(plan)),
    price: saidPrice(cost.sums.price),
    taxed: book.costing.tax > 0,
    terms: book.costing.terms,
    cost,
  };
}
