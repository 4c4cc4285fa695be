import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { data, redirect } from "react-router";
import { COPIES, copiesOf, isEmpty, restore } from "#db/backup";
import { afterPaint } from "~/first/after-paint";
import { readForm } from "~/http/body.server";
import { withStore } from "~/http/trouble.server";
import { noteShopChanged } from "~/http/written.server";
import { todayNow } from "~/shelf/today";
import type { Route } from "./+types/backup";

export const loader = () =>
  withStore(async (store) => ({
    empty: await isEmpty(store),
    embedded: store.place.file !== null,
    most: COPIES,
    copies: copiesOf(store).map(({ name, bytes, at }) => ({ name, bytes, at: todayNow(at) })),
  }));

/** Reads a backup into this shop, if it has no jobs. */
export async function action({ request }: Route.ActionArgs) {
  const form = await readForm(request);
  const file = form.get("backup");
  if (!(file instanceof File) || file.size === 0) return data({ says: "Choose the backup first." }, { status: 422 });
  return withStore(async (store) => {
    const folder = mkdtempSync(join(tmpdir(), "jolly-crust-"));
    try {
      const path = join(folder, "shop.db");
      writeFileSync(path, Buffer.from(await file.arrayBuffer()));
      const wrong = await restore(store, path);
      if (wrong) return data({ says: `${wrong} Nothing was changed.` }, { status: 422 });
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
    noteShopChanged();
    return redirect("/");
  });
}

export const meta = () => [{ title: "Backup · Jolly Crust" }];

export default afterPaint(() => import("~/views/backup"));
