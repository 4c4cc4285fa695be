import { Link } from "react-router";
import { PageHead } from "~/parts/brand";
import { anchorOf, GLOSSARY } from "~/words/glossary";

/** The trade's words, each in a line. */
export default function Words() {
  return (
    <>
      <PageHead title="Words">
        <Link to="/keys" className="button">
          Keys
        </Link>
      </PageHead>
      <main className="mx-auto max-w-5xl px-8 py-8">
        <h1 className="mb-1 text-2xl">Words</h1>
        <p className="mb-6 text-soft">
          What the trade's words mean here. In the other views, a word with a dotted line explains itself: point at it,
          tab to it or tap it.
        </p>
        <div className="gap-x-12 md:columns-2">
          {GLOSSARY.map(({ title, entries }) => (
            <section key={title} className="mb-7 break-inside-avoid">
              <h2 className="mb-1 text-lg">{title}</h2>
              <dl>
                {entries.map(({ word, means }) => (
                  <div
                    key={word}
                    id={anchorOf(word)}
                    className="flex scroll-mt-4 items-baseline gap-3 border-b border-hair py-1 target:bg-wash"
                  >
                    <dt className="w-32 shrink-0 font-semibold">{word}</dt>
                    <dd className="text-soft">{means}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </main>
    </>
  );
}
