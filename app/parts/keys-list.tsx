import { capsOf, KEYS, type Key } from "~/keys/keys";

/** Every key, by view; `heading` continues the levels of the page or dialog around it. */
export function KeysList({ heading: Heading }: { heading: "h2" | "h3" }) {
  return (
    <div className="gap-x-10 sm:columns-2">
      {Object.values(KEYS).map(({ title, keys }) => (
        <section key={title} className="mb-5 break-inside-avoid">
          <Heading className="mb-1 text-base">{title}</Heading>
          <dl>
            {Object.values<Key>(keys).map((key) => (
              <div key={key.does} className="flex items-baseline gap-3 border-b border-hair py-1">
                <dt className="w-36 shrink-0">
                  {capsOf(key).map((cap) => (
                    <kbd key={cap} className="mr-1 rounded-std border border-line bg-white px-1.5 font-text text-note">
                      {cap}
                    </kbd>
                  ))}
                </dt>
                <dd>{key.does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </div>
  );
}
