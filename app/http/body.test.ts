import { describe, expect, it } from "vitest";
import { answered } from "../../tests/own-shop";
import { readForm, readText } from "./body.server";
import { bodyLimit, MOST_ARCHIVE_BYTES } from "./guard.server";
import { pairPage, plainPage } from "./plain-page";
import { contentPolicy, PLAIN_HEADERS } from "./security.server";

/** A body that comes in pieces, without saying how long it is; counts how many were taken. */
function inPieces(piece: Uint8Array, pieces: number) {
  let taken = 0;
  let cancelled = false;
  const body = new ReadableStream<Uint8Array>(
    {
      pull(controller) {
        if (taken === pieces) controller.close();
        else {
          taken++;
          controller.enqueue(piece);
        }
      },
      cancel() {
        cancelled = true;
      },
    },
    { highWaterMark: 0 },
  );
  return { body, taken: () => taken, cancelled: () => cancelled };
}

const posted = (path: string, body: BodyInit | ReadableStream, type: string) =>
  new Request(`http://127.0.0.1:4173${path}`, {
    method: "POST",
    body,
    headers: { "Content-Type": type },
    duplex: "half",
  } as RequestInit);

const FORM = "application/x-www-form-urlencoded";

describe("what comes in", () => {
  it("is stopped where it grows beyond what its page takes, however long it said it was", async () => {
    const path = "/jobs/x/crust";
    const piece = new Uint8Array(100_000).fill(97);
    const coming = inPieces(piece, 5000);
    const { status, body } = await answered(readForm(posted(path, coming.body, FORM)));
    expect(status).toBe(413);
    expect(body.says).toMatch(/MB|kB/);
    expect(coming.cancelled()).toBe(true);
    expect(coming.taken() * piece.length).toBeLessThanOrEqual(bodyLimit(path) + 2 * piece.length);
  });

  it("is taken whole up to there", async () => {
    const text = `note=${"x".repeat(20_000)}`;
    const form = await readForm(posted("/jobs/x/crust", text, FORM));
    expect(String(form.get("note"))).toHaveLength(20_000);
  });

  it("may be a whole shop where shops are brought in, and nowhere else", () => {
    expect(MOST_ARCHIVE_BYTES).toBeGreaterThan(bodyLimit("/jobs/x/crust"));
    expect(bodyLimit("/jobs/x/edit")).toBeLessThan(10_000_000);
  });

  it.each([["application/json"], ["text/plain"], [""]])("is no form as %j", async (type) => {
    const { status, body } = await answered(readForm(posted("/shelf", "do=bought", type)));
    expect(status).toBe(415);
    expect(body.says).toMatch(/Nothing was changed/);
  });

  it("is read as text only where it is text", async () => {
    expect(await readText(posted("/jobs/x/edit", "ΔE 3 µm", "application/json"))).toBe("ΔE 3 µm");
    const broken = new Uint8Array([123, 0xff, 0xfe, 125]);
    expect(await readText(posted("/jobs/x/edit", broken, "application/json"))).toBeNull();
    expect(await readText(new Request("http://127.0.0.1/x", { method: "POST" }))).toBe("");
  });
});

describe("what goes out", () => {
  it("a page that says one thing has no room for anything else: what it is given is text", () => {
    const page = plainPage({ title: '<script>alert("a")</script>', says: "a & b < c 'd'" });
    expect(page).not.toContain("<script");
    expect(page).toContain("&lt;script&gt;alert(&quot;a&quot;)&lt;/script&gt;");
    expect(page).toContain("a &amp; b &lt; c &#39;d&#39;");
    expect(page).toMatch(/<html lang="en">/);
    expect(page).toContain('<a href="/">');
  });

  it("so has the page on which a device is paired", () => {
    const page = pairPage({ code: '"><img src=x>', says: "<b>no</b>" });
    expect(page).not.toContain("<img");
    expect(page).not.toContain("<b>no");
    expect(page).toContain('role="alert"');
    expect(pairPage({ code: "", says: null })).not.toContain('role="alert"');
  });

  it("pages run the shop's own scripts and load nothing from elsewhere, and nobody frames them", () => {
    const policy = Object.fromEntries(
      contentPolicy("abc123")
        .split("; ")
        .map((line) => [line.split(" ", 1)[0], line.split(" ").slice(1)]),
    );
    expect(policy["default-src"]).toEqual(["'self'"]);
    expect(policy["script-src"]).toEqual(["'self'", "'nonce-abc123'"]);
    expect(policy["connect-src"]).toEqual(["'self'"]);
    expect(policy["frame-ancestors"]).toEqual(["'none'"]);
    expect(policy["base-uri"]).toEqual(["'none'"]);
    expect(policy["form-action"]).toEqual(["'self'"]);
    expect(JSON.stringify(policy)).not.toMatch(/https?:|\*|unsafe-eval/);
    expect(PLAIN_HEADERS["X-Content-Type-Options"]).toBe("nosniff");
    expect(PLAIN_HEADERS["X-Frame-Options"]).toBe("DENY");
  });
});
