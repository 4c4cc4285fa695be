import { callerOf } from "~/http/access.server";
import { readText } from "~/http/body.server";
import { behindOf, HandIn, type HandInResult, logPress } from "~/http/log.server";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/bench-log";

const answer = (body: unknown, status = 200) =>
  Response.json(body, { status, headers: { "Cache-Control": "no-store" } });

/** The shop's clock, for devices to set theirs by. */
export function loader() {
  return answer({ now: Date.now() });
}

/** Takes what a device has logged, in the order in which it happened; each line once. */
export async function action({ request }: Route.ActionArgs) {
  const now = Date.now();
  const text = await readText(request);
  let raw: unknown;
  try {
    raw = JSON.parse(text ?? "");
  } catch {
    return answer({ says: "This arrived incomplete. It is kept on the device and sent again." }, 400);
  }
  const read = HandIn.safeParse(raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    return answer({ says: `This cannot be read: ${issue?.path.join(".") ?? ""} ${issue?.message ?? ""}`.trim() }, 400);
  }
  const behind = behindOf(read.data.sentAt, now);
  return withStore(async (store) => {
    const caller = await callerOf(store, request);
    const device = caller.is === "device" ? caller.device.id : null;
    const results: HandInResult[] = [];
    for (const press of read.data.lines) results.push(await logPress(store, press, { now, behind, device }));
    return answer({ now: Date.now(), results });
  });
}
