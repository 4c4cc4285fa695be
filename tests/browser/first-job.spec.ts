import { execFileSync, spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { addOnTop, expect, makeJob, reload, saved, test } from "./shop";

test.use({ demo: false });

/** When the job could leave, once that is of the job as it is. */
const finish = async (page: Page) =>
  page.locator("[data-finish][aria-busy=false]:not([data-edited]) [data-leaves]").getAttribute("data-leaves");

interface Report {
  counts: Record<string, number>;
  findings: { rule: string; severity: string; title: string; because: string; fixes: { label: string }[] }[];
}

function check(file: string): { report: Report; code: number | null } {
  const done = spawnSync("node_modules/.bin/tsx", ["cli/crust.ts", "check", file], { encoding: "utf8" });
  return { report: JSON.parse(done.stdout) as Report, code: done.status };
}

test("from an empty shop: a pale finish on bare oak goes wrong, is mended, dated, saved and exported", async ({
  page,
}, info) => {
  await page.goto("/");
  await expect(page.getByText("No jobs yet")).toBeVisible();
  await makeJob(page, { title: "Oak coffer", piece: "Coffer", zone: "Lid" });

  await addOnTop(page, "bone", "Chalk-type, bone white");
  await addOnTop(page, "dark wax", "Dark wax");
  await addOnTop(page, "satin", "Clear coat, satin");

  // the two cautions (one coat does not hide oak either) and the two stops, with their reasons
  await page.getByRole("link", { name: "Deselect" }).click();
  const cards = page.locator("[data-finding]");
  await expect(page.getByRole("contentinfo")).toContainText("2 stops");
  await expect(page.getByRole("contentinfo")).toContainText("2 cautions");
  await expect(cards.filter({ hasText: "Raw oak will bleed through" })).toContainText(
    "Nothing blocks the tannin under the first pale coat",
  );
  const overWax = cards.filter({ hasText: "will not stick to wax" });
  await overWax.locator("summary").click();
  await expect(overWax).toContainText("would bead, and peel within weeks");
  const stains = cards.filter({ hasText: "Dark wax may stain" });
  await stains.locator("summary").click();
  await expect(stains).toContainText("thirsty and unsealed");
  const before = await finish(page);

  // the tannin: block it
  await cards
    .filter({ hasText: "will bleed through" })
    .getByRole("button", { name: /shellac stain-block first/ })
    .click();
  await expect(page.getByRole("contentinfo")).toContainText("1 stop");
  await expect(page.locator("#ladder")).toContainText("Stain-block, shellac");

  // the film over wax: seal first, which also ends the staining
  await page.goto(page.url().replace(/\?.*/, ""));
  await page
    .locator("[data-finding=A4]")
    .getByRole("button", { name: /Seal before waxing/ })
    .click();
  await expect(page.getByRole("contentinfo")).toContainText("0 stops");
  await expect(page.getByRole("contentinfo")).toContainText("0 cautions");
  const after = await finish(page);
  expect(after).not.toBe(before);
  await saved(page);

  // one edit back and forth
  await page.getByRole("button", { name: /^Undo: Seal before waxing/ }).click();
  await expect(page.getByRole("contentinfo")).toContainText("1 stop");
  await page.getByRole("button", { name: /^Redo: Seal before waxing/ }).click();
  await expect(page.getByRole("contentinfo")).toContainText("0 stops");

  await reload(page);
  await expect(page.getByRole("contentinfo")).toContainText("0 stops");
  expect(await finish(page)).toBe(after);

  // a stop again, so that the file has something to say
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(page.getByRole("contentinfo")).toContainText("1 stop");
  await page.goto(page.url().replace(/\?.*/, ""));
  await expect(page.locator("[data-finding]").first()).toBeVisible();
  await page.locator("[data-notes]:not([open]) > summary").click();
  const closed = page.locator("[data-finding]:not([open]) > summary");
  while ((await closed.count()) > 0) await closed.first().click();
  const shown = await page.locator("[data-finding]").allInnerTexts();
  await page.goto("/");
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export Oak coffer" }).click();
  const file = info.outputPath("oak-coffer.crust.json");
  await (await download).saveAs(file);
  const { report, code } = check(file);
  expect(code).toBe(1);
  expect(report.counts).toMatchObject({ stop: 1, caution: 1 });
  expect(report.findings).toHaveLength(shown.length);
  for (const { title, because, severity, fixes } of report.findings) {
    const card = shown.find((text) => text.includes(title));
    for (const words of [severity, because, ...fixes.map((fix) => fix.label)]) expect(card).toContain(words);
  }
  expect(
    report.findings.every(
      (finding) => finding.because.length > 20 && (finding.severity === "note" || finding.fixes.length > 0),
    ),
  ).toBe(true);

  // the same under another time zone, a later clock and a busy machine
  const busy = Array.from({ length: 2 }, () => `node -e "for(const e=Date.now()+6000;Date.now()<e;);" &`).join(" ");
  const later = `Date.now=()=>4102444800000;const D=Date;globalThis.Date=class extends D{constructor(...a){a.length?super(...a):super(4102444800000)}};`;
  const elsewhere = execFileSync(
    "bash",
    [
      "-c",
      `${busy} node --import tsx --import "data:text/javascript,${encodeURIComponent(later)}" cli/crust.ts check "${file}"; true`,
    ],
    {
      encoding: "utf8",
      env: { ...process.env, TZ: "Pacific/Apia" },
    },
  );
  expect(elsewhere).toBe(
    spawnSync("node_modules/.bin/tsx", ["cli/crust.ts", "check", file], { encoding: "utf8" }).stdout,
  );

  // and the file comes back as it was
  await page.getByLabel("Crust file", { exact: true }).setInputFiles(file);
  await page.getByRole("button", { name: "Import" }).click();
  await page.waitForURL(/\/jobs\/import-/);
  await expect(page.getByRole("contentinfo")).toContainText("1 stop");
  const again = await page.request.get(`${new URL(page.url()).pathname.replace("/crust", "/export")}`);
  const { id: _mine, ...rest } = JSON.parse(await again.text());
  const { id: _theirs, ...first } = JSON.parse(readFileSync(file, "utf8"));
  expect(rest).toEqual(first);
});
