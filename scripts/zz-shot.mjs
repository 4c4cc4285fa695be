import { chromium } from "@playwright/test";

const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const [, , out, url, size = "1280x800", act = ""] = process.argv;
const [width, height] = size.split("x").map(Number);
const p = await b.newPage({ viewport: { width, height } });
await p.goto(`http://127.0.0.1:4302${url}`);
await p.waitForTimeout(1500);
if (act) {
  await p.evaluate(act);
  await p.waitForTimeout(600);
}
await p.screenshot({ path: out });
await b.close();
