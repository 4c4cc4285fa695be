import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { docs } from "./write-docs";

it.each(Object.entries(docs()))("%s says what the code says, or else `npm run docs` has not been run", (file, text) => {
  expect(readFileSync(file, "utf8")).toBe(text);
});
