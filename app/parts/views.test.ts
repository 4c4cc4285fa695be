import { describe, expect, it } from "vitest";
import { KEYS } from "~/keys/keys";
import { VIEWS, viewSearch, worstOfViews } from "./views";

describe("the views of a job", () => {
  it("are opened by the figures, in the order of their tabs", () => {
    const first = VIEWS.slice(0, 8);
    expect(first.map(({ path }) => KEYS.job.keys[path].press[0])).toEqual(first.map((_view, index) => `${index + 1}`));
  });

  it("take along what is selected, and not what is being added", () => {
    expect(viewSearch("?zone=back&add=3&step=bone")).toBe("?zone=back&step=bone");
    expect(viewSearch("?add=3")).toBe("");
    expect(viewSearch("")).toBe("");
  });

  it("say the worst that is on each: stops before cautions, and clashes on the days", () => {
    expect(worstOfViews({ counts: { stop: 1, caution: 4, note: 9 } }, null)).toEqual({ crust: "stop" });
    expect(worstOfViews({ counts: { stop: 0, caution: 4, note: 9 } }, { clashes: [] })).toEqual({ crust: "caution" });
    expect(worstOfViews({ counts: { stop: 0, caution: 0, note: 9 } }, { clashes: [{}] })).toEqual({ days: "stop" });
  });
});
