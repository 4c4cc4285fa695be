/** What rules are about, by the first letter of their names; the guide and the trainer are parted in the same way. */
export const THEMES: readonly (readonly [prefix: string, title: string])[] = [
  ["A", "Adhesion"],
  ["B", "Redissolving"],
  ["C", "Drying"],
  ["N", "Laying"],
  ["O", "One session"],
  ["D", "Staining"],
  ["W", "Wax"],
  ["K", "Cracks and chips"],
  ["G", "Glaze"],
  ["L", "Leaf"],
  ["R", "Texture crumb"],
  ["T", "Tissue"],
  ["M", "Metal and patina"],
  ["U", "Use and wear"],
  ["E", "Air"],
  ["H", "Handling"],
  ["P", "Mixing"],
  ["S", "Safety"],
];

/** The theme of a rule. */
export const themeOf = (rule: string): string => THEMES.find(([prefix]) => rule.startsWith(prefix))?.[1] ?? "Other";
