import { Form, useActionData, useLoaderData, useNavigation } from "react-router";
import { sayMoment } from "#core/units/when";
import { PageHead } from "~/parts/brand";
import { FileChoice } from "~/parts/file-choice";
import type { action, loader } from "~/routes/backup";

const sayBytes = (bytes: number) => (bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);

export default function BackupRoute() {
  const { empty, embedded, most, copies } = useLoaderData<typeof loader>();
  const result = useActionData<typeof action>();
  const busy = useNavigation().state !== "idle";
  return (
    <div className="min-h-screen">
      <PageHead title="Backup" />
      <main className="mx-auto max-w-3xl px-5 py-6">
        <h1 className="text-view">The whole shop in one file</h1>
        {embedded ? (
          <>
            <p className="mt-2 max-w-prose">
              Jobs, edits, ledgers, photos, the shelf and the schedule, as they are at this moment, checked before you
              get it. You can work on meanwhile. Keep the file on another machine.
            </p>
            <p className="mt-3">
              <a className="button button-main min-h-11" href="/shop/backup.db" download>
                Download a backup
              </a>
            </p>
            <h2 className="mt-8 text-[1.0625rem]">Made by itself</h2>
            <p className="text-soft">
              One copy a day beside the data, {most} of them; the oldest goes. They do not help if this machine is lost.
            </p>
            {copies.length === 0 && <p className="mt-2">None yet: the first is made soon after the shop is opened.</p>}
            <ul className="mt-2">
              {copies.map(({ name, bytes, at }) => (
                <li key={name} className="flex items-center gap-4 border-b border-hair py-2">
                  <span className="flex-1">{sayMoment(at)}</span>
                  <span className="text-soft">{sayBytes(bytes)}</span>
                  <a className="button" href={`/shop/backup.db?copy=${name}`} download>
                    Download
                  </a>
                </li>
              ))}
            </ul>
          </>
        ) : (
          <p className="mt-2">The data are on a database server: back it up there, with that server's own means.</p>
        )}
        <h2 className="mt-8 text-[1.0625rem]">Restore</h2>
        {empty ? (
          <Form method="post" encType="multipart/form-data" className="mt-2 flex flex-wrap items-end gap-3">
            <FileChoice label="The backup" says="Choose the backup" name="backup" accept=".db" className="min-h-11" />
            <button className="button button-main min-h-11" disabled={busy}>
              {busy ? "Reading it …" : "Restore it here"}
            </button>
          </Form>
        ) : (
          <p className="text-soft">
            A backup is restored into a shop without jobs, so that nothing is overwritten. Start one with another data
            folder: <code>JOLLY_CRUST_DATA=other npm run restore -- the-file.db</code>
          </p>
        )}
        {result && (
          <p role="alert" className="mt-2 font-semibold text-ochre">
            {result.says}
          </p>
        )}
      </main>
    </div>
  );
}
