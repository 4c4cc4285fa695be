import { useLoaderData } from "react-router";
import { sayLongFullDate } from "#core/units/when";
import { PrintedPage } from "~/ledger/printed-page";
import type { loader } from "~/routes/care";

/** "Friday 25 December 2026": a card is read long after. */
export default function CareRoute() {
  const { planId, title, client, when, care, code } = useLoaderData<typeof loader>();
  return (
    <PrintedPage planId={planId} kind="Care card" title={title} client={client}>
      {when.length > 0 && (
        <dl className="mt-5 grid grid-cols-3 gap-6 max-sm:grid-cols-1">
          {when.map(({ name, says, at }) => (
            <div key={name} className="border-t-4 border-verdigris pt-2">
              <dt className="text-soft">{name}</dt>
              <dd>
                <b className="block font-head text-xl font-semibold">{sayLongFullDate(at)}</b>
                {says}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {care.map(({ zones, finish, says }) => (
        <section key={`${zones.join()} ${finish}`} className="mt-6" aria-label={zones.join(", ")}>
          <h2 className="text-xl">{zones.join(", ")}</h2>
          <p className="text-note text-soft">Last layer: {finish.toLowerCase()}</p>
          <ul className="mt-1 list-disc pl-5 text-base">
            {says.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </section>
      ))}
      <footer className="mt-8 flex items-end gap-6 border-t border-line pt-4">
        <p className="flex-1 text-note text-soft">
          These dates are worked out from the shop's own air and what was seen on the films; they are estimates. Until
          it has cured: felt under anything placed on it, no tape, no plastic, no spray polish.
        </p>
        <figure className="w-[110px] text-center">
          <img src={code} alt="This card as a code: the same words, for a phone" width={110} height={110} />
          <figcaption className="mt-1 text-note text-soft">the same words</figcaption>
        </figure>
      </footer>
    </PrintedPage>
  );
}
