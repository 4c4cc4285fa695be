import type { PiecePhoto } from "#core/plan/photo-marks";
import type { Quote } from "#core/shelf/quote";
import { sayLongDate } from "#core/units/when";
import { useVoice } from "~/shelf/voice";
import { sayAreaIn, sayRoundMoney } from "~/words/measures";

/** Pixels across of each of the two pictures: enough for a printed page. */
const PHOTO_WIDTH = 800;

function When({ name, at }: { name: string; at: number | null }) {
  if (at === null) return null;
  return (
    <div>
      <dt className="text-note text-soft">{name}</dt>
      <dd className="font-semibold">{sayLongDate(at)}</dd>
    </div>
  );
}

/** What is said to the client, and the photos of the piece that the finish is laid on. */
export type Said = Omit<Quote, "cost"> & { photos: readonly Pick<PiecePhoto, "id" | "width" | "height">[] };

/** What is said to the client: no figure of the shop's own is on it. */
export function ClientPage({ quote, id }: { quote: Said; id: string }) {
  const voice = useVoice();
  const { price } = quote;
  return (
    <article className="bg-white px-10 py-9 max-sm:px-4 print:p-0" aria-label="The client's page">
      <header className="flex items-baseline gap-6 border-b-2 border-ink pb-3">
        <h1 className="flex-1 text-3xl">{quote.title}</h1>
        <p className="text-right">
          Quote of {sayLongDate(quote.made)}
          <span className="block text-note text-soft">valid until {sayLongDate(quote.validUntil)}</span>
        </p>
      </header>
      {quote.client && <p className="mt-3 text-base">For {quote.client}</p>}
      <section className="mt-5" aria-label="The look">
        {quote.photos.map((photo) => (
          <figure key={photo.id} className="mb-3">
            <img
              src={`/jobs/${id}/photo.jpg?photo=${photo.id}&both=yes&width=${PHOTO_WIDTH}`}
              alt="The piece as it is, and with the predicted finish"
              // it takes a few seconds to paint: its place is kept, and says so until then
              width={2 * photo.width}
              height={photo.height}
              className="photo-coming w-full rounded-std border border-line"
            />
            <figcaption className="mt-1 text-note text-soft">Your piece as it is, and as predicted.</figcaption>
          </figure>
        ))}
        <ul className="grid grid-cols-4 gap-3 max-sm:grid-cols-2">
          {quote.shownBy.map((zoneId) => {
            const zone = quote.zones.find((zone) => zone.zoneId === zoneId)!;
            return (
              <li key={zoneId}>
                <img
                  src={`/jobs/${id}/board.png?zone=${encodeURIComponent(zoneId)}`}
                  alt={`Predicted look: ${zone.finish}`}
                  width={768}
                  height={512}
                  className="aspect-[3/2] w-full rounded-std border border-line object-cover"
                />
                <p className="mt-1 text-note">{zone.finish}</p>
              </li>
            );
          })}
        </ul>
        <p className="mt-1 text-note text-soft">
          Predicted sample boards. Wood, light and handwork vary; a real board can be made first.
        </p>
      </section>
      <section className="mt-5" aria-label="What is done">
        <h2 className="text-xl">What is done</h2>
        <table className="mt-1 w-full">
          <tbody>
            {quote.zones.map((zone) => (
              <tr key={zone.zoneId} className="border-b border-hair align-top">
                <th scope="row" className="w-48 py-1.5 pr-4 text-left font-semibold">
                  {zone.name}
                </th>
                <td className="py-1.5 pr-4">
                  {zone.finish}
                  <span className="block text-note text-soft">{zone.layers.join(" · ").toLowerCase()}</span>
                </td>
                <td className="py-1.5 text-right whitespace-nowrap text-soft">{sayAreaIn(zone.area, voice)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <div className="mt-5 grid grid-cols-1 gap-8 sm:grid-cols-2 print:grid-cols-2">
        <section aria-label="When">
          <h2 className="text-xl">When</h2>
          <dl className="mt-1 grid grid-cols-2 gap-2">
            <When name="Work begins" at={quote.begins} />
            <When name="Ready to leave" at={quote.leaves} />
            <When name="Gentle use from" at={quote.lightUse} />
            <When name="Full use from" at={quote.fullUse} />
          </dl>
        </section>
        <section aria-label="Price">
          <h2 className="text-xl">Price</h2>
          <p className="mt-1 text-3xl font-semibold" data-price="">
            {price.to > 0
              ? `${sayRoundMoney(price.from, voice)} – ${sayRoundMoney(price.to, voice)}`
              : "not worked out yet"}
          </p>
          <p className="text-note text-soft">
            {quote.taxed ? "Tax included. " : ""}The work is charged as it turns out, within this range.
          </p>
        </section>
      </div>
      <section className="mt-5" aria-label="Care">
        <h2 className="text-xl">Care</h2>
        <ul className="mt-1 grid gap-1">
          {quote.care.map((care) => (
            <li key={care.zones.join()}>
              <b className="font-semibold">{care.zones.join(", ")}.</b> {care.says.join(" ")}
            </li>
          ))}
        </ul>
      </section>
      {quote.terms && (
        <section className="mt-5" aria-label="Terms">
          <h2 className="text-xl">Terms</h2>
          <p className="mt-1 whitespace-pre-line">{quote.terms}</p>
        </section>
      )}
    </article>
  );
}
