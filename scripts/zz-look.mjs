import { chromium } from "@playwright/test";

const [, , url, out, w = "1280", h = "800", ...acts] = process.argv;
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const page = await browser.newPage({ viewport: { width: +w, height: +h } });
page.on("console", (m) => ["error"].includes(m.type()) && console.log("console", m.text().slice(0, 300)));
page.on("pageerror", (e) => console.log("error", e.message.slice(0, 300)));
await page.goto(`http://localhost:4302${url}`, { waitUntil: "networkidle" });
for (const act of acts) {
  (await page.evaluate) ? null : null;
  const [kind, ...rest] = act.split(":");
  const arg = rest.join(":");
  if (kind === "click") await page.click(arg);
  else if (kind === "key") await page.keyboard.press(arg);
  else if (kind === "wait") await page.waitForTimeout(+arg);
  else if (kind === "text") console.log(await page.locator(arg).allTextContents());
}
await page.waitForTimeout(400);
await page.screenshot({ path: out });
await browser.close();
