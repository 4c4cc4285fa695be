import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { KeysList } from "./keys-list";

/** The keys, under `?`. Before scripts run, the button is a link to a page with the same list. */
export function KeysDialog({ children }: { children: ReactNode }) {
  const [open, setOpen] = useState(false);
  useKey(KEYS.job.keys.keys, () => setOpen(true));
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild onClick={(event) => event.preventDefault()}>
        {children}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-shade/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 max-h-[90vh] w-[860px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-std border border-line bg-board p-7 shadow-xl shadow-shade/20"
        >
          <div className="mb-4 flex items-baseline justify-between">
            <Dialog.Title className="text-view">Keys</Dialog.Title>
            <Dialog.Close
              className="flex size-8 items-center justify-center rounded-full border border-line hover:border-ink"
              aria-label="Close"
            >
              <X size={16} strokeWidth={1.5} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <KeysList heading="h3" />
          <p className="mt-5 border-t border-line pt-3 text-soft">
            Not sure of a trade word?{" "}
            <Link to="/words" className="link" onClick={() => setOpen(false)}>
              Words
            </Link>{" "}
            explains each in a line.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
