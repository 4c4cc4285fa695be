import { bodyLimit, MOST_ARCHIVE_BYTES, tooLarge } from "./guard.server";
import { troubleResponse } from "./trouble.server";

const FORMS = /^(application\/x-www-form-urlencoded|multipart\/form-data)\b/i;

/**
 * The body of a request as it arrives, stopped where it grows beyond what its path accepts; a declared length counts
 * for nothing.
 */
async function readBounded(request: Request): Promise<Buffer> {
  const { pathname } = new URL(request.url);
  // the framework takes the sign of the jobs list's form off its address; the front has gone by it
  const limit = pathname === "/" ? MOST_ARCHIVE_BYTES : bodyLimit(pathname);
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let read = await reader?.read(); read?.value; read = await reader?.read()) {
    size += read.value.length;
    if (size > limit) {
      await reader?.cancel();
      const { status, title, says } = tooLarge(limit);
      throw troubleResponse(status, title, says);
    }
    parts.push(read.value);
  }
  return Buffer.concat(parts);
}

/** The fields of a form; anything else is refused with a sentence. */
export async function readForm(request: Request): Promise<FormData> {
  const type = request.headers.get("Content-Type") ?? "";
  if (!FORMS.test(type))
    throw troubleResponse(
      415,
      "That is not a form",
      "Jolly Crust only reads its own forms. Nothing was changed; open the page and use the form there.",
    );
  const body = await readBounded(request);
  try {
    return await new Response(new Uint8Array(body), { headers: { "Content-Type": type } }).formData();
  } catch {
    throw troubleResponse(
      400,
      "The form arrived damaged",
      "It broke off on the way, and nothing was changed. Go back and send it again.",
    );
  }
}

/** The text of a request; null if it is not valid text. */
export async function readText(request: Request): Promise<string | null> {
  const body = await readBounded(request);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(body);
  } catch {
    return null;
  }
}
