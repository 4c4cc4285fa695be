import { useEffect } from "react";

/**
 * Lets the bench and the ledger start without a connection, on what was last seen: where the browser allows it, which is on this
 * machine and on devices that trust the shop's certificate.
 */
export function useOffline() {
  useEffect(() => {
    if (import.meta.env.DEV || !("serviceWorker" in navigator)) return;
    void navigator.serviceWorker
      .register("/offline.js")
      .then(() => navigator.serviceWorker.ready)
      .then(({ active }) => {
        // what this page was made of was loaded before there was anybody to keep it
        const files = performance
          .getEntriesByType("resource")
          .map(({ name }) => name)
          .filter((name) => name.startsWith(`${window.location.origin}/assets/`));
        active?.postMessage({ keep: files, page: window.location.pathname });
      })
      .catch(() => undefined);
  }, []);
}
