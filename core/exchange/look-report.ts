import type { Site } from "../finishes/build.ts";
import { sampleSite } from "../finishes/sample.ts";
import { type WayOn, waysFromNow } from "../look/from-now.ts";
import { type Candidate, searchNow } from "../look/search.ts";
import { LookFile } from "../look/spec.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { sayIssue } from "../plan/fault-words.ts";
import { groundOf } from "../plan/ground.ts";
import { CARVED_RELIEF, findZone, MOULDED_RELIEF, PLAIN_RELIEF, type Plan, zonesOf } from "../plan/plan.ts";
import type { WallMinutes } from "../units/units.ts";
import { placeOf } from "./plan-file.ts";

/** Reads the text of a look file; a fault says where and what. */
export function readLookFile(text: string): { ok: true; file: LookFile } | { ok: false; says: string } {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return { ok: false, says: `the file is not valid JSON: it is damaged ${placeOf(error, text)}` };
  }
  const read = LookFile.safeParse(raw, { error: sayIssue });
  if (!read.success) {
    const { path, message } = read.error.issues[0]!;
    return { ok: false, says: path.length === 0 ? message : `at ${path.map(String).join(".")}: ${message}` };
  }
  const known = new Set(CATALOGUE.map(({ id }) => id));
  const unknown = read.data.shelf?.find((id) => !known.has(id));
  if (unknown !== undefined) return { ok: false, says: `at shelf: no material has the id "${unknown}"` };
  return { ok: true, file: read.data };
}

const RELIEFS = { plain: PLAIN_RELIEF, moulded: MOULDED_RELIEF, carved: CARVED_RELIEF } as const;

function siteOf({ ground, relief, width, height, use, houseRules, room, start }: LookFile): Site {
  const site = sampleSite("drawer", groundOf(ground.kind, ground.species), use);
  return {
    ...site,
    zone: { ...site.zone, relief: RELIEFS[relief], shape: { kind: "panel", width, height, count: 1 } },
    pinned: {
      ...site.pinned,
      room: room ?? site.pinned.room,
      houseRules: { ...site.pinned.houseRules, ...houseRules },
    },
    start: start ?? site.start,
  };
}

const rounded = (value: number, decimals = 1) => Math.round(value * 10 ** decimals) / 10 ** decimals;

const seenIn = (seen: Candidate["seen"]) =>
  Object.fromEntries(
    seen.map(({ place, wanted, mean, apart }) => [place, { wanted, predicted: mean, deltaE00: rounded(apart) }]),
  );

function candidateIn(candidate: Candidate) {
  return {
    deltaE00: rounded(candidate.apart),
    places: seenIn(candidate.seen),
    days: rounded(candidate.days),
    handsOnMinutes: candidate.handsOn,
    practice: candidate.practice,
    buy: candidate.buy,
    repairs: candidate.repairs.map(({ label, because }) => ({ label, because })),
    cautions: candidate.judged.findings.filter(({ severity }) => severity === "caution").map(({ title }) => title),
    steps: candidate.crust.steps.map((step) => ({
      ...step,
      why: candidate.reasons.get(step.id)!.why,
    })),
  };
}

/** Stacks that give the look of a file, the best first; `good` where one keeps to everything that was asked. */
export function lookReport(file: LookFile): { report: object; good: boolean } {
  const shelf = file.shelf ? new Set(file.shelf) : undefined;
  const { candidates, says, nearest, tried } = searchNow(siteOf(file), file, shelf ? { shelf } : {});
  return {
    report: { says, tried, candidates: candidates.map(candidateIn), nearest: nearest && candidateIn(nearest) },
    good: candidates.length > 0,
  };
}

const wayIn = ({ id, label, says, apart, seen, colours, days, handsOn, cautions, commands }: WayOn) => ({
  id,
  label,
  says,
  deltaE00: rounded(apart),
  places: seenIn(seen),
  colours,
  daysMore: rounded(days),
  handsOnMinutesMore: handsOn,
  cautions,
  commands,
});

/** Ways on for a zone of a plan from where it stands; a sentence where the zone is not in it. */
export function fromNowReport(
  plan: Plan,
  zoneId: string | null,
  now: WallMinutes,
): { report: object; good: boolean } | string {
  const zone = zoneId === null ? zonesOf(plan)[0] : findZone(plan, zoneId);
  if (!zone) return zoneId === null ? "the plan has no zone" : `no zone of this plan has the id "${zoneId}"`;
  const ways = waysFromNow(plan, { zoneId: zone.id, now });
  return { report: { zone: zone.id, ways: ways.map(wayIn) }, good: ways.length > 0 };
}
