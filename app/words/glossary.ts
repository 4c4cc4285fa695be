// The trade's words, each in one line. The Words page lists them; a tooltip explains each where a page first uses it.

export interface Entry {
  word: string;
  means: string;
  /** how it also appears in a sentence; the word itself, with a plural s, is always known */
  also?: readonly string[];
  /** too common a word to explain wherever it appears: only where the page asks for it */
  quiet?: boolean;
}

export const GLOSSARY: readonly { title: string; entries: readonly Entry[] }[] = [
  {
    title: "The piece",
    entries: [
      { word: "Piece", means: "one thing to finish: a chest, a settle, a frame", quiet: true },
      { word: "Zone", means: "a part of the piece that gets one finish", quiet: true },
      { word: "Ground", means: "what is there before you start: raw timber, old paint, laminate", quiet: true },
      { word: "Relief", means: "how a surface is shaped: field, arris, bead and groove" },
      { word: "Field", means: "the flat part of a face", quiet: true },
      { word: "Arris", means: "a sharp edge, where wear begins", also: ["arrises"] },
      { word: "Bead", means: "a rounded moulding that stands proud, the next place to wear", quiet: true },
      { word: "Groove", means: "a hollow where glaze, wax and dust gather", quiet: true },
      {
        word: "Open grain",
        means: "timber with pores you can see, such as oak; paint sinks into them",
        also: ["open-grained"],
      },
      { word: "Raking light", means: "light from low at the side, which shows every mark" },
      { word: "Tack cloth", means: "a slightly sticky cloth that picks up dust" },
    ],
  },
  {
    title: "The crust",
    entries: [
      { word: "Crust", means: "the whole stack of layers on a zone", quiet: true },
      { word: "Layer", means: "one material in the crust, in one or several coats", quiet: true },
      { word: "Coat", means: "one pass of a material over the surface", quiet: true },
      {
        word: "One session",
        means: "wet work that cannot wait: each section goes through all its steps before the next is begun",
        also: ["in one session"],
      },
      {
        word: "Section",
        means: "what one works in one session: a drawer, a leg, a part of a top to a natural break",
        quiet: true,
      },
      { word: "Pass", means: "going over a face once with cloth, paper or blade", quiet: true, also: ["passes"] },
      {
        word: "Round",
        means: "doing some steps again, from an earlier one up to where it is looked at, until it is right",
        quiet: true,
        also: ["rounds"],
      },
      {
        word: "Place",
        means: "a part of a face that steps can mean: the border, the motif, where hands touch; as usual, or drawn",
        quiet: true,
      },
      { word: "Film", means: "the thin skin a coat leaves when it has dried" },
      { word: "Seam", means: "where one layer meets the next; it carries the wait and the verdict" },
      { word: "Tooth", means: "how well a surface lets the next coat grip it" },
      {
        word: "Key",
        means: "fine scratches or pores that give a coat its grip; to key is to make them",
        also: ["keyed", "keys to"],
      },
      {
        word: "Scuff",
        means: "dull a surface with fine paper so that the next coat grips",
        also: ["scuffed", "scuffing"],
      },
      { word: "Resist", means: "wax or oil put on so that the coat over it comes away" },
      {
        word: "Barrier",
        means: "a sealed layer that stops what lies below from coming up, or a cloth from going down",
      },
      { word: "Cut", means: "the crust drawn as if it were cut through, ground at the bottom", quiet: true },
    ],
  },
  {
    title: "Time",
    entries: [
      { word: "Touch dry", means: "dry enough not to mark under a finger" },
      { word: "Recoat", means: "lay the next coat; also the time from which that is safe" },
      { word: "Dry through", means: "dry all the way down, not only on top", also: ["through dry"] },
      { word: "Block-dry", means: "dry enough to lie on or be stacked without printing" },
      { word: "Cure", means: "harden fully, days or weeks after a coat feels dry", also: ["cures", "cured"] },
      {
        word: "Window",
        means: "the time between too early and too late; its two ends are gates that open and shut",
        quiet: true,
      },
      {
        word: "Gate",
        means: "one end of a window: it opens when the step may begin and shuts when it is too late",
        quiet: true,
      },
      { word: "Open time", means: "how long a wet coat can still be worked", also: ["workable"] },
      { word: "Tack", means: "the sticky stage between wet and dry" },
      { word: "Dew point", means: "the temperature at which water from the air settles on a surface" },
      { word: "Hands-on", means: "time in which someone is at work, without the waits" },
      { word: "Sets the finish", means: "a step that, begun later, makes everything end later", quiet: true },
    ],
  },
  {
    title: "Materials",
    entries: [
      {
        word: "Medium",
        means: "a clear material that carries colour or makes the coat over it crack",
        also: ["mediums"],
        quiet: true,
      },
      { word: "Glaze", means: "a slow, translucent colour that can be moved about and wiped back", quiet: true },
      { word: "Slip coat", means: "clear glaze under a tinted one, so that the tint can be moved" },
      { word: "Tint-base", means: "a strong colour that seals the surface as it dries" },
      { word: "Stain-block", means: "a primer that keeps tannin and knots from coming through" },
      { word: "Shellac", means: "a resin in alcohol; it dries in minutes, seals well and softens with heat" },
      { word: "Size", means: "the glue that leaf is laid on", quiet: true },
      { word: "Crumb", means: "coarse grit dropped into wet paint and scraped off dry, to leave craters" },
      { word: "Patina", means: "the colour that age or an acid gives to metal" },
      { word: "Tannin", means: "a brown dye in oak and similar timber that water draws up through pale paint" },
      { word: "Thirsty", means: "bare and porous: it soaks up what is laid on it" },
      { word: "Hiding", means: "how much of what lies beneath one coat covers", also: ["hides"] },
      { word: "Spreading rate", means: "the area that a litre covers in one coat, in m²/L" },
      { word: "Solids by volume", means: "how much of the wet coat is left when it has dried" },
      {
        word: "Carrier",
        means: "what keeps a material liquid and leaves as it dries: water, solvent, alcohol",
        quiet: true,
      },
      { word: "Binder", means: "what holds the colour together once it is dry", also: ["binders"] },
    ],
  },
  {
    title: "Ways of working",
    entries: [
      { word: "Wash", means: "paint thinned with water, brushed on and partly wiped away", quiet: true },
      { word: "Dry brush", means: "almost no paint on the brush, dragged over the high places", also: ["dry-brush"] },
      {
        word: "Distress",
        means: "wear a finish through, wet with a cloth or dry with paper",
        also: ["distressing", "distressed"],
      },
      { word: "Wipe back", means: "take off part of a wet glaze or wax with a cloth" },
      { word: "Spatter", means: "flick fine drops off a stiff brush" },
      { word: "Mist", means: "spray a very light, even film of water or of a coat", also: ["misted", "misting"] },
      { word: "Offload", means: "wipe most of the paint off the brush before it touches the piece" },
      { word: "Burnish", means: "rub a surface until it shines" },
      { word: "Buff", means: "polish wax with a soft cloth", also: ["buffed", "buffing"] },
      { word: "House rules", means: "the school a shop follows where practitioners disagree", quiet: true },
      { word: "School", means: "one of several ways of doing a thing that good shops follow", quiet: true },
    ],
  },
  {
    title: "What a finish does",
    entries: [
      { word: "Crackle", means: "cracks in the paint, torn open by a medium beneath it", also: ["crackling"] },
      { word: "Craze", means: "crack finely all over, as a hard film does on a soft one", also: ["crazes", "crazing"] },
      { word: "Chip", means: "flake off in small plates", quiet: true },
      { word: "Bleed", means: "come up through the coats above as a stain", also: ["bleeds", "bleeding"] },
      {
        word: "Redissolve",
        means: "turn liquid again under water or a solvent",
        also: ["redissolves", "redissolving"],
      },
      { word: "Grab", means: "set where it first touches, so that it cannot be moved", also: ["grabs"] },
      { word: "Bloom", means: "a pale haze on or in a finish" },
      { word: "Lap", means: "the line where a wet edge met one that had begun to set", quiet: true },
      { word: "Amber", means: "turn yellow, as oil varnish does", also: ["ambers"] },
      {
        word: "Fish-eyes",
        means: "small round bare spots where grease or wax pushed the coat away",
        also: ["fish-eye"],
      },
    ],
  },
  {
    title: "Verdicts and figures",
    entries: [
      { word: "Stop", means: "will fail, or can hurt: a broken seam", quiet: true },
      { word: "Caution", means: "may fail; it depends: a dashed seam", quiet: true },
      { word: "Note", means: "normal, worth knowing: a whole seam", quiet: true },
      { word: "ΔE00", means: "how different two colours look: 1 is barely visible, 10 another colour" },
      { word: "Lab", means: "a colour as lightness, green to red, and blue to yellow", quiet: true },
      { word: "µm", means: "a thousandth of a millimetre; one dry coat of paint is about 30 to 60" },
    ],
  },
];

export const ENTRIES: readonly Entry[] = GLOSSARY.flatMap(({ entries }) => entries);

/** The place of a word on the Words page. */
export const anchorOf = (word: string) => word.toLowerCase().replace(/[^a-zµδ0-9]+/g, "-");

export const entryOf = (word: string): Entry | undefined =>
  ENTRIES.find((entry) => entry.word.toLowerCase() === word.toLowerCase());

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

const FORMS = new Map<string, Entry>();
for (const entry of ENTRIES)
  if (!entry.quiet)
    for (const form of [entry.word, `${entry.word}s`, ...(entry.also ?? [])]) FORMS.set(form.toLowerCase(), entry);

const ANY_FORM = new RegExp(
  `(?<![\\p{L}-])(?:${[...FORMS.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join("|")})(?![\\p{L}-])`,
  "giu",
);

/** A piece of a sentence: plain, or a trade word with its entry. */
export type Piece = string | { text: string; entry: Entry };

/** Cuts a sentence at the trade words in it; each is found once. */
export function cutAtWords(text: string): Piece[] {
  const pieces: Piece[] = [];
  const found = new Set<Entry>();
  let from = 0;
  for (const match of text.matchAll(ANY_FORM)) {
    const entry = FORMS.get(match[0].toLowerCase())!;
    if (found.has(entry)) continue;
    found.add(entry);
    if (match.index > from) pieces.push(text.slice(from, match.index));
    pieces.push({ text: match[0], entry });
    from = match.index + match[0].length;
  }
  if (from < text.length) pieces.push(text.slice(from));
  return pieces;
}
