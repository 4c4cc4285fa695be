import type { Millilitres, SquareMetres } from "#core/units/units";

export const sayArea = (area: SquareMetres) => `${area.toFixed(2)} m²`;

/** Millilitres to two figures or the next 5 ml, litres from one litre up: nobody measures paint more finely. */
export function sayVolume(millilitres: Millilitres): string {
  if (millilitres >= 1000) return `${(Math.ceil(millilitres / 50) / 20).toFixed(2)} L`;
  return `${Math.max(5, Math.ceil(millilitres / 5) * 5)} ml`;
}

export const countOf = (count: number, single: string, many = `${single}s`) =>
  `${count} ${count === 1 ? single : many}`;
