import { Tooltip } from "radix-ui";
import { type ReactNode, useEffect } from "react";
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useLocation, useRouteError } from "react-router";
import { Toaster } from "sonner";
import type { Route } from "./+types/root";
import "./app.css";
import { admitDevices, guardRequests } from "./http/security.server";
import { FirstMeetings } from "./parts/term";
import { TroublePage } from "./parts/trouble-page";

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

export default function App() {
  const { pathname } = useLocation();
  useEffect(() => {
    // from here on scripts handle keys and buttons
    document.documentElement.dataset.live = "yes";
  }, []);
  return (
    <Tooltip.Provider>
      <FirstMeetings page={pathname}>
        <Outlet />
      </FirstMeetings>
      <Toaster position="bottom-center" offset={56} toastOptions={{ className: "font-text" }} />
    </Tooltip.Provider>
  );
}

export function ErrorBoundary() {
  return <TroublePage error={useRouteError()} />;
}
