import { Form } from "react-router";
import { FileChoice } from "~/parts/file-choice";

/** Brings in a job, or a whole shop, from a file. */
export function ImportForm({ token, busy }: { token: string; busy: boolean }) {
  return (
    <Form
      method="post"
      encType="multipart/form-data"
      className="flex min-w-0 items-center gap-2"
      aria-label="Import a crust file"
    >
      <input type="hidden" name="token" value={token} />
      <FileChoice
        name="file"
        accept=".json,.zip,application/json,application/zip"
        label="Crust file"
        says="Choose a job's file"
      />
      <button name="do" value="import" className="button" disabled={busy}>
        {busy ? "Reading …" : "Import"}
      </button>
    </Form>
  );
}
