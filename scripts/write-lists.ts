import { writeFileSync } from "node:fs";
import { lists } from "./lists";

for (const [file, text] of Object.entries(lists())) {
  writeFileSync(file, text);
  console.log(file);
}
