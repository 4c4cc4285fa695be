import { expect, open, test } from "./shop";

const panel = (page: import("@playwright/test").Page) => page.getByRole("region", { name: "Add a step" });

test("over wax: what usually follows comes first, and paint says that it cannot go here before it is chosen", async ({
  page,
}) => {
  await open(page, "/jobs/chart-cabinet/crust?zone=sides&add=3");
  await expect(panel(page).getByRole("heading", { name: /over the dark wax/ })).toBeVisible();
  await expect(panel(page).getByRole("button").first()).toHaveText("Buff");
  await panel(page).getByRole("searchbox").fill("slate");
  const slate = panel(page).getByRole("button", { name: "Chalk-type, slate", exact: true });
  await expect(slate).toHaveAccessibleDescription(/stop: /);
  await panel(page).getByRole("searchbox").fill("buff");
  await expect(panel(page).getByRole("button", { name: "Buff" }).first()).not.toHaveAccessibleDescription(/stop/);
});

test("a material, then the way to lay it, each with its verdict, by hand and by the arrow keys", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back&add=4");
  const search = panel(page).getByRole("searchbox");
  await search.fill("duck egg chalk");
  await panel(page).getByLabel("Other ways to lay Chalk-type, duck egg").click();
  const way = panel(page).getByRole("button", { name: "Chalk-type, duck egg, sponge on" });
  await expect(way).toHaveAccessibleDescription(/in \d|now|stop/);
  await search.fill("duck dry-brush");
  await expect(panel(page).getByRole("button").first()).toHaveText("Chalk-type, duck egg, dry-brush");
  await search.press("ArrowDown");
  await expect(panel(page).getByRole("button").first()).toBeFocused();
  await page.keyboard.press("ArrowUp");
  await expect(search).toBeFocused();
  const steps = page.locator("#ladder a[data-step]");
  const many = await steps.count();
  await search.press("Enter");
  await expect(steps).toHaveCount(many + 1);
  await expect(page.locator("#ladder a[aria-current=true]")).toContainText("duck egg");
  await expect(page.locator("#ladder a[aria-current=true]")).toContainText(/dry-brush/i);
});

test.describe("before scripts load", () => {
  test.use({ javaScriptEnabled: false });
  test("a material is added in another way than the usual", async ({ page }) => {
    await page.goto("/jobs/carved-settle/crust?zone=back&add=4");
    await panel(page).getByLabel("Other ways to lay Chalk-type, bone white").click();
    await panel(page).getByRole("button", { name: "Sponge on" }).first().click();
    await expect(page.locator("#ladder")).toContainText("sponge on");
  });
});

test("the piece beside the crust is painted, its zones are picked on it, and the column folds", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back");
  const zone = page.getByRole("region", { name: "Zone", exact: true });
  await expect(zone.locator("svg image").first()).toHaveAttribute("href", /^blob:/);
  await expect(zone.locator(".zone-board-picture img")).toBeVisible();
  const picker = zone.getByRole("group", { name: "The piece from the front, to scale" });
  await picker.getByRole("link", { name: "Front panels" }).locator("image").first().click();
  await expect(page).toHaveURL(/zone=/);
  await expect(zone.getByRole("heading", { level: 1 })).toHaveText("Front panels");
  await zone.getByText("5 zones").click();
  await zone.getByRole("navigation", { name: "Zones" }).getByRole("link", { name: "Back panel" }).click();
  await expect(zone.getByRole("heading", { level: 1 })).toHaveText("Back panel");
  await page.getByRole("button", { name: "Fold the piece and the cut away" }).click();
  await expect(picker).toBeHidden();
  await page.getByRole("button", { name: "Show the piece and the cut" }).click();
  await expect(picker).toBeVisible();
});
