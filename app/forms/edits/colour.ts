import { colourOfMix, type MixPart } from "#core/colour/nearest-mix";
import { hexOf, linearOf, luminanceOf } from "#core/colour/screen";
import { readColour } from "#core/colour/written";
import { readPalette } from "#core/exchange/palette";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { PALETTE_COLOURS, PaletteColour } from "#core/plan/plan";
import type { Faults } from "../fields";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

// Material colours, target colours, and mixes saved as paints.

const known = ({ plan }: FilledForm, id: string | undefined): Material | undefined =>
  plan.pinned.materials.find((material) => material.id === id) ?? CATALOGUE.find((material) => material.id === id);

const NOT_KNOWN = "This material is not in the job or the catalogue.";

/** A material's colour by picker, as written, or by its two swatches. */
function setColour(filled: FilledForm): FormEdit {
  const { fields } = filled;
  const before = known(filled, fields.materialId);
  if (!before) return refuse(NOT_KNOWN);
  const faults: Faults = {};
  const read = (name: string): string => {
    const colour = readColour(fields[name] ?? "");
    if (!colour.ok) faults[name] = colour.says;
    return colour.ok ? colour.colour : "";
  };
  const changed: Partial<Material> = {};
  if (fields.way === "swatches") {
    changed.swatches = { overWhite: read("overWhite"), overBlack: read("overBlack") };
    if (Object.keys(faults).length === 0 && lightOf(changed.swatches.overBlack) >= lightOf(changed.swatches.overWhite))
      faults.overBlack = "Over black it must look darker than over white; are the two swapped?";
  } else {
    changed.colour = read(fields.way === "written" ? "written" : "picked");
    // a single colour means an opaque coat
    changed.swatches = undefined;
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const material: Material = { ...before, ...changed };
  if (material.swatches === undefined) delete material.swatches;
  return { ok: true, label: `Colour of ${before.name}`, commands: [{ do: "pin material", material }] };
}

const lightOf = (hex: string): number => luminanceOf(linearOf(hex));

/** How far one real board may move a colour: any further is another light, or another paint. */
const MOST_PULL = 2.5;

const pulled = (hex: string, seen: readonly number[], real: readonly number[]): string => {
  const held = (value: number) => Math.min(MOST_PULL, Math.max(1 / MOST_PULL, value));
  return hexOf(
    linearOf(hex).map((value, index) => value * held((real[index]! + 0.002) / (seen[index]! + 0.002))) as [
      number,
      number,
      number,
    ],
  );
};

/** Moves a material's colour as far as a real board lies from its prediction, in each of red, green and blue. */
function correctColour(filled: FilledForm): FormEdit {
  const { fields } = filled;
  const before = known(filled, fields.materialId);
  if (!before) return refuse(NOT_KNOWN);
  const seen = readColour(fields.predicted ?? "");
  const real = readColour(fields.real ?? "");
  if (!seen.ok || !real.ok) return refuse("Pick a place on the photo first.");
  const by = (hex: string) => pulled(hex, linearOf(seen.colour), linearOf(real.colour));
  const material: Material = {
    ...before,
    colour: by(before.colour),
    ...(before.swatches ? { swatches: { ...before.swatches, overWhite: by(before.swatches.overWhite) } } : {}),
  };
  return {
    ok: true,
    label: `Correct ${before.name} from a real board`,
    commands: [{ do: "pin material", material }],
  };
}

const saysFaults = (faults: readonly { where: string; says: string }[]) =>
  faults.map(({ where, says }) => (where ? `${where}: ${says}` : says)).join(" ");

/** Imports the colours of a GIMP palette into the job. */
function importPalette({ plan, fields }: FilledForm): FormEdit {
  const read = readPalette(fields.palette ?? "");
  if (!read.ok) return refuse(saysFaults(read.faults), "palette");
  const fresh = read.colours.filter(
    (colour) => !plan.palette.some((own) => own.colour === colour.colour && own.name === colour.name),
  );
  if (fresh.length === 0) return refuse("Every colour of this palette is already in the job.", "palette");
  const palette = [...plan.palette, ...fresh];
  if (palette.length > PALETTE_COLOURS)
    return refuse(`A job can have ${PALETTE_COLOURS} target colours at most. Remove some first.`, "palette");
  return { ok: true, label: `Import the palette ${read.name}`, commands: [{ do: "set palette", palette }] };
}

function addWanted({ plan, fields }: FilledForm): FormEdit {
  const colour = readColour(fields.wanted ?? "");
  if (!colour.ok) return refuse(colour.says, "wanted");
  const read = PaletteColour.safeParse({
    name: (fields.wantedName ?? "").trim() || colour.colour,
    colour: colour.colour,
  });
  if (!read.success) return refuse("80 characters at most.", "wantedName");
  if (plan.palette.length >= PALETTE_COLOURS)
    return refuse(`A job can have ${PALETTE_COLOURS} target colours at most. Remove some first.`, "wanted");
  return {
    ok: true,
    label: `Add target colour ${read.data.name}`,
    commands: [{ do: "set palette", palette: [...plan.palette, read.data] }],
  };
}

function dropWanted({ plan, fields }: FilledForm): FormEdit {
  const at = Number(fields.at);
  const gone = plan.palette[at];
  if (!gone) return refuse("That colour is already gone.");
  return {
    ok: true,
    label: `Remove ${gone.name}`,
    commands: [{ do: "set palette", palette: plan.palette.filter((_, index) => index !== at) }],
  };
}

/** The parts of a mix as written in an address or a form: "slate:2,bone:1". */
export function readMixParts(text: string, find: (id: string) => Material | undefined): MixPart[] {
  return text.split(",").flatMap((text) => {
    const [id = "", parts = ""] = text.split(":");
    const material = find(id);
    const count = Number(parts);
    return material && Number.isInteger(count) && count >= 1 && count <= MOST_PARTS ? [{ material, parts: count }] : [];
  });
}

export const MOST_PARTS = 99;
export const MOST_TINS = 5;

/** A mix saved as a paint: it behaves like the tin it has most of, in the colour of the mix. */
function keepMix(filled: FilledForm): FormEdit {
  const { plan, fields, newId } = filled;
  const parts = readMixParts(fields.mix ?? "", (id) => known(filled, id)).slice(0, MOST_TINS);
  if (parts.length < 2) return refuse("A mix needs at least two tins.");
  const name = (fields.mixName ?? "").trim();
  if (name === "" || name.length > 80) return refuse("Give it a name of up to 80 characters.", "mixName");
  const most = parts.reduce((a, b) => (b.parts > a.parts ? b : a)).material;
  const id = `mix-${
    newId()
      .toLowerCase()
      .replace(/[^a-z0-9]/g, "")
      .slice(0, 16) || "own"
  }`;
  if (plan.pinned.materials.some((material) => material.id === id)) return refuse("This mix is already in the plan.");
  const { swatches: _, ...rest } = most;
  const material: Material = {
    ...rest,
    id,
    name,
    colour: colourOfMix(parts),
    copyOf: most.copyOf ?? most.id,
    recipe: parts.map(({ material: { id: what }, parts: count }) => ({ what, parts: count })),
  };
  // what it is stirred from goes with it, so that it can be bought
  const tins = parts
    .map((part) => part.material)
    .filter((one) => !plan.pinned.materials.some((own) => own.id === one.id))
    .map((one) => ({ do: "pin material" as const, material: one }));
  return {
    ok: true,
    label: `Save the mix ${name}`,
    commands: [...tins, { do: "pin material", material }],
    material: id,
  };
}

export const COLOUR_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "set colour": setColour,
  "correct colour": correctColour,
  "import palette": importPalette,
  "add target": addWanted,
  "remove target": dropWanted,
  "save mix": keepMix,
};
