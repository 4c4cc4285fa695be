import { expect, it } from "vitest";
import { searchAfter } from "./search-after";

it("selects what an edit made, and adds nothing any more", () => {
  expect(searchAfter("?zone=lid&add=2", { zone: "lid", step: "s9" })).toBe("?zone=lid&step=s9");
  expect(searchAfter("?zone=lid&add=0&piece=p2", { zone: "leg" })).toBe("?zone=leg");
  expect(searchAfter("?face=f1", { face: "f2" })).toBe("?face=f2");
  expect(searchAfter("?material=m1&zone=lid", {})).toBe("?material=m1&zone=lid");
});

it("ends drawing only where what was being drawn is done", () => {
  expect(searchAfter("?draw=zone&piece=p1", { zone: "part", isDrawn: true })).toBe("?zone=part");
  expect(searchAfter("?zone=lid&draw=motif", { zone: "lid" })).toBe("?zone=lid&draw=motif");
});
