import { describe, expect, it } from "vitest";
import { hobnailYard } from "#demo/hobnail-yard";
import { type PlanText, planOfText, textOfPlan } from "./plan-text";

describe("a plan as text", () => {
  it("comes back as it was, and as the very same object where it is known", () => {
    for (const plan of hobnailYard()) {
      const text = textOfPlan(plan);
      expect(planOfText(text)).toBe(plan);
      expect(textOfPlan(plan)).toBe(text);
      expect(planOfText(`${text} ` as PlanText)).toEqual(plan);
    }
  });

  it("never mixes two plans up, however many are kept", () => {
    const [first] = hobnailYard();
    const many = Array.from({ length: 100 }, (_, index) => ({ ...first!, id: `job-${index}` }));
    const kept = many.map(textOfPlan);
    kept.forEach((text, index) => {
      expect(planOfText(text).id).toBe(`job-${index}`);
    });
  });
});
