import { useState } from "react";
import { Form } from "react-router";

/** Brings in a job, or a whole shop, from a file. */
export function ImportForm({ token, busy }: { token: string; busy: boolean }) {
  const [chosen, setChosen] = useState("");
  return (
    <Form
      method="post"
      encType="multipart/form-data"
      className="flex items-center gap-2"
      aria-label="Import a crust file"
    >
      <input type="hidden" name="token" value={token} />
      <label className="file-choice button">
        <span className="max-w-40 truncate">{chosen || "Choose a file"}</span>
        <input
          type="file"
          name="file"
          accept=".json,.zip,application/json,application/zip"
          aria-label="Crust file"
          onChange={({ target }) => setChosen(target.files?.[0]?.name ?? "")}
        />
      </label>
      <button name="do" value="import" className="button" disabled={busy}>
        {busy ? "Reading …" : "Import"}
      </button>
    </Form>
  );
}
