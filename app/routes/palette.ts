import { bodyColour } from "#core/colour/material-colour";
import { writePalette } from "#core/exchange/palette";
import type { PaletteColour } from "#core/plan/plan";
import { getJob } from "#db/plans";
import { noSuchJob, planIdOf, resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/palette";

/** The colours of a job as a GIMP palette: the target colours, then those of its materials. */
export const loader = ({ params }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const job = await withStore((store) => getJob(store, planId));
    if (!job) throw noSuchJob(planId);
    const { plan } = job;
    const own: PaletteColour[] = plan.pinned.materials.map((material) => ({
      name: material.name,
      colour: bodyColour(material),
    }));
    return new Response(writePalette(plan.title, [...plan.palette, ...own]), {
      headers: {
        "Content-Type": "text/plain; charset=utf-8",
        "Content-Disposition": `attachment; filename="${plan.id.replace(/[^a-zA-Z0-9-]/g, "-")}.gpl"`,
        "Cache-Control": "no-store",
      },
    });
  });
