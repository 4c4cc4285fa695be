import { chromium } from "playwright";

const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on("pageerror", (e) => console.log("ERR", e.message));
await p.goto("http://127.0.0.1:4302/jobs/sailmakers-bench/piece");
await p.waitForTimeout(1500);
await p
  .getByRole("link", { name: /Tool rack/ })
  .first()
  .click();
await p.waitForTimeout(400);
await p.getByRole("link", { name: "Draw the motif" }).click();
await p.waitForTimeout(500);
const pad = p.getByRole("application");
const box = await pad.boundingBox();
const pt = (x, y) => [box.x + box.width * x, box.y + box.height * y];
await p.mouse.move(...pt(0.35, 0.5));
await p.mouse.down();
for (let i = 0; i <= 60; i++) {
  const a = (i / 60) * 6.28;
  await p.mouse.move(...pt(0.45 - 0.1 * Math.cos(a) - 0.02 * Math.cos(3 * a), 0.5 + 0.12 * Math.sin(a)));
}
await p.mouse.up();
await p.waitForTimeout(600);
await p.screenshot({ path: "/tmp/w/p1.png" });
await pad.focus();
await p.keyboard.press("ArrowRight");
for (const k of [
  "Shift+ArrowRight",
  "Enter",
  "Shift+ArrowDown",
  "Shift+ArrowDown",
  "Enter",
  "Shift+ArrowRight",
  "Shift+ArrowRight",
  "Enter",
])
  await p.keyboard.press(k);
await p.screenshot({ path: "/tmp/w/p2.png" });
await p.keyboard.press("c");
await p.waitForTimeout(800);
await p.getByText("By measure").click();
await p.waitForTimeout(300);
await p.screenshot({ path: "/tmp/w/p3.png" });
await p.getByRole("link", { name: "Back to the piece" }).click();
await p.waitForTimeout(700);
await p.screenshot({ path: "/tmp/w/p4.png" });
await b.close();
