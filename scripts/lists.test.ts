import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { lists } from "./lists";

it.each(Object.entries(lists()))(
  "%s lists every file there is, or else `npm run lists` has not been run",
  (file, text) => {
    expect(readFileSync(file, "utf8")).toBe(text);
  },
);
