import { always, type Move, type MoveStep } from "../move.ts";
import { endsInWax } from "./end.ts";

/** Crackle medium, and the paint that cracks over it. */
export const crackle = (medium: string, key: string, what: string, own: Partial<MoveStep> = {}): Move =>
  always(
    "Crackle",
    {
      key: "medium",
      how: "brush",
      what: medium,
      why: "The paint over it tears open as it dries; the thicker it lies, the wider.",
    },
    {
      key,
      how: "brush",
      what,
      intents: ["cracks"],
      why: "One pass, full brush, never back: strokes that go over it twice close the cracks.",
      ...own,
    },
  );

/** Something milk paint cannot hold on in places, milk paint over it, and the paint flaked off there. */
export const chips = (key: string, what: string, over: number): Move => ({
  name: "Chip over a resist",
  steps: (context) => [
    {
      key: "resist",
      how: "seal-patches",
      over,
      intents: ["resist"],
      ...(endsInWax(context)
        ? { what: "wax-clear", amount: { kind: "heavy" }, why: "Milk paint cannot hold on wax: here it will flake." }
        : {
            what: "shellac-sealer",
            why: "Milk paint hardly holds on shellac: here it will flake. Wax would do the same to the clear coat to come.",
          }),
    },
    {
      key,
      how: "brush",
      what,
      coats: 2,
      intents: ["chips"],
      why: "Milk paint, which flakes off whatever does not drink it.",
    },
    { key: "chip", how: "chip", why: "Fingers and a dull blade take off what has let go." },
  ],
});

/** Crumb dropped on wet misted paint, painted over by tapping, scraped off again: craters. */
export const craters = (over: number, key: string, what: string): Move =>
  always(
    "Crumb craters",
    { key: "wet", how: "mist", why: "The crumb sticks only where the paint is wet." },
    { key: "crumb", how: "sprinkle", what: "texture-crumb", over, why: "What lies under a crumb keeps its colour." },
    { key, how: "tap", what, why: "Tapped on, never stroked, or the crumb rolls off." },
    { key: "scrape", how: "scrape", why: "When all is dry the crumb comes off and leaves craters." },
  );

/** Paste through a patterned roller. */
export const embossed = (key: string): Move =>
  always("Emboss", {
    key,
    how: "emboss",
    what: "texture-paste",
    why: "A raised pattern that waxes and glazes can find.",
  });
