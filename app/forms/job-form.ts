import { z } from "zod";
import { checkPlan, sayFault } from "#core/exchange/plan-file";
import { GROUND_KINDS, groundOf, SPECIES } from "#core/plan/ground";
import { DEFAULT_HOURS, type Hours } from "#core/plan/hours";
import { DEFAULT_HOUSE_RULES } from "#core/plan/house-rules";
import { PIECE_KITS, zonesFromKit } from "#core/plan/kits";
import { Id, PLAN_VERSION, type Plan, type Use, WEAR, type Zone } from "#core/plan/plan";
import { REFERENCE_ROOM } from "#core/plan/room";
import { WallTime, YEARS_SAY } from "#core/plan/time";
import { plainLine, plainName } from "#core/units/plain-text";
import { readWallTime } from "#core/units/wall-time";
import { type Faults, type FormFields, faultsFrom } from "./fields";
import { readZoneFields } from "./zone-form";

const JobFields = z.object({
  title: z.string().trim().min(1, "Give the job a name.").pipe(plainName(80)),
  client: plainLine(120).default(""),
  start: z.string().min(1, "Say when you can begin.").pipe(WallTime),
  due: z
    .string()
    .refine((text) => text === "" || readWallTime(text) !== null, "Write a date and time, or leave it empty.")
    .refine((text) => readWallTime(text) === null || WallTime.safeParse(text).success, YEARS_SAY)
    .default(""),
});

/** Title, client and dates, for a new job and for the job's own form. */
export function readJobFields(
  fields: FormFields,
): { ok: true; job: { title: string; client?: string; start: string; due?: string } } | { ok: false; faults: Faults } {
  const parsed = JobFields.safeParse(fields);
  if (!parsed.success) return { ok: false, faults: faultsFrom(parsed.error) };
  const { title, client, start, due } = parsed.data;
  if (due !== "" && due <= start)
    return { ok: false, faults: { due: "The due date is before the start. Make it later, or begin the job earlier." } };
  return { ok: true, job: { title, start, ...(client ? { client } : {}), ...(due ? { due } : {}) } };
}

/** What is known of a piece that is one of the ready ones: which, its measures, what is on it and how it is used. */
const ReadyPiece = z.object({
  kit: z.string().default(""),
  groundKind: z.enum(GROUND_KINDS, "Choose what is there now."),
  species: z.enum(SPECIES).default("unknown"),
  wear: z.enum(WEAR, "Choose how hard a life it leads."),
  water: z.enum(["dry", "splashes", "standing"], "Choose how wet it gets."),
  heat: z.string().optional(),
});

const MOST_LONG = 20_000;

/** A new plan for a standard piece: an idea with all its zones, on one empty crust. Measures that are left empty are the usual ones. */
export function readReadyPiece(
  fields: FormFields,
  hours: Hours = DEFAULT_HOURS,
): { ok: true; plan: Plan } | { ok: false; faults: Faults } {
  const kit = PIECE_KITS.find(({ id: known }) => known === fields.kit);
  const typed = ReadyPiece.safeParse(fields);
  const title = (fields.title ?? "").trim() || (kit?.name ?? "");
  const job = readJobFields({ ...fields, title });
  const faults: Faults = { ...(job.ok ? {} : job.faults), ...(typed.success ? {} : faultsFrom(typed.error)) };
  if (!kit) faults.kit = "Choose a piece, or give your own measures.";
  const sizes = (kit?.sizes ?? []).map(({ key, label, usual }) => {
    const text = (fields[key] ?? "").trim();
    const size = text === "" ? usual : Number(text);
    if (!(size > 0 && size <= MOST_LONG)) faults[key] = `${label}: in millimetres, up to ${MOST_LONG}.`;
    return size;
  });
  const id = Id.safeParse(fields.id);
  if (!id.success) faults[""] = "The form arrived incomplete. Reload the page and try again.";
  if (!kit || !typed.success || !job.ok || !id.success || Object.keys(faults).length > 0) return { ok: false, faults };
  const { groundKind, species, wear, water, heat } = typed.data;
  const use: Use = { wear, water, heat: heat === "on", outdoors: false, near: "nothing" };
  let made = 0;
  const zones = zonesFromKit(kit, sizes, {
    crustId: "crust-1",
    ground: groundOf(groundKind, species),
    newId: () => `zone-${++made}`,
  }).map((zone) => ({ ...zone, use }));
  return ideaOf(id.data, job.job, hours, { crust: "Empty", piece: kit.name, zones });
}

/** An idea with one piece whose zones share an empty crust. */
function ideaOf(
  id: string,
  job: { title: string; client?: string; start: string; due?: string },
  hours: Hours,
  { crust, piece, zones }: { crust: string; piece: string; zones: readonly Zone[] },
): { ok: true; plan: Plan } | { ok: false; faults: Faults } {
  const checked = checkPlan({
    format: "jolly-crust",
    version: PLAN_VERSION,
    id,
    ...job,
    state: "idea",
    hoursFrom: "shop",
    pinned: { room: REFERENCE_ROOM, hours, houseRules: DEFAULT_HOUSE_RULES, materials: [] },
    acknowledged: [],
    palette: [],
    pins: [],
    crusts: [{ id: "crust-1", name: crust, steps: [] }],
    pieces: [{ id: "piece-1", name: piece, zones }],
  });
  return checked.ok ? checked : { ok: false, faults: { "": sayFault(checked.faults[0]!) } };
}

/** A new plan from the one-page form: an idea, with a piece, its first zone and an empty crust. `hours` are the shop's. */
export function readNewJob(
  fields: FormFields,
  hours: Hours = DEFAULT_HOURS,
): { ok: true; plan: Plan } | { ok: false; faults: Faults } {
  const job = readJobFields(fields);
  const zone = readZoneFields(fields);
  const piece = (fields.piece ?? "").trim();
  const id = Id.safeParse(fields.id);
  const faults: Faults = { ...(job.ok ? {} : job.faults), ...(zone.ok ? {} : zone.faults) };
  if (piece === "" || piece.length > 80) faults.piece = "Give the piece a name of up to 80 characters.";
  if (!id.success) faults[""] = "The form arrived incomplete. Reload the page and try again.";
  if (!job.ok || !zone.ok || !id.success || Object.keys(faults).length > 0) return { ok: false, faults };
  return ideaOf(id.data, job.job, hours, {
    crust: `${zone.zone.name} finish`.slice(0, 80),
    piece,
    zones: [{ ...zone.zone, id: "zone-1", crustId: "crust-1" }],
  });
}
