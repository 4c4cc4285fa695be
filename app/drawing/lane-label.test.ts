import { expect, it } from "vitest";
import { short } from "./lane-label";

it("a name is cut at its comma where that is enough, and nowhere if there is room", () => {
  expect(short("Chart cabinet, eight drawers", 18)).toBe("Chart cabinet");
  expect(short("Dough bin, galley", 18)).toBe("Dough bin, galley");
  expect(short("Overmantel mirror frame", 18)).toBe("Overmantel mirror…");
  expect(short("Legs and stretchers of it, all", 18)).toHaveLength(18);
});
