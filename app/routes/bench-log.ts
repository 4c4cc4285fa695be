import { callerOf } from "~/http/access.server";
import { savePhoto } from "~/http/bench-action.server";
import { readForm, readText } from "~/http/body.server";
import { behindOf, HandIn, type HandInResult, logPress } from "~/http/log.server";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/bench-log";

const answer = (body: unknown, status = 200) =>
  Response.json(body, { status, headers: { "Cache-Control": "no-store" } });

/** The shop's clock, for devices to set theirs by. */
export function loader() {
  return answer({ now: Date.now() });
}

const isForm = (request: Request) => request.headers.get("Content-Type")?.startsWith("multipart/form-data") ?? false;

/** What was handed in: lines as text, or one press with its photo. Null where it cannot be read at all. */
async function handedIn(request: Request): Promise<{ raw: unknown; photo: unknown } | null> {
  try {
    if (!isForm(request)) return { raw: JSON.parse((await readText(request)) ?? ""), photo: null };
    const form = await readForm(request);
    return { raw: JSON.parse(String(form.get("press") ?? "")), photo: form.get("photo") };
  } catch (error) {
    if (error instanceof SyntaxError) return null;
    throw error;
  }
}

/** Takes what a device has logged, in the order in which it happened; each line once. */
export async function action({ request }: Route.ActionArgs) {
  const now = Date.now();
  const handed = await handedIn(request);
  if (handed === null)
    return answer({ says: "This arrived incomplete. It is kept on the device and sent again." }, 400);
  const read = HandIn.safeParse(handed.raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    return answer({ says: `This cannot be read: ${issue?.path.join(".") ?? ""} ${issue?.message ?? ""}`.trim() }, 400);
  }
  const behind = behindOf(read.data.sentAt, now);
  return withStore(async (store) => {
    const caller = await callerOf(store, request);
    const device = caller.is === "device" ? caller.device.id : null;
    const results: HandInResult[] = [];
    for (const press of read.data.lines) {
      const [first] = press.events;
      const wrong = handed.photo === null ? null : await savePhoto(store, press.planId, first, handed.photo);
      results.push(
        wrong === null
          ? await logPress(store, press, { now, behind, device })
          : { id: first!.id, is: "refused", says: wrong },
      );
    }
    return answer({ now: Date.now(), results });
  });
}
