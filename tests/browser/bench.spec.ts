import { AxeBuilder } from "@axe-core/playwright";
import type { BrowserContext, Page } from "@playwright/test";
import { ledgerOf } from "#db/ledger";
import { openStore, placeFrom } from "#db/open";
import { getJob } from "#db/plans";
import { getStock } from "#db/shelf";
import { freePort, startServer } from "../../scripts/server.mjs";
import { expect, handedIn, live, open, reload, test } from "./shop";

const SLIP = `/bench?task=${encodeURIComponent("lamp-shelf slip shelf-board")}`;
const PIXEL = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==";
const TABLET = { width: 820, height: 1180 };

async function linesOf(folder: string, planId = "lamp-shelf") {
  const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  const lines = (await ledgerOf(store, planId)).map(({ event }) => event);
  store.client.close();
  return lines;
}

async function planOf(folder: string, planId = "lamp-shelf") {
  const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  const job = (await getJob(store, planId))!;
  store.client.close();
  return job.plan;
}

const press = (page: Page, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });

test.describe("on the tablet", () => {
  test.use({ viewport: TABLET });

  test("start and done: it is in the ledger, the step after it is next, and the shelf is booked", async ({
    page,
    shop,
  }) => {
    const before = (await linesOf(shop.folder)).length;
    await open(page, SLIP);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("Clear glaze medium");
    await press(page, "Start").click();
    await expect(page.getByText(/now · shelf board/)).toBeVisible();
    await expect(page.getByRole("timer")).toContainText("in hand for");
    const answered = handedIn(page);
    await press(page, "Done").click();
    await answered;
    await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Clear glaze medium");
    await expect.poll(async () => (await linesOf(shop.folder)).length).toBe(before + 2);
    const plan = await planOf(shop.folder);
    expect(plan.done!.some(({ phaseId, zoneId }) => phaseId === "slip" && zoneId === "shelf-board")).toBe(true);
    const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: shop.folder }));
    await expect
      .poll(async () =>
        (await getStock(store)).movements.flatMap((movement) =>
          movement.does === "used" && movement.planId === "lamp-shelf" ? [movement.goodId] : [],
        ),
      )
      .toEqual(["glaze-clear"]);
    store.client.close();
  });

  test("a wet knuckle presses twice: it is logged once", async ({ page, shop }) => {
    const before = (await linesOf(shop.folder)).length;
    await open(page, SLIP);
    await press(page, "Done").dblclick();
    await expect.poll(async () => (await linesOf(shop.folder)).length).toBe(before + 1);
    await page.waitForTimeout(500);
    expect((await linesOf(shop.folder)).length).toBe(before + 1);
  });

  test("a countdown is the same after a reload and on another device, and still tacky moves it", async ({
    page,
    context,
  }) => {
    await open(page, SLIP);
    const answered = handedIn(page);
    await press(page, "Done").click();
    await answered;
    const next = `/bench?task=${encodeURIComponent("lamp-shelf drift shelf-board")}`;
    await open(page, next);
    const says = () => page.getByRole("timer").getAttribute("aria-label");
    await expect(page.getByRole("timer")).toBeVisible();
    const at = /at (\S+ ?\S*)[:,]/.exec((await says())!)![1];
    await reload(page);
    expect(/at (\S+ ?\S*)[:,]/.exec((await says())!)![1]).toBe(at);
    const other = await context.newPage();
    await open(other, next);
    expect(/at (\S+ ?\S*)[:,]/.exec((await other.getByRole("timer").getAttribute("aria-label"))!)![1]).toBe(at);
  });

  test("trouble leads to ways on, each with its cost; the one chosen goes into plan and ledger", async ({
    page,
    shop,
  }) => {
    await open(page, `/bench?task=${encodeURIComponent("lamp-shelf rub brackets")}`);
    await page.getByRole("link", { name: "Something is wrong" }).click();
    await page.getByRole("link", { name: "Took off too much" }).click();
    const ways = page.locator(".bench-ways li");
    await expect(ways.first()).toContainText(/later|costs no time/);
    const answered = handedIn(page);
    await ways.filter({ hasText: "Touch it up" }).getByRole("button", { name: "Do this" }).click();
    await answered;
    await expect(page.getByRole("heading", { level: 1 })).toContainText("Sand 220");
    await expect
      .poll(async () =>
        (await linesOf(shop.folder)).some((event) => event.kind === "trouble" && event.trouble === "took off too much"),
      )
      .toBe(true);
    expect((await planOf(shop.folder)).crusts.some(({ steps }) => steps.some(({ how }) => how === "touch-up"))).toBe(
      true,
    );
  });

  test("looking decides: the answer that was not planned turns what lies ahead", async ({ page, shop }) => {
    await open(page, `/bench?task=${encodeURIComponent("lamp-shelf rub brackets")}`);
    await press(page, "Done").click();
    await open(page, `/bench?task=${encodeURIComponent("lamp-shelf look brackets")}`);
    const answered = handedIn(page);
    await press(page, "Too tidy still").click();
    await answered;
    await expect
      .poll(async () => (await planOf(shop.folder)).crusts[0]!.steps.find(({ id }) => id === "look")!.expected)
      .toBe("more");
    await open(page, `/bench?task=${encodeURIComponent("lamp-shelf cut brackets")}`);
    await expect(page.getByRole("heading", { level: 1 })).toContainText("Sand 150");
  });

  test("what can go on now is worked out from the real surface", async ({ page }) => {
    await open(page, `${SLIP}&open=next`);
    await expect(page.getByRole("heading", { name: "What can go on now?" })).toBeVisible();
    await expect(page.locator(".bench-options li").first()).toBeVisible();
  });

  test("a window about to shut is said in words, once in every way, and again after sleep", async ({ page, shop }) => {
    await page.clock.install({ time: new Date() });
    for (const phase of ["slip", "drift"]) {
      await open(page, `/bench?task=${encodeURIComponent(`lamp-shelf ${phase} shelf-board`)}`);
      await press(page, "Done").click();
      await expect
        .poll(async () => (await planOf(shop.folder)).done!.some(({ phaseId }) => phaseId === phase))
        .toBe(true);
    }
    await open(page, `/bench?task=${encodeURIComponent("lamp-shelf wipe shelf-board")}`);
    await expect(page.getByRole("timer")).toContainText("gate shuts in");
    const warned = page.locator(".bench-strip[data-kind=warn]");
    await expect(warned).toHaveCount(0);
    await page.route("**/bench/log", (route) => route.abort());
    let minutes = 0;
    while ((await warned.count()) === 0 && minutes < 120) {
      await page.clock.fastForward("02:00");
      minutes += 2;
      await page.waitForTimeout(30);
    }
    expect(minutes).toBeLessThan(120);
    await expect(warned.first()).toContainText(/the window shuts in \d+ min/);
  });
});

async function away(context: BrowserContext) {
  await context.setOffline(true);
}

test.describe("without a connection", () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test("the bench starts again offline, logs, and hands in once and in order", async ({ context, page, shop }) => {
    const before = (await linesOf(shop.folder)).length;
    await open(page, SLIP);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
      for (let tries = 0; tries < 100; tries++) {
        const kept = await (await caches.open("jolly-crust-pages")).match("/bench");
        if (kept) return;
        await new Promise((done) => setTimeout(done, 100));
      }
    });
    await away(context);
    await reload(page);
    await expect(page.locator(".bench-strip[data-kind=away]")).toBeVisible();
    await press(page, "Start").click();
    await page.waitForTimeout(800);
    await press(page, "Done").click();
    await expect(page.locator(".bench-strip[data-kind=away]")).toContainText("(2)");
    // closed and opened again, it is still there
    await page.close();
    const after = await context.newPage();
    await open(after, "/bench");
    await expect(after.locator(".bench-strip[data-kind=away]")).toContainText("(2)");
    await context.setOffline(false);
    await after.evaluate(() => window.dispatchEvent(new Event("online")));
    await expect.poll(async () => (await linesOf(shop.folder)).length).toBe(before + 2);
    const [begun, done] = (await linesOf(shop.folder)).slice(-2);
    expect([begun!.kind, done!.kind]).toEqual(["start", "end"]);
    expect(begun!.at).toBeLessThan(done!.at);
    await expect(after.locator(".bench-strip[data-kind=away]")).toHaveCount(0);
  });

  test("a photo taken offline is kept with its place in the order, and handed in with the rest", async ({
    context,
    page,
    shop,
  }) => {
    await open(page, `${SLIP}&open=note`);
    await away(context);
    const png = Buffer.from(PIXEL, "base64");
    const form = page.getByRole("form", { name: "Photo" });
    await form.getByLabel("Photo").setInputFiles({ name: "edge.png", mimeType: "image/png", buffer: png });
    await form.getByLabel("What it shows (optional)").fill("The wet edge, offline");
    await form.getByRole("button", { name: "Add the photo" }).click();
    await press(page, "Done").click();
    await expect(page.locator(".bench-strip[data-kind=away]")).toContainText("(2)");
    await context.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event("online")));
    await expect
      .poll(async () => (await linesOf(shop.folder)).slice(-2).map(({ kind }) => kind))
      .toEqual(["photo", "end"]);
    const [photo] = (await linesOf(shop.folder)).slice(-2);
    const answer = await page.request.get(`/jobs/lamp-shelf/photos/${photo!.kind === "photo" ? photo!.photoId : ""}`);
    expect(answer.headers()["content-type"]).toBe("image/jpeg");
  });

  test("a device whose clock is an hour off: what it logs is put right", async ({ page, shop }) => {
    await page.clock.install({ time: new Date(Date.now() - 3_600_000) });
    await open(page, SLIP);
    const answered = handedIn(page);
    await press(page, "Done").click();
    await answered;
    await expect.poll(async () => (await linesOf(shop.folder)).at(-1)!.kind).toBe("end");
    const { at } = (await linesOf(shop.folder)).at(-1)!;
    expect(Math.abs(at - Date.now())).toBeLessThan(60_000);
  });
});

test.describe("before scripts load", () => {
  test.use({ javaScriptEnabled: false, viewport: TABLET });
  test("done, notes and corrections work as forms", async ({ page, shop }) => {
    const before = (await linesOf(shop.folder)).length;
    await page.goto(SLIP);
    await press(page, "Done").click();
    await page.waitForURL(/\/bench/);
    expect((await linesOf(shop.folder)).length).toBe(before + 1);
    await page.goto("/jobs/lamp-shelf/ledger");
    await page.getByLabel("A note on the whole job").fill("Hung in the lamp room");
    await press(page, "Add a note").click();
    await expect(page.getByText("Hung in the lamp room")).toBeVisible();
    const line = page.locator(".ledger-line", { hasText: "Hung in the lamp room" });
    await line.locator("summary").click();
    await line.getByRole("button", { name: "It did not happen" }).click();
    await expect(page.locator(".ledger-line", { hasText: "Hung in the lamp room" })).toContainText("did not happen");
  });
});

test("a photo that is none is refused with a sentence, and one that is stands in the ledger", async ({
  page,
  shop,
}) => {
  await open(page, `${SLIP}&open=note`);
  const form = page.getByRole("form", { name: "Photo" });
  await form
    .getByLabel("Photo")
    .setInputFiles({ name: "x.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no photo") });
  await form.getByRole("button", { name: "Add the photo" }).click();
  await expect(page.getByText(/cannot be read as a photo/)).toBeVisible();
  await open(page, `${SLIP}&open=note`);
  const png = Buffer.from(PIXEL, "base64");
  await form.getByLabel("Photo").setInputFiles({ name: "shelf.png", mimeType: "image/png", buffer: png });
  await form.getByLabel("What it shows (optional)").fill("The wet edge");
  await form.getByRole("button", { name: "Add the photo" }).click();
  await page.waitForURL(/\/bench/);
  await expect
    .poll(async () => (await linesOf(shop.folder)).at(-1))
    .toMatchObject({ kind: "photo", text: "The wet edge" });
});

test("the ledger: found by a word, learned from, taken into the job and back to the tin", async ({ page, shop }) => {
  await open(page, "/jobs/lamp-shelf/ledger");
  await expect(page.getByText(/Still tacky|still tacky/).first()).toBeVisible();
  await page.getByRole("searchbox").fill("bristle");
  await expect(page.locator(".ledger-line")).toHaveCount(1);
  await page.getByRole("searchbox").fill("");
  const family = page.getByRole("region", { name: "chalk-type paint" });
  await expect(family).toContainText(/times as long here as the tin says/);
  await family.getByRole("button", { name: "Use it in this job" }).click();
  await expect(family.getByRole("button", { name: "Use the tin again" })).toBeVisible();
  expect((await planOf(shop.folder)).pinned.drying!["chalk-type paint"]).toBeGreaterThan(1);
  await family.getByRole("button", { name: "Use the tin again" }).click();
  await expect(family.getByRole("button", { name: "Use it in this job" })).toBeVisible();
  expect((await planOf(shop.folder)).pinned.drying).toBeUndefined();
});

test("what was that colour, and how did you do it: asked once, made again on another ground", async ({ page }) => {
  await open(page, "/find");
  await page.getByRole("searchbox").fill("sea green lamp");
  await page.getByRole("button", { name: "Find" }).click();
  await page.getByRole("link", { name: "How it was done" }).first().click();
  await expect(page.getByText(/then stood/).first()).toBeVisible();
  await page.getByLabel("Ground").selectOption("laminate");
  await page.getByRole("button", { name: "Check it" }).click();
  await expect(page.getByText(/times those of this zone/)).toBeVisible();
  await page.getByLabel("Name of the new job").fill("Second shelf");
  await page.getByRole("button", { name: "Begin the job" }).click();
  await page.waitForURL(/\/jobs\/r-[^/]+\/crust/);
});

const FINISHED = [
  ["bench", "/bench"],
  ["trouble", `${SLIP}&open=trouble`],
  ["ways on", `${SLIP}&open=trouble&trouble=lifted`],
  ["note", `${SLIP}&open=note`],
  ["what can go on", `${SLIP}&open=next`],
  ["ledger", "/jobs/lamp-shelf/ledger"],
  ["care card", "/jobs/harbour-stool/care"],
  ["report", "/jobs/harbour-stool/report"],
  ["recipe", "/jobs/lamp-shelf/recipe?zone=brackets&ground=laminate&width=600&height=400"],
  ["find", "/find?q=green"],
  ["devices", "/shop/devices"],
  ["backup", "/shop/backup"],
] as const;

for (const viewport of [TABLET, { width: 390, height: 844 }])
  test(`nothing runs out of a window ${viewport.width} wide, and everybody can use it`, async ({ page }) => {
    test.setTimeout(400_000);
    await page.setViewportSize(viewport);
    for (const [name, path] of FINISHED) {
      await open(page, path);
      await page.waitForLoadState("networkidle");
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(wide, name).toBeLessThanOrEqual(0);
      const { violations } = await new AxeBuilder({ page })
        .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
        .analyze();
      expect(
        violations.map(
          ({ id, nodes }) => `${name}: ${id} at ${nodes.map(({ html }) => html.slice(0, 140)).join(" | ")}`,
        ),
      ).toEqual([]);
      if (path.startsWith("/bench")) {
        const small = await page.evaluate(() =>
          [...document.querySelectorAll<HTMLElement>(".bench button, .bench a")]
            .filter(
              (one) =>
                one.offsetParent !== null && one.getBoundingClientRect().height < 63 && !one.closest(".bench-bar > a"),
            )
            .filter((one) => !one.matches(".bench-bar a"))
            .map((one) => one.textContent),
        );
        expect(small, name).toEqual([]);
      }
    }
  });

test("in the dark room it can be read as well", async ({ page }) => {
  await page.setViewportSize(TABLET);
  await open(page, SLIP);
  await press(page, "Dark room").click();
  await expect(page.locator(".bench")).toHaveAttribute("data-light", "dark");
  const { violations } = await new AxeBuilder({ page }).withTags(["wcag2aa"]).analyze();
  expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]!.html.slice(0, 120)}`)).toEqual([]);
});

test("by the network nobody is let in without a code; a hand has bench and ledger and no prices; put out, its queue is refused", async ({
  browser,
  page,
  shop,
}) => {
  // a server of its own, three browsers, and a certificate
  test.setTimeout(240_000);
  const networkPort = await freePort();
  const server = await startServer({
    port: await freePort(),
    environment: {
      JOLLY_CRUST_DATA: shop.folder,
      ROOM_SENSOR_URL: "",
      JOLLY_CRUST_NETWORK: "yes",
      JOLLY_CRUST_NETWORK_PORT: String(networkPort),
    },
  });
  const door = `https://127.0.0.1:${networkPort}`;
  const tablet = await browser.newContext({ baseURL: door, ignoreHTTPSErrors: true, viewport: TABLET });
  try {
    // a knock without pairing: nothing but the page for it
    const { request } = tablet;
    for (const path of [
      "/",
      "/bench.data",
      "/jobs/lamp-shelf/ledger",
      "/jobs/lamp-shelf/quote",
      "/mark.svg",
      "/assets/none.js",
      "/shop/backup.db",
    ]) {
      const answer = await request.get(path, { maxRedirects: 0 });
      expect([303, 401], path).toContain(answer.status());
      expect(await answer.text(), path).not.toMatch(/Lamp-room/);
    }
    expect((await request.post("/bench/log", { data: {}, headers: { Origin: door } })).status()).toBe(401);
    expect((await request.get("/pair", { headers: { Host: "shop.example" } })).status()).toBe(421);
    // the main machine makes a code
    await page.goto(`${server.address}/shop/devices`);
    await page.getByRole("button", { name: "Make a code" }).click();
    const code = (await page.locator("[data-code]").getAttribute("data-code"))!;
    const knock = await tablet.newPage();
    await knock.goto("/bench");
    await expect(knock).toHaveURL(/\/pair$/);
    await knock.getByLabel("Code").fill("AAAA-AAAA");
    await knock.getByRole("button", { name: "Pair it" }).click();
    await expect(knock.getByRole("alert")).toContainText("not known");
    await knock.getByLabel("Code").fill(code.toLowerCase());
    await knock.getByLabel("What is it called?").fill("Bench tablet");
    await knock.getByRole("button", { name: "Pair it" }).click();
    await expect(knock).toHaveURL(/\/bench/);
    await live(knock);
    const [cookie] = await tablet.cookies();
    expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: "Strict" });
    for (const path of ["/jobs/lamp-shelf/quote", "/shelf/prices", "/shop/devices", "/shop/backup.db", "/"])
      expect((await request.get(path)).status(), path).toBe(403);
    const before = (await linesOf(shop.folder)).length;
    await knock.goto(SLIP);
    await live(knock);
    await press(knock, "Done").click();
    await expect.poll(async () => (await linesOf(shop.folder)).length).toBe(before + 1);
    expect((await linesOf(shop.folder)).at(-1)!.device).toBeTruthy();
    // the code is used up
    const other = await browser.newContext({ baseURL: door, ignoreHTTPSErrors: true });
    const second = await other.request.post("/pair", { form: { code, name: "Other" }, headers: { Origin: door } });
    expect(second.status()).toBe(403);
    await other.close();
    // lost: it is put out, and what it still has to hand in is refused
    await reload(page);
    await page.getByRole("form", { name: "Put out Bench tablet" }).getByRole("button").click();
    await expect(page.getByText(/put out/).first()).toBeVisible();
    await press(knock, /Start|Done/)
      .last()
      .click();
    await expect(knock.getByText("This device may no longer log")).toBeVisible();
    expect((await linesOf(shop.folder)).length).toBe(before + 1);
    // tries are limited
    for (let at = 0; at < 6; at++)
      await request.post("/pair", { form: { code: `AAAA-${at}`, name: "x" }, headers: { Origin: door } });
    expect(
      (await request.post("/pair", { form: { code: "AAAA", name: "x" }, headers: { Origin: door } })).status(),
    ).toBe(429);
  } finally {
    await tablet.close();
    server.stop();
  }
});
