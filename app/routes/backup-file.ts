import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { backUp, copyPath } from "#db/backup";
import { resource, troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/backup-file";

const file = (bytes: Buffer, name: string) =>
  new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "application/octet-stream",
      "Content-Disposition": `attachment; filename="${name}"`,
      "Cache-Control": "no-store",
    },
  });

/** The whole shop as one file: as it is now, or one of the copies that were made by themselves. */
export const loader = ({ request }: Route.LoaderArgs) =>
  resource(() =>
    withStore(async (store) => {
      const name = new URL(request.url).searchParams.get("copy");
      if (name !== null) {
        const path = copyPath(store, name);
        if (path === null) throw troubleResponse(404, "No such copy", "Choose one from the list on the Backup page.");
        return file(readFileSync(path), name);
      }
      const folder = mkdtempSync(join(tmpdir(), "jolly-crust-"));
      try {
        const path = join(folder, "shop.db");
        await backUp(store, path);
        return file(readFileSync(path), `jolly-crust-${new Date().toISOString().slice(0, 10)}.db`);
      } finally {
        rmSync(folder, { recursive: true, force: true });
      }
    }),
  );
