import { PALETTE_COLOURS, type PaletteColour } from "../plan/plan.ts";
import type { Fault } from "./plan-file.ts";

export const PALETTE_BYTES = 64_000;

export type ReadPalette = { ok: true; name: string; colours: PaletteColour[] } | { ok: false; faults: Fault[] };

const ENTRY = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/;
const NAME_LETTERS = 80;

const refused = (says: string, where = ""): ReadPalette => ({ ok: false, faults: [{ where, says }] });
const twoDigits = (value: number) => value.toString(16).padStart(2, "0");

/** Reads a GIMP palette (*.gpl). Every fault names its line; nothing is guessed. */
export function readPalette(text: string): ReadPalette {
  if (text.length > PALETTE_BYTES) return refused(`The limit for a palette file is ${PALETTE_BYTES / 1000} kB.`);
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n?|\n/);
  if (lines[0]?.trim() !== "GIMP Palette") return refused('A palette begins with the line "GIMP Palette".', "line 1");
  let name = "Palette";
  const colours: PaletteColour[] = [];
  const faults: Fault[] = [];
  lines.slice(1).forEach((line, index) => {
    const where = `line ${index + 2}`;
    const named = /^Name:\s*(.*)$/i.exec(line);
    if (named) name = named[1]!.trim().slice(0, NAME_LETTERS) || name;
    if (named || /^Columns:/i.test(line) || line.trim() === "" || line.trimStart().startsWith("#")) return;
    const entry = ENTRY.exec(line);
    const channels = entry?.slice(1, 4).map(Number) ?? [];
    if (!entry || channels.some((value) => value > 255)) {
      faults.push({ where, says: "A colour is three numbers from 0 to 255 and a name." });
      return;
    }
    const colour = `#${channels.map(twoDigits).join("")}`;
    colours.push({ name: (entry[4] ?? "").trim().slice(0, NAME_LETTERS) || colour, colour });
  });
  if (faults.length > 0) return { ok: false, faults: faults.slice(0, 12) };
  if (colours.length === 0) return refused("This palette has no colours.");
  if (colours.length > PALETTE_COLOURS)
    return refused(`A palette holds ${PALETTE_COLOURS} colours at most; this one has ${colours.length}.`);
  return { ok: true, name, colours };
}

/** The text of a GIMP palette; reading it gives the same colours. */
export function writePalette(name: string, colours: readonly PaletteColour[]): string {
  const lines = colours.map(({ name: own, colour }) => {
    const channels = [1, 3, 5].map((at) => String(Number.parseInt(colour.slice(at, at + 2), 16)).padStart(3));
    return `${channels.join(" ")}\t${own.replace(/\s+/g, " ")}`;
  });
  return `${["GIMP Palette", `Name: ${name.replace(/\s+/g, " ")}`, "Columns: 4", "#", ...lines].join("\n")}\n`;
}
