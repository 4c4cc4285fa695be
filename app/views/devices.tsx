import { Form, useActionData, useLoaderData } from "react-router";
import { sayMoment } from "#core/units/when";
import type { Role } from "#db/devices";
import { PageHead } from "~/parts/brand";
import type { action, loader } from "~/routes/devices";

const ROLE_WORDS: Record<Role, { name: string; may: string }> = {
  hand: { name: "Hand", may: "the bench and the ledgers; no prices" },
  "looker-on": { name: "Looker-on", may: "looks at the bench and the ledgers, changes nothing" },
  owner: { name: "Owner", may: "everything" },
};

export default function DevicesRoute() {
  const { door, here, devices } = useLoaderData<typeof loader>();
  const result = useActionData<typeof action>();
  return (
    <div className="min-h-screen">
      <PageHead title="Devices" />
      <main className="mx-auto max-w-3xl px-5 py-6">
        <h1 className="text-view">The devices of the shop</h1>
        {result?.says && (
          <p role="alert" className="mt-2 font-semibold text-ochre">
            {result.says}
          </p>
        )}
        {door === null ? (
          <section className="mt-3">
            <p>
              The shop is only open on this machine. Open it to your own network, and phones and tablets can have the
              bench. Each device is paired once, with a code; an unpaired device sees nothing.
            </p>
            {here && (
              <Form method="post" className="mt-3">
                <button className="button button-main min-h-11" name="do" value="open">
                  Open it to the shop's network
                </button>
              </Form>
            )}
          </section>
        ) : (
          <section className="mt-3" aria-label="Pair a device">
            <p>
              Open at{" "}
              {door.addresses.length > 0 ? (
                <b className="font-semibold">{door.addresses.join(" or ")}</b>
              ) : (
                "no address: this machine is on no network"
              )}
              .
            </p>
            <p className="mt-2 text-note text-soft">
              The connection is encrypted with a certificate that this machine made itself, so the browser warns about
              it the first time. Compare the fingerprint it shows with this one, then continue: {door.fingerprint}. For
              the bench to start without a connection, the device has to trust the certificate permanently; until then
              it works only while it can reach the shop.
            </p>
            <Form method="post" className="mt-4 flex flex-wrap items-end gap-3" aria-label="Make a code">
              <label>
                The new device is for
                <select name="role" className="field min-h-11" defaultValue="hand">
                  {(["hand", "looker-on", "owner"] as const).map((role) => (
                    <option key={role} value={role}>
                      {ROLE_WORDS[role].name}: {ROLE_WORDS[role].may}
                    </option>
                  ))}
                </select>
              </label>
              <button className="button button-main min-h-11" name="do" value="code">
                Make a code
              </button>
            </Form>
            {result?.pairing && (
              <div className="mt-4 flex flex-wrap items-center gap-6 border border-line bg-board p-5" role="status">
                {result.pairing.picture && (
                  <img src={result.pairing.picture} alt="The same as a code for a camera" width={200} height={200} />
                )}
                <div>
                  <p className="text-soft">{ROLE_WORDS[result.pairing.role].name}, once, within ten minutes</p>
                  <p className="font-head text-[2.75rem] leading-tight font-semibold" data-code={result.pairing.code}>
                    {result.pairing.code}
                  </p>
                  {result.pairing.link && <p className="text-note break-all text-soft">{result.pairing.link}</p>}
                </div>
              </div>
            )}
          </section>
        )}
        <h2 className="mt-8 text-[1.0625rem]">Paired</h2>
        {devices.length === 0 && <p className="text-soft">None yet.</p>}
        <ul>
          {devices.map(({ id, name, role, paired, seen, out }) => (
            <li key={id} className="flex flex-wrap items-center gap-3 border-b border-hair py-2">
              <Form method="post" className="flex items-center gap-2" aria-label={`Name of ${name}`}>
                <input type="hidden" name="device" value={id} />
                <input name="name" aria-label="Name" className="field w-48" defaultValue={name} maxLength={40} />
                <button className="button" name="do" value="name">
                  Rename
                </button>
              </Form>
              <span className="min-w-0 flex-1 text-soft">
                {ROLE_WORDS[role].name} · paired {sayMoment(paired)} ·{" "}
                {out === null ? `last seen ${sayMoment(seen)}` : `put out ${sayMoment(out)}`}
              </span>
              {out === null && (
                <Form method="post" aria-label={`Put out ${name}`}>
                  <input type="hidden" name="device" value={id} />
                  <button className="button" name="do" value="put out">
                    Put it out
                  </button>
                </Form>
              )}
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
