import { Tooltip } from "radix-ui";
import { createContext, Fragment, type ReactNode, use, useId, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { anchorOf, cutAtWords, type Entry, entryOf } from "~/words/glossary";

/** Which place on the page explains a word: the first that asked. */
const Meetings = createContext<Map<Entry, string>>(new Map());

/** A page, or a card on it, in which each trade word is explained once, where it first appears. */
export function FirstMeetings({ page, children }: { page?: string; children: ReactNode }) {
  // another page is another first meeting, and what stays on screen from page to page is not made again for it
  // biome-ignore lint/correctness/useExhaustiveDependencies: the map belongs to the page
  const meetings = useMemo(() => new Map<Entry, string>(), [page]);
  return <Meetings value={meetings}>{children}</Meetings>;
}

function useFirst(entry: Entry | undefined, id: string): boolean {
  const meetings = use(Meetings);
  if (!entry) return false;
  if (!meetings.has(entry)) meetings.set(entry, id);
  return meetings.get(entry) === id;
}

/**
 * A trade word with its meaning: under the pointer, on focus, at a tap. Before scripts run, and at a second tap, it is a link to
 * the Words page.
 */
function Explanation({ entry, children }: { entry: Entry; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const tapped = useRef<"to open" | "again" | null>(null);
  return (
    <Tooltip.Root open={open} onOpenChange={setOpen} delayDuration={250}>
      <Tooltip.Trigger asChild>
        <Link
          to={`/words#${anchorOf(entry.word)}`}
          className="term"
          onPointerDown={(event) => {
            tapped.current = event.pointerType === "touch" ? (open ? "again" : "to open") : null;
          }}
          onClick={(event) => {
            if (tapped.current !== "to open") return;
            event.preventDefault();
            setOpen(true);
          }}
        >
          {children}
        </Link>
      </Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          side="bottom"
          align="start"
          sideOffset={4}
          collisionPadding={8}
          className="z-40 max-w-[280px] rounded-std border border-line bg-board px-3 py-2 text-note font-normal text-ink shadow-lg shadow-shade/15"
        >
          <b className="font-semibold">{entry.word}:</b> {entry.means}.
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}

/** One trade word, explained here if the page has not done so yet. */
export function Term({ of: word, children }: { of: string; children?: ReactNode }) {
  const id = useId();
  const entry = entryOf(word);
  const first = useFirst(entry, id);
  return entry && first ? <Explanation entry={entry}>{children ?? word}</Explanation> : (children ?? word);
}

/** A sentence whose trade words are explained where the page first uses them. */
export function Explained({ text }: { text: string }) {
  return cutAtWords(text).map((piece, index) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: the pieces of a sentence have no other order
    <Fragment key={index}>
      {typeof piece === "string" ? piece : <Term of={piece.entry.word}>{piece.text}</Term>}
    </Fragment>
  ));
}
