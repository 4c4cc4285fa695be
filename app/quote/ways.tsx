import { Form, useActionData, useNavigation } from "react-router";
import type { TriedWay } from "#core/shelf/alternatives";
import { shortDuration } from "#core/units/duration";
import { useVoice } from "~/shelf/voice";
import { sayDifference } from "~/words/difference";
import { sayMoney } from "~/words/measures";

const signed = (value: number, say: (value: number) => string) =>
  Math.abs(value) < 0.005 ? "the same" : `${value < 0 ? "−" : "+"}${say(Math.abs(value))}`;

/** Other ways to much the same piece, with what each changes. */
export function Ways({ ways, version, token }: { ways: readonly TriedWay[]; version: number; token: string }) {
  const voice = useVoice();
  const answer = useActionData() as { says: string } | undefined;
  const busy = useNavigation().state !== "idle";
  return (
    <section className="mt-6 print:hidden" aria-label="Other ways">
      <h2 className="text-xl">Other ways</h2>
      <p className="text-note text-soft">
        Each was tried on the plan on its own; none causes a stop. How hard-wearing each is goes by the weakest last
        coat of the zones that change.
      </p>
      {answer && (
        <p role="alert" className="mt-2 border-l-4 border-l-ochre pl-3 text-ochre">
          {answer.says}
        </p>
      )}
      {ways.length === 0 ? (
        <p className="mt-2 text-soft">Nothing found is cheaper or ready earlier without a stop.</p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="mt-2 w-full">
            <thead className="text-left text-note text-soft">
              <tr className="border-b border-line">
                {["What", "Price", "Leaves", "Hands-on", "Stands", "Looks", ""].map((heading) => (
                  <th key={heading} scope="col" className="py-1 pr-3 font-normal">
                    {heading || <span className="sr-only">Use it</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ways.map((way) => (
                <tr key={way.id} className="border-b border-hair align-top" data-way={way.id}>
                  <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
                    {way.label}
                    {way.cautions.after > way.cautions.before && (
                      <span className="block text-note font-normal text-sienna">
                        {way.cautions.after - way.cautions.before} more to watch
                      </span>
                    )}
                  </th>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {signed(way.price, (value) => sayMoney(value, voice))}
                  </td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {way.leaves === null ? "" : signed(way.leaves, shortDuration)}
                  </td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">{signed(way.handsOn, shortDuration)}</td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {way.wear.before === way.wear.after ? way.wear.after : `${way.wear.before} → ${way.wear.after}`}
                  </td>
                  <td className="py-1.5 pr-3">{sayDifference(way.look)}</td>
                  <td className="py-1">
                    <Form method="post">
                      <input type="hidden" name="way" value={way.id} />
                      <input type="hidden" name="base" value={version} />
                      <input type="hidden" name="edit" value={`${token}-${way.id}`.slice(0, 60)} />
                      <button className="button whitespace-nowrap" disabled={busy} aria-label={`Use it: ${way.label}`}>
                        Use it
                      </button>
                    </Form>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
