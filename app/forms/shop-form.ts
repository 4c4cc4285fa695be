import { MOST_PAINTERS } from "#core/plan/hours";
import { hoursOfShop, type Painter, painterAt, Shop, SKILLS } from "#core/plan/shop";
import { type Faults, type FormFields, sentence } from "./fields";
import { readHoursFields, sayExceptions, sayHours, WEEKDAYS } from "./hours-form";

// The shop's settings as one form: its hours, then each painter under a prefix of her own.

export const prefixOf = (at: number) => `painter-${at}-`;

/** Fields of a painter, without their prefix. */
function fieldsOf(fields: FormFields, prefix: string): FormFields {
  const own: FormFields = {};
  for (const [name, value] of Object.entries(fields))
    if (name.startsWith(prefix)) own[name.slice(prefix.length)] = value;
  return own;
}

function readPainter(fields: FormFields, before: Painter): { painter: Painter; faults: Faults } {
  const faults: Faults = {};
  const name = (fields.name ?? before.name).trim();
  if (name === "" || name.length > 40) faults.name = "Give the painter a name of up to 40 characters.";
  const hasOwn = WEEKDAYS.some((day) => (fields[day] ?? "").trim() !== "");
  const read = readHoursFields({
    ...Object.fromEntries(WEEKDAYS.map((day) => [day, fields[day] ?? ""])),
    ...(hasOwn ? {} : { Monday: "9:00–10:00" }),
    exceptions: fields.exceptions ?? sayExceptions(before.exceptions),
  });
  if (!read.ok) Object.assign(faults, read.faults);
  const painter: Painter = {
    id: before.id,
    name,
    exceptions: read.ok ? read.hours.exceptions : before.exceptions,
    cannot: SKILLS.filter((skill) => fields[`cannot-${skill}`] !== undefined),
    ...(hasOwn && read.ok ? { weekdays: read.hours.weekdays } : {}),
  };
  return { painter, faults };
}

export type ReadShop = { ok: true; shop: Shop; label: string } | { ok: false; faults: Faults };

/** An id that no painter has. */
function freeId(painters: readonly Painter[]): Painter {
  for (let at = painters.length; ; at++) {
    const one = painterAt(at);
    if (!painters.some(({ id }) => id === one.id)) return { ...one, name: painterAt(painters.length).name };
  }
}

/** Reads the settings of the shop from its form; what a form leaves out stays as it is. */
export function readShopFields(fields: FormFields, before: Shop): ReadShop {
  const faults: Faults = {};
  const hours = readHoursFields(fields, hoursOfShop(before));
  if (!hours.ok) Object.assign(faults, hours.faults);
  let painters = before.painters.map((painter, index) => {
    const own = fieldsOf(fields, prefixOf(index));
    if (Object.keys(own).length === 0) return painter;
    const read = readPainter(own, painter);
    for (const [name, says] of Object.entries(read.faults)) faults[`${prefixOf(index)}${name}`] = says;
    return read.painter;
  });
  const leaves = Number(fields.without ?? "-1");
  if (fields.way === "add painter") {
    if (painters.length >= MOST_PAINTERS) faults[""] = `A shop has ${MOST_PAINTERS} painters at most.`;
    else painters = [...painters, freeId(painters)];
  } else if (leaves >= 0) {
    if (painters.length < 2) faults[""] = "A shop needs at least one painter. Add another first.";
    else painters = painters.filter((_, index) => index !== leaves);
  }
  if (!hours.ok || Object.keys(faults).length > 0) return { ok: false, faults };
  const from = fields.from === undefined ? before.from : fields.from.trim() || undefined;
  const { painters: _, ...shopHours } = hours.hours;
  const read = Shop.safeParse({ hours: shopHours, painters, ...(from === undefined ? {} : { from }) });
  if (!read.success) {
    for (const { path, message } of read.error.issues) faults[String(path[0] ?? "")] ??= sentence(message);
    return { ok: false, faults };
  }
  return { ok: true, shop: read.data, label: labelOf(before, read.data) };
}

/** What was changed, as the plan of work will say it. */
function labelOf(before: Shop, after: Shop): string {
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  if (after.painters.length > before.painters.length) return "One more painter";
  const gone = before.painters.find(({ id }) => !after.painters.some((painter) => painter.id === id));
  if (gone) return `${gone.name} removed`;
  const other = after.painters.find((painter, index) => !same(painter, before.painters[index]));
  if (other) return `Change ${other.name}`;
  if (!same(before.hours.exceptions, after.hours.exceptions)) return "Change the days off";
  if (before.hours.dryingPlaces !== after.hours.dryingPlaces) return "Change the drying places";
  if (before.from !== after.from) return "Schedule from another day";
  return "Change the shop's hours";
}

/** A painter's own hours as the form shows them; empty where she keeps the shop's. */
export const sayOwnHours = ({ weekdays }: Painter, day: number) => (weekdays ? sayHours(weekdays[day]!) : "");
