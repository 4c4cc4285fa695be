/** A colour difference, ΔE00, in words a painter can use. */
export function sayDifference(difference: number): string {
  if (difference < 1) return "looks the same";
  if (difference < 2.5) return "barely different";
  if (difference < 6) return "close, but visible";
  return difference < 12 ? "related" : "a different colour";
}
