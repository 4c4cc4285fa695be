import { chromium } from "@playwright/test";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on("console", (m) => console.log(m.text().slice(0, 200)));
page.on("pageerror", (m) => console.log(m.message.slice(0, 200)));
await page.goto("http://localhost:4302/days?from=2026-11-30", { waitUntil: "networkidle" });
for (const k of ["Minus", "Minus", "-", "Equal", "=", "]", "]", "t"]) { await page.keyboard.press(k); await page.waitForTimeout(600); console.log(k, page.url()); }
await browser.close();
