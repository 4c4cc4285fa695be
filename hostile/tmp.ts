import { limits } from "/work/main/hostile/limits.ts";

const r = await limits.run({
  address: "http://127.0.0.1:4300",
  folder: "",
  short: process.argv[2] === "short",
  note: (s) => console.log("NOTE", s),
});
console.log(r);
