import { Tooltip } from "radix-ui";
import type { ReactNode } from "react";
import { useLocation } from "react-router";
import { Toaster } from "sonner";
import { FirstMeetings } from "./term";

/** What every page stands in: words explained where they are first met on it, and short messages at its foot. */
export default function Around({ children }: { children?: ReactNode }) {
  const { pathname } = useLocation();
  return (
    <Tooltip.Provider>
      <FirstMeetings page={pathname}>{children}</FirstMeetings>
      <Toaster position="bottom-center" offset={56} toastOptions={{ className: "font-text" }} />
    </Tooltip.Provider>
  );
}
