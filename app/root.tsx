import { type ReactNode, Suspense, useEffect } from "react";
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useRouteError } from "react-router";
import type { Route } from "./+types/root";
import "./app.css";
import { afterPaint } from "~/first/after-paint";
import { TroublePage } from "~/first/trouble-page";
import { admitDevices, guardRequests } from "./http/security.server";

export const middleware: Route.MiddlewareFunction[] = [guardRequests, admitDevices];

export const meta: Route.MetaFunction = () => [{ title: "Jolly Crust" }];

export function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <link rel="manifest" href="/manifest.webmanifest" crossOrigin="use-credentials" />
        <link rel="apple-touch-icon" href="/icon-192.png" />
        <meta name="theme-color" media="(prefers-color-scheme: light)" content="#f3eee3" />
        <meta name="theme-color" media="(prefers-color-scheme: dark)" content="#1e1915" />
        <Meta />
        <Links />
      </head>
      <body className="min-h-screen">
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  );
}

/** From here on scripts handle keys and buttons. Stands beside the page, so that it knows when all of that can be used. */
function Live() {
  useEffect(() => {
    document.documentElement.dataset.live = "yes";
  }, []);
  return null;
}

const Around = afterPaint(() => import("./parts/around"));

export default function App() {
  return (
    <Suspense>
      <Around>
        <Outlet />
      </Around>
      <Live />
    </Suspense>
  );
}

export function ErrorBoundary() {
  return <TroublePage error={useRouteError()} />;
}
