import type { RouteConfigEntry } from "@react-router/dev/routes";
import { beforeAll, describe, expect, it } from "vitest";
import { harbourStool, lampShelf } from "#demo/hobnail-yard";
import { type Packed, unpacked } from "~/first/packed";
import { answered, ownJob } from "../../tests/own-shop";
import routes from "../routes";

// What the server reads for every address: whatever is written in one, the answer is a page, a file or a sentence, and never a fault
// of ours.

interface Loaded {
  path: string;
  /** within a page that has read the job already */
  isWithin: boolean;
  load: (address: string, params: Record<string, string>) => ReturnType<typeof answered>;
}

const MODULES = import.meta.glob<{ loader?: (args: object) => unknown }>("./*.{ts,tsx}");

type Addressed = Pick<Loaded, "path" | "isWithin"> & { file: string };

function flat(entries: readonly RouteConfigEntry[], under = ""): Addressed[] {
  return entries.flatMap(({ path = "", file, children = [] }) => {
    const whole = [under, path].filter(Boolean).join("/");
    return [{ path: whole, isWithin: under !== "", file: file.replace("routes/", "./") }, ...flat(children, whole)];
  });
}

/**
 * A tool at the bench, the room's logger and a code to pair are asked of other machines, and an edit that is opened as
 * a page leads to the job: they have tests of their own.
 */
const ELSEWHERE = new Set(["bench/tool", "room-sensor", "pair", "shop/backup.db", "jobs/:planId/edit"]);

let all: Loaded[] = [];
let planId = "";

beforeAll(async () => {
  planId = (await ownJob(lampShelf())).id;
  await ownJob({ ...harbourStool(), state: "finished" });
  const found = await Promise.all(
    flat(routes)
      .filter(({ path }) => !ELSEWHERE.has(path) && path !== "*")
      .map(async ({ file, ...where }) => ({ ...where, loader: (await MODULES[file]!()).loader })),
  );
  all = found.flatMap(({ loader, ...where }) =>
    loader
      ? [
          {
            ...where,
            load: (address, params) =>
              answered(
                (async () =>
                  loader({ request: new Request(`http://127.0.0.1:4173/${address}`), params, context: {} }))(),
              ).then((answer) => answer),
          },
        ]
      : [],
  );
});

const ofJobs = () => all.filter(({ path, isWithin }) => path.includes(":planId") && !isWithin);
const addressOf = (path: string, id: string) =>
  path.replace(":planId", encodeURIComponent(id)).replace(":photoId", "none");

describe("what the server reads for an address", () => {
  it("is there for every page of a job, of the shop and of the tool", async () => {
    expect(all.length).toBeGreaterThan(35);
    for (const { path, load } of all) {
      const { status } = await load(addressOf(path, planId), { planId, photoId: "none" });
      // a picture may not be there yet, and a board's needs a zone
      const fine = /photo|\.png$/.test(path) ? [200, 302, 404] : [200, 302];
      expect(fine, `${path} answers ${status}`).toContain(status);
    }
  });

  it.each([
    ["a job that is gone", "gone-for-good"],
    ["an id that none has", "../../etc/passwd"],
    ["a name that every object has", "__proto__"],
    ["a very long one", "x".repeat(3000)],
    ["one with a line break", "a\r\nSet-Cookie: b=c"],
    ["nothing visible", "\u200b"],
  ])("of %s is not found, whatever is asked of it", async (_what, id) => {
    for (const { path, load } of ofJobs()) {
      const { status, body } = await load(addressOf(path, id), { planId: id, photoId: "none" });
      expect(status, path).toBe(404);
      const says = typeof body === "string" ? body : body.says;
      expect(says, path).not.toMatch(/[\r\n]Set-Cookie/);
      expect(says.length, path).toBeLessThan(4000);
    }
  });

  const GARBLED = [
    "zone=__proto__&step=constructor&material=toString&panel=valueOf&light=hasOwnProperty&lanes=__proto__",
    "after=NaN&width=1e9&height=-1&seed=Infinity&more=-5&page=0",
    "after=999999&width=abc&height=1&seed=0.5&more=1e21&page=1e300",
    "q=%00%ff&state=nobody&client=%E2%80%AE&show=x&for=shop&ways=yes&as=edited",
    `q=${"long ".repeat(500)}&of=${"x".repeat(5000)}`,
    "photo=../../x&against=%2e%2e&view=mark&draw=1&add=-1&piece=none&finding=none",
    "size=huge&measures=parsecs&copy=many&tin=none&from=never&to=2026-99-99&careful=&both=",
    "zone=a&zone=b&step=&step=&tool=wax&kind=&fits=yes&piece=__proto__&finish=constructor&variant=__proto__",
    "job=nobody&job=__proto__&hands=&unseen=%0d%0a&place=&sort=__proto__&dir=up",
  ];

  it.each(GARBLED.map((search) => [search.slice(0, 60), search]))(
    "with what nobody can mean behind it is answered all the same: %s",
    async (_what, search) => {
      for (const { path, load } of all) {
        const { status } = await load(`${addressOf(path, planId)}?${search}`, { planId, photoId: "none" });
        expect(status, `${path}?${search.slice(0, 80)}`).toBeLessThan(500);
      }
    },
  );
});

describe("what a page gets", () => {
  const loaded = async (address: string) => {
    const { path, load } = all.find(({ path }) => path === address.split("?")[0])!;
    expect(path).toBeDefined();
    return (await load(address, { planId, photoId: "none" })).body;
  };

  it("of the shelf: what the jobs need, and what a tin can be of only where tins are", async () => {
    const page = async (address: string) =>
      unpacked((await loaded(address)).needs as Packed<{ lines: unknown[]; materials: unknown[] }>);
    const needs = await page("shelf");
    expect(needs.lines.length).toBeGreaterThan(3);
    expect(needs.materials).toEqual([]);
    const tins = await page("shelf?show=tins");
    expect(tins.materials.length).toBeGreaterThan(50);
  });
});
