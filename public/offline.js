// Keeps the bench and the ledgers as they were last seen, so that they start without a connection. Everything else is asked of the
// shop. Whoever is put out keeps nothing: at the first refusal all of it goes.

const PAGES = "jolly-crust-pages";
const FILES = "jolly-crust-files";
const PATIENCE = 4000;
const SEEN = /^\/(bench|jobs\/[\w-]+\/ledger)(\.data)?$/;
const PICTURES = /^\/jobs\/[\w-]+\/photos\/[\w-]+$/;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

self.addEventListener("message", (event) => {
  const { keep, page } = event.data ?? {};
  if (!Array.isArray(keep)) return;
  event.waitUntil(
    (async () => {
      const files = await caches.open(FILES);
      for (const file of keep) if (!(await files.match(file))) await files.add(file).catch(() => undefined);
      if (typeof page === "string" && SEEN.test(page)) await seen(new Request(page), page).catch(() => undefined);
    })(),
  );
});

/** The same page with another step chosen is the same page. */
const keyOf = (url) => url.pathname;

async function seen(request, key) {
  const pages = await caches.open(PAGES);
  const kept = await pages.match(key);
  const timer = new AbortController();
  // a slow shop is waited for where there is nothing else to show
  const late = kept && setTimeout(() => timer.abort(), PATIENCE);
  try {
    const answer = await fetch(request, { signal: timer.signal });
    if (answer.status === 401) {
      await caches.delete(PAGES);
      return answer;
    }
    if (answer.ok && !answer.redirected) await pages.put(key, answer.clone());
    return answer;
  } catch (error) {
    if (kept) return kept;
    throw error;
  } finally {
    clearTimeout(late);
  }
}

async function file(request) {
  const files = await caches.open(FILES);
  const kept = await files.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok && !answer.redirected) await files.put(request, answer.clone());
  return answer;
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== self.location.origin) return;
  if (url.pathname.startsWith("/assets/")) event.respondWith(file(request));
  else if (SEEN.test(url.pathname)) event.respondWith(seen(request, keyOf(url)));
  else if (PICTURES.test(url.pathname)) event.respondWith(seen(request, url.pathname));
});

self.addEventListener("notificationclick", (event) => {
  event.notification.close();
  event.waitUntil(self.clients.openWindow("/bench"));
});
