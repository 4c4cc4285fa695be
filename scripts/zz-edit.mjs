import { chromium } from "@playwright/test";

const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on("console", (m) => ["error"].includes(m.type()) && console.log("console", m.text().slice(0, 300)));
page.on("pageerror", (e) => console.log("error", e.message.slice(0, 300)));
await page.goto(`http://localhost:4302/jobs/carved-settle/crust?zone=settle-seat`, { waitUntil: "networkidle" });
await page
  .locator("[data-step]")
  .nth(1)
  .click()
  .catch(() => console.log("no data-step"));
await page.waitForTimeout(500);
await page.screenshot({ path: "/tmp/w/e0.png" });
const coats = page.getByLabel("Coats", { exact: true }).first();
console.log(await coats.count(), await coats.inputValue().catch(() => "?"));
await coats.fill("3");
await coats.blur();
await page.waitForTimeout(300);
await page.screenshot({ path: "/tmp/w/e1.png" });
for (let i = 0; i < 16; i++) {
  await page.waitForTimeout(500);
  const t = await page.locator("[aria-label='Plan of work']").allTextContents();
  console.log(i, t.join("|").slice(0, 300), "::", (await page.locator("footer").textContent()).slice(-160));
  if (t.join().includes("ready")) break;
}
await page.screenshot({ path: "/tmp/w/e2.png" });
await page.getByRole("button", { name: "Take it on" }).click();
await page.waitForTimeout(1500);
await page.screenshot({ path: "/tmp/w/e3.png" });
console.log((await page.locator("footer").textContent()).slice(-160));
await browser.close();
