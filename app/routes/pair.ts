import { nanoid } from "nanoid";
import { pair } from "#db/devices";
import { fieldsOf } from "~/forms/fields";
import { cookieFor, digestOf } from "~/http/access.server";
import { readForm } from "~/http/body.server";
import { pairPage } from "~/http/plain-page";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/pair";

const page = (body: string, status = 200) =>
  new Response(body, {
    status,
    headers: {
      "Content-Type": "text/html; charset=utf-8",
      "Cache-Control": "no-store",
      "Content-Security-Policy":
        "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
    },
  });

/** The only page that a device sees before it is let in: it needs nothing but itself. */
export function loader({ request }: Route.LoaderArgs) {
  return page(pairPage({ code: (new URL(request.url).searchParams.get("code") ?? "").slice(0, 12), says: null }));
}

const MOST_NAME = 40;

export async function action({ request }: Route.ActionArgs) {
  const fields = fieldsOf(await readForm(request));
  const code = (fields.code ?? "").slice(0, 20);
  const name =
    (fields.name ?? "")
      .trim()
      .replaceAll(/\p{Cc}/gu, " ")
      .slice(0, MOST_NAME) || "A device";
  return withStore(async (store) => {
    const device = await pair(store, { digest: digestOf(code), id: nanoid(21), name });
    if (!device)
      return page(
        pairPage({
          code: "",
          says: "That code is not known, or was used, or its ten minutes are over. Make a new one on the main machine.",
        }),
        403,
      );
    return new Response(null, {
      status: 303,
      headers: { Location: device.role === "owner" ? "/" : "/bench", "Set-Cookie": await cookieFor(device.id) },
    });
  });
}
