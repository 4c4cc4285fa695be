import { KEY_GROUPS } from "./keys";

/** Every key, by view; `heading` continues the levels of the page or dialog around it. */
export function KeysList({ heading: Heading }: { heading: "h2" | "h3" }) {
  return (
    <div className="grid gap-x-10 gap-y-5 sm:grid-cols-2">
      {KEY_GROUPS.map(({ title, lines }) => (
        <section key={title}>
          <Heading className="mb-1 text-base">{title}</Heading>
          <dl>
            {lines.map(({ keys, does }) => (
              <div key={does} className="flex items-baseline gap-3 border-b border-hair py-1">
                <dt className="w-28 shrink-0">
                  {keys.map((key) => (
                    <kbd key={key} className="mr-1 rounded-std border border-line bg-white px-1.5 font-text text-note">
                      {key}
                    </kbd>
                  ))}
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </div>
  );
}
