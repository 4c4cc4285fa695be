import { describe, expect, it } from "vitest";
import { judge } from "#core/judge/judge";
import { type ExampleStack, type ExampleStep, examplePlan } from "#core/rules/example";
import type { Finding } from "#core/rules/rule";
import { sayGo, seamSays } from "./seam-words";

/** What the seam under the last step says, and what was found at it. */
function seam(steps: readonly ExampleStep[], more: Partial<ExampleStack> = {}) {
  const { phases, findings } = judge(examplePlan({ shows: "x", ground: "raw timber", steps, ...more })).zones[0]!;
  const last = phases.at(-1)!;
  const first = phases.find(({ phase }) => phase.step.id === last.phase.step.id)!;
  const own = findings.filter(({ stepId }) => stepId === last.phase.step.id);
  return { first, own, says: seamSays(first, own) };
}

const found = (severity: Finding["severity"], title: string): Finding =>
  ({ severity, title, because: `${title}, because.` }) as Finding;

describe("what a seam says", () => {
  it("the worst that was found, with its reason, before any wait", () => {
    const { first } = seam([
      ["brush", "mineral-oyster"],
      ["brush", "clear-coat-matt"],
    ]);
    const says = seamSays(first, [found("note", "Darker"), found("stop", "It will lift"), found("caution", "It may")]);
    expect(says).toEqual({ severity: "stop", text: "It will lift", why: "It will lift, because.", tight: true });
  });

  it("the longest wait, where nothing was found, and what it is for", () => {
    const { first } = seam([
      ["brush", "chalk-slate"],
      ["brush", "clear-coat-matt", { wait: { kind: "at least", minutes: 2 * 1440 } }],
    ]);
    const says = seamSays(first, []);
    const longest = Math.max(...first.demands.map(({ gates }) => gates[0]!.opens.safe));
    expect(longest).toBeGreaterThan(0);
    expect(says.severity).toBe("none");
    expect(says.text).toMatch(/^(after )?\d.*: .+/);
    expect(says.text).toMatch(/your wait: .*2 days/);
  });

  it("a window that shuts soon is tight, and says when", () => {
    const { says } = seam([["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]]);
    expect(says.tight).toBe(true);
    expect(says.text).toMatch(/within \d+ min: while it is workable/);
  });

  it("what is done in one session with the step before, and in how many sections", () => {
    const steps: ExampleStep[] = [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]];
    const large = { zone: { shape: { kind: "panel" as const, width: 2400, height: 2000, count: 1 } } };
    const { first } = seam(steps, large);
    expect(sayGo(first)).toBe(`in one session with the step before, ${first.phase.go!.sections} sections`);
    const small = { zone: { shape: { kind: "panel" as const, width: 200, height: 150, count: 1 } } };
    expect(sayGo(seam(steps, small).first)).toBe("in one session with the step before");
  });

  it("nothing of a session for the step that begins it, or one that is alone", () => {
    const { phases } = judge(
      examplePlan({
        shows: "x",
        ground: "raw timber",
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      }),
    ).zones[0]!;
    const [paint, glaze] = phases;
    expect(sayGo(paint!)).toBeNull();
    expect(glaze!.phase.go).not.toBeNull();
    expect(sayGo(glaze!)).toBeNull();
  });

  it("a note where there is nothing else to say; otherwise the note is the reason", () => {
    expect(seamSays(undefined, [found("note", "It darkens")])).toMatchObject({
      severity: "note",
      text: "It darkens",
      why: "It darkens, because.",
    });
    const { first } = seam([
      ["brush", "mineral-oyster"],
      ["brush", "clear-coat-matt"],
    ]);
    const both = seamSays(first, [found("note", "It darkens")]);
    expect(both).toMatchObject({ severity: "none", why: "It darkens" });
    expect(both.text).not.toContain("darkens");
  });

  it("nothing at all on the bare ground", () => {
    expect(seamSays(undefined, [])).toEqual({ severity: "none", text: "", why: "", tight: false });
  });
});
