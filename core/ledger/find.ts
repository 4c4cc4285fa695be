import { colourDifference } from "../colour/difference.ts";
import { materialsIn } from "../plan/mix.ts";
import { type Plan, zonesWithCrust } from "../plan/plan.ts";
import { findTechnique } from "../surface/techniques.ts";
import type { LedgerEvent } from "./event.ts";
import { TROUBLE_WORDS } from "./trouble.ts";

// "What was that colour, and how did you do it?": one question over all jobs and their ledgers.

/** A place where something was found. */
export interface Found {
  planId: string;
  title: string;
  client: string | null;
  zoneId: string | null;
  zone: string | null;
  /** the material or line that answers */
  what: string;
  colour: string | null;
  /** how it was done: the steps of its crust */
  how: string;
  /** smaller is nearer: words 0, colours by how far off they are */
  distance: number;
  lineId: string | null;
}

const HEX = /^#?([0-9a-f]{6})$/i;
/** A colour further off than this is another colour, in CIEDE2000. */
const FARTHEST = 12;
const MOST_FOUND = 60;
const LESS_MEANT = 0.3;

/** What a look is called in the trade, for whoever asks by it. */
const INTENT_WORDS: Readonly<Record<string, string>> = {
  resist: "resist chippy",
  stain: "stained",
  blend: "blended cloudy",
  chips: "chipped chippy",
  cracks: "crackled cracked crazed",
  weathered: "weathered",
};

function saysCrust(plan: Plan, crust: Plan["crusts"][number]): string {
  return crust.steps
    .filter(({ kind }) => kind === "coat" || kind === "take")
    .map(({ what, how, coats }) => {
      const material = plan.pinned.materials.find(({ id }) => id === what);
      const name = material?.name.toLowerCase() ?? findTechnique(how)?.name.toLowerCase() ?? how;
      return `${name}${coats > 1 ? ` × ${coats}` : ""}`;
    })
    .join(", ");
}

const textOf = (event: LedgerEvent): string =>
  [
    "text" in event ? (event.text ?? "") : "",
    event.kind === "trouble" ? `${event.trouble} ${TROUBLE_WORDS[event.trouble]} ${event.way ?? ""}` : "",
    event.kind === "decision" ? event.answer : "",
    event.kind === "sign" ? (event.says ?? "") : "",
  ].join(" ");

/** Everything that answers to all words of a question, or comes near a colour like #4f7a6b. The nearest first. */
export function find(asked: string, jobs: readonly { plan: Plan; events: readonly LedgerEvent[] }[]): Found[] {
  const words = asked
    .trim()
    .toLowerCase()
    .split(/\s+/u)
    .filter((word) => word !== "");
  if (words.length === 0) return [];
  const hex = words.map((word) => HEX.exec(word)?.[1]).find((one) => one !== undefined);
  const colour = hex ? `#${hex.toLowerCase()}` : null;
  const others = words.filter((word) => !HEX.test(word));
  const has = (text: string) => {
    const low = text.toLowerCase();
    return others.every((word) => low.includes(word));
  };
  const found: Found[] = [];
  for (const { plan, events } of jobs) {
    const base = { planId: plan.id, title: plan.title, client: plan.client ?? null };
    for (const crust of plan.crusts) {
      const [zone] = zonesWithCrust(plan, crust.id);
      const how = saysCrust(plan, crust);
      const zones = zonesWithCrust(plan, crust.id)
        .map(({ name }) => name)
        .join(", ");
      const looks = crust.steps
        .flatMap(({ intents, how: technique }) => [
          ...intents.map((intent) => `${intent} ${INTENT_WORDS[intent] ?? ""}`),
          findTechnique(technique)?.name ?? "",
        ])
        .join(" ");
      const about = `${plan.title} ${plan.client ?? ""} ${crust.name} ${zones} ${looks}`;
      const at = { ...base, zoneId: zone?.id ?? null, zone: zones || null, how, lineId: null };
      const ids = new Set(crust.steps.flatMap(materialsIn));
      let matched = false;
      for (const material of plan.pinned.materials) {
        if (!ids.has(material.id)) continue;
        const off = colour === null ? 0 : colourDifference(colour, material.colour);
        if (off > FARTHEST) continue;
        const named = has(`${material.name} ${material.family} ${about}`);
        const itself =
          others.length > 0 &&
          others.some((word) => `${material.name} ${material.family}`.toLowerCase().includes(word));
        if (!named || (colour === null && !itself)) continue;
        matched = true;
        // what is meant by its own name comes before what only has a word in common
        const close = `${material.name} ${plan.title}`.toLowerCase();
        const meant = others.every((word) => close.includes(word));
        found.push({ ...at, what: material.name, colour: material.colour, distance: off + (meant ? 0 : LESS_MEANT) });
      }
      if (!matched && colour === null && has(about))
        found.push({ ...at, what: crust.name, colour: null, distance: 0.5 });
    }
    if (colour !== null) continue;
    for (const event of events) {
      const text = textOf(event);
      if (text.trim() === "" || !has(`${text} ${event.step?.name ?? ""} ${plan.title}`)) continue;
      if (!others.some((word) => text.toLowerCase().includes(word))) continue;
      found.push({
        ...base,
        zoneId: event.on[0]?.zoneId ?? null,
        zone: event.step?.zones ?? null,
        what: "text" in event && event.text ? event.text : text.trim(),
        colour: event.step?.material?.colour ?? null,
        how: event.step?.name ?? "",
        distance: 1,
        lineId: event.id,
      });
    }
  }
  return found.sort((a, b) => a.distance - b.distance || (a.title < b.title ? -1 : 1)).slice(0, MOST_FOUND);
}
