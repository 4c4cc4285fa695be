import AxeBuilder from "@axe-core/playwright";
import { MOST_MISSING } from "#core/plan/readings";
import { expect, open, reload, saved, test } from "./shop";

const HOUSE = "/jobs/carved-settle/house";

test.describe("with a logger in the room", () => {
  test.use({ sensor: "well" });

  test("what it tells is shown, and taken as the room's air: dates move, and an undo brings them back", async ({
    page,
  }) => {
    await open(page, HOUSE);
    const sensor = page.getByRole("region", { name: "Room sensor" });
    await expect(sensor).toContainText("finishing loft");
    await expect(sensor).toContainText(/\d °C · [\d.]+ %/);
    const { violations } = await new AxeBuilder({ page }).include("aside[aria-label='Room and hours']").analyze();
    expect(violations.map(({ id }) => id)).toEqual([]);
    const finish = page.locator("[data-finish]");
    const before = await finish.textContent();
    await sensor.getByRole("button", { name: "Import its readings" }).click();
    await expect(sensor).toContainText(/uses 14 days of its readings/);
    await expect.poll(() => finish.textContent()).not.toBe(before);
    await saved(page);
    await reload(page);
    await expect(sensor).toContainText(/uses 14 days of its readings/);
    // changing something else in the room keeps the sensor's readings
    await page.getByLabel("Draught, or a fan").check();
    await saved(page);
    await expect(sensor).toContainText(/uses 14 days of its readings/);
    await page.keyboard.press("Control+z");
    await page.keyboard.press("Control+z");
    await expect(sensor).not.toContainText("days of its readings");
  });

  test.describe("and no script", () => {
    test.use({ javaScriptEnabled: false });
    test("its hours are taken all the same", async ({ page }) => {
      await page.goto(HOUSE);
      await page.getByRole("button", { name: "Import its readings" }).click();
      await expect(page.getByRole("region", { name: "Room sensor" })).toContainText(/uses 14 days of its readings/);
    });
  });
});

for (const [manner, says] of [
  ["silent", /did not answer within 3 s/],
  ["absurd", /85 °C and 0 %/],
] as const)
  test.describe(`with a logger that is ${manner}`, () => {
    test.use({ sensor: manner });
    test("the reason is shown, and the job's air unchanged", async ({ page }) => {
      await open(page, "/jobs/iron-strongbox/house");
      const sensor = page.getByRole("region", { name: "Room sensor" });
      await expect(sensor.getByRole("alert")).toContainText(says);
      await expect(sensor).toContainText("uses 7 days of its readings");
      await sensor.getByRole("button", { name: "Try again" }).click();
      await expect(sensor.getByRole("alert")).toContainText(says);
    });
  });

test("air of two weeks is pasted whole; a gap in it is shown where it is, and nothing typed is lost", async ({
  page,
}) => {
  await open(page, HOUSE);
  await expect(page.getByRole("region", { name: "Room sensor" })).toHaveCount(0);
  const lines = Array.from({ length: 14 * 24 }, (_, index) => {
    const hour = new Date(Date.UTC(2026, 10, 28, index)).toISOString().slice(0, 16).replace("T", " ");
    return `${hour}, ${17 + (index % 5)}, 55`;
  });
  const air = page.getByRole("form", { name: "Air of the room" });
  const typed = air.getByLabel(/Forecast or logger/);
  await typed.fill(lines.filter((_, index) => index < 100 || index > 100 + MOST_MISSING + 1).join("\n"));
  await air.getByLabel("Over the day").selectOption("by the hour");
  await expect(air.getByText(/hours are missing before Wed 2 Dec/)).toBeVisible();
  expect((await typed.inputValue()).split("\n").length).toBeGreaterThan(300);
  await typed.fill(lines.join("\n"));
  await air.getByLabel("Humidity, %").fill("53");
  await air.getByLabel("Room, °C").focus();
  await saved(page);
  await reload(page);
  expect((await typed.inputValue()).split("\n")).toHaveLength(14 * 24);
});
