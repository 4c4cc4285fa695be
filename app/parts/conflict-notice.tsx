import { useJobEditor } from "~/editor/job-editor";

/**
 * Another window saved first. Nothing is sent until the painter has chosen, and nothing typed is lost before that.
 */
export function ConflictNotice() {
  const { queue, resolve, settleContested } = useJobEditor();
  if (queue.contested.length > 0)
    return (
      <div
        role="alert"
        className="flex items-center gap-4 border-b border-line border-l-4 border-l-sienna bg-board px-5 py-2.5"
      >
        <p className="flex-1">
          <b className="font-semibold">Edits from an earlier page were not saved:</b>{" "}
          {queue.contested.map((edit) => edit.label).join("; ")}. The same places have been changed since. They are kept
          here until you choose.
        </p>
        <button type="button" className="button button-main" onClick={() => settleContested("mine")}>
          Use my edits
        </button>
        <button type="button" className="button" onClick={() => settleContested("theirs")}>
          Discard my edits
        </button>
      </div>
    );
  if (queue.state !== "overtaken") return null;
  return (
    <div
      role="alert"
      className="flex items-center gap-4 border-b border-line border-l-4 border-l-sienna bg-board px-5 py-2.5"
    >
      <p className="flex-1">
        <b className="font-semibold">This job was changed in another window:</b>{" "}
        {queue.since.join("; ") || "an edit was undone"}. <b className="font-semibold">Yours is not saved yet:</b>{" "}
        {queue.pending.map((edit) => edit.label).join("; ")}.
      </p>
      <button type="button" className="button button-main" onClick={() => resolve("mine")}>
        Keep both
      </button>
      <button type="button" className="button" onClick={() => resolve("theirs")}>
        Discard mine
      </button>
    </div>
  );
}
