import { CATALOGUE } from "#core/materials/catalogue";
import { DensityFigure, Material } from "#core/materials/material";
import { densityOf, sheetOf } from "#core/materials/measures";
import { nonsenseIn } from "#core/materials/sense";
import { materialsIn } from "#core/plan/mix";
import { Pin, zonesOf } from "#core/plan/plan";
import { Room } from "#core/plan/room";
import { readDuration } from "#core/units/duration";
import { readWallTime } from "#core/units/wall-time";
import { sayMoment } from "#core/units/when";
import { readAirCsv, sayAirCsv } from "../air-csv";
import { type Faults, type FormFields, sentence } from "../fields";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

// The room, the cautions the painter has accepted, and her own figures for a material.

const decimal = (text: string | undefined) => Number((text ?? "").trim().replace(",", "."));

/** How the air changes over the day, from the form's fields; each fault goes to its field. */
function courseOf(fields: FormFields, before: Room): { course?: Room["course"] } | { fault: [string, string] } {
  switch (fields.course ?? before.course?.kind ?? "steady") {
    case "day and night": {
      const night = before.course?.kind === "day and night" ? before.course.night : undefined;
      const celsius = fields.nightCelsius === undefined ? night?.celsius : decimal(fields.nightCelsius);
      const relativeHumidity =
        fields.nightHumidity === undefined ? night?.relativeHumidity : decimal(fields.nightHumidity);
      // chosen a moment ago, with no figures yet: a little cooler and damper than the day
      return {
        course: {
          kind: "day and night",
          night: {
            celsius: celsius ?? Math.max(-20, before.celsius - 5),
            relativeHumidity: relativeHumidity ?? Math.min(100, before.relativeHumidity + 12),
          },
        },
      };
    }
    case "by the hour": {
      if (fields.hours === undefined || fields.hours.trim() === "") {
        if (before.course?.kind === "by the hour") return { course: before.course };
        return { fault: ["hours", "Paste lines like 2026-11-30 09:00, 18.5, 62."] };
      }
      // unchanged since it was read: it keeps its source, whatever else of the room changes
      if (before.course?.kind === "by the hour" && fields.hours.trim() === sayAirCsv(before.course))
        return { course: before.course };
      const read = readAirCsv(fields.hours);
      if (!read.ok) return { fault: ["hours", read.says] };
      return { course: { kind: "by the hour", from: read.from, hours: read.hours, source: "pasted" } };
    }
    default:
      return {};
  }
}

function setRoom({ plan, fields }: FilledForm): FormEdit {
  const surface = (fields.surfaceCelsius ?? "").trim();
  const course = courseOf(fields, plan.pinned.room);
  if ("fault" in course) return refuse(course.fault[1], course.fault[0]);
  const read = Room.safeParse({
    celsius: decimal(fields.celsius),
    relativeHumidity: decimal(fields.relativeHumidity),
    ...(surface === "" ? {} : { surfaceCelsius: decimal(surface) }),
    draught: fields.draught === "on",
    ...course,
  });
  if (!read.success) {
    const faults: Faults = {};
    for (const issue of read.error.issues) {
      const field =
        issue.path[0] === "course"
          ? `night${issue.path.at(-1) === "celsius" ? "Celsius" : "Humidity"}`
          : String(issue.path[0]);
      faults[field] = issue.code === "invalid_type" ? "Write a number." : sentence(issue.message);
    }
    return { ok: false, faults };
  }
  return { ok: true, label: "Change the air of the room", commands: [{ do: "set room", room: read.data }] };
}

/** The hours that the room's logger has kept, as the room's air. */
function takeSensor({ plan, fields }: FilledForm): FormEdit {
  if (!fields.hours) return refuse(fields.says || "The room sensor has not answered yet. Try again in a moment.");
  const read = readAirCsv(fields.hours);
  if (!read.ok) return refuse(read.says);
  const { course: _, ...room } = plan.pinned.room;
  return {
    ok: true,
    label: "Import the room's air from its sensor",
    commands: [
      {
        do: "set room",
        room: { ...room, course: { kind: "by the hour", from: read.from, hours: read.hours, source: "sensor" } },
      },
    ],
  };
}

/** A time that the painter sets for a phase on a zone, or clears. */
function setTime({ plan, fields }: FilledForm): FormEdit {
  const { zoneId = "", phaseId = "", starts = "", way } = fields;
  const read = Pin.safeParse({ zoneId, phaseId, starts: way === "free" ? plan.start : starts.slice(0, 16) });
  if (!read.success) return refuse("Write a date and time.", "starts");
  if (!zonesOf(plan).some(({ id }) => id === zoneId)) return refuse("This zone is no longer in the plan.");
  const at = way === "free" ? null : read.data.starts;
  if (at !== null && readWallTime(at)! < readWallTime(plan.start)!)
    return refuse("That is before the job begins. Begin the job earlier, or set a later time.", "starts");
  return {
    ok: true,
    label: at === null ? "Clear a set time" : `Set a time: ${sayMoment(readWallTime(at)!)}`,
    commands: [{ do: "set time", zoneId, phaseId, starts: at }],
  };
}

function acknowledge({ plan, fields }: FilledForm): FormEdit {
  const danger = fields.danger ?? "";
  if (!/^[a-z-]{1,40}$/.test(danger)) return refuse("The form arrived incomplete. Reload the page and try again.");
  if (plan.acknowledged.includes(danger)) return refuse("You have already read this.");
  return {
    ok: true,
    label: `Read and accepted: ${danger}`,
    commands: [{ do: "acknowledge", dangers: [...plan.acknowledged, danger] }],
  };
}

const known = ({ plan }: FilledForm, id: string | undefined): Material | undefined =>
  plan.pinned.materials.find((material) => material.id === id) ?? CATALOGUE.find((material) => material.id === id);

/** The times on a label, in the form's fields. */
export const LABEL_TIMES = ["touch", "recoat", "beforeClear", "cure"] as const;

function labelFigure(text: string | undefined, before: { typical: number; safe: number }) {
  const minutes = readDuration(text ?? "");
  if (minutes === null) return null;
  if (minutes === before.safe) return before;
  return { typical: minutes, safe: minutes, origin: "label" as const };
}

function fromLabel(filled: FilledForm): FormEdit {
  const { fields } = filled;
  const before = known(filled, fields.materialId);
  if (!before) return refuse("This material is not in the job or the catalogue.");
  const faults: Faults = {};
  const drying = { ...before.drying };
  for (const stage of LABEL_TIMES) {
    if (fields[stage] === undefined) continue;
    const figure = labelFigure(fields[stage], before.drying[stage]);
    if (!figure) faults[stage] = "Write it like 45 min, 2 h or 1 day.";
    else drying[stage] = { ...before.drying[stage], ...figure };
  }
  const numbers = readNumbers(fields, before, faults);
  const windows = { ...before.windows };
  if (fields.recoatUntil !== undefined) {
    if (fields.recoatUntil.trim() === "") delete windows.recoatUntil;
    else {
      const figure = labelFigure(fields.recoatUntil, before.windows.recoatUntil ?? { typical: -1, safe: -1 });
      if (!figure) faults.recoatUntil = "Write it like 24 h or 7 days, or leave it empty.";
      else windows.recoatUntil = { origin: "label", ...before.windows.recoatUntil, ...figure };
    }
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const read = Material.safeParse({ ...before, ...numbers, drying, windows });
  if (!read.success) {
    for (const issue of read.error.issues) faults[String(issue.path.at(-1))] = sentence(issue.message);
    return { ok: false, faults };
  }
  for (const { where, says } of nonsenseIn(read.data)) faults[where.split(".").at(-1)!] ??= says;
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    label: `From the label of ${before.name}`,
    commands: [{ do: "pin material", material: read.data }],
  };
}

function readNumbers(fields: FormFields, before: Material, faults: Faults): Partial<Material> {
  const changed: Partial<Material> = {};
  const number = (name: string) => Number((fields[name] ?? "").replace(",", "."));
  for (const [name, says] of [
    ["spreadingRate", "Write square metres per litre, like 12."],
    ["volumeSolids", "Write a percentage by volume, like 38."],
  ] as const) {
    if (fields[name] === undefined) continue;
    const value = number(name);
    if (!(value > 0)) faults[name] = says;
    else if (value !== before[name].typical) changed[name] = { typical: value, safe: value, origin: "label" };
  }
  if (fields.density !== undefined && fields.density.trim() !== "") {
    const value = number("density");
    const read = DensityFigure.safeParse({ typical: value, safe: value, origin: "label" });
    if (!read.success) faults.density = "Write grams per millilitre, like 1.35: from 0.3 to 8.";
    else if (value !== densityOf(before)) changed.density = read.data;
  }
  for (const name of ["sheetWidth", "sheetHeight"] as const) {
    if (fields[name] === undefined) continue;
    const value = number(name);
    const own = sheetOf({ ...before, ...changed }) ?? { width: value, height: value };
    const side = name === "sheetWidth" ? "width" : "height";
    if (!(value >= 10 && value <= 5000)) faults[name] = "Write it in millimetres, from 10 to 5000.";
    else if (value !== own[side]) changed.sheet = { ...own, [side]: value };
  }
  if (fields.colour !== undefined && fields.colour !== before.colour) changed.colour = fields.colour;
  const name = fields.materialName?.trim();
  if (name !== undefined && name !== before.name) {
    if (name === "" || name.length > 80) faults.materialName = "Give it a name of up to 80 characters.";
    else changed.name = name;
  }
  return changed;
}

/** A copy of a material under the shop's own name, to change without touching the original. */
function houseCopy(filled: FilledForm): FormEdit {
  const { plan, fields, newId } = filled;
  const before = known(filled, fields.materialId);
  if (!before) return refuse("This material is not in the job or the catalogue.");
  const id = `${before.id.slice(0, 40)}-${
    newId()
      .toLowerCase()
      .replace(/[^a-z0-9]/g, "")
      .slice(0, 12) || "copy"
  }`;
  if (plan.pinned.materials.some((material) => material.id === id)) return refuse("This copy is already in the plan.");
  const copy: Material = {
    ...before,
    id,
    name: `${before.name.slice(0, 66)}, our own`,
    copyOf: before.copyOf ?? before.id,
  };
  return { ok: true, label: `Copy ${before.name}`, commands: [{ do: "pin material", material: copy }], material: id };
}

function unpin(filled: FilledForm): FormEdit {
  const { plan, fields } = filled;
  const used = plan.crusts.some((crust) =>
    crust.steps.some((step) => materialsIn(step).includes(fields.materialId ?? "")),
  );
  if (used) return refuse("A step still uses it; change that step first.");
  const mix = plan.pinned.materials.find(({ recipe }) => recipe?.some(({ what }) => what === fields.materialId));
  if (mix) return refuse(`${mix.name} is mixed from it; remove that first.`);
  return {
    ok: true,
    label: "Remove a material from the job",
    commands: [{ do: "unpin material", materialId: fields.materialId ?? "" }],
  };
}

export const SHOP_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "set room": setRoom,
  "import sensor": takeSensor,
  "set time": setTime,
  acknowledge,
  "from label": fromLabel,
  "own copy": houseCopy,
  "unpin material": unpin,
};
