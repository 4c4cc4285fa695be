import { KEY_GROUPS, WORDS } from "./keys";

export function KeysList() {
  return (
    <div className="grid grid-cols-2 gap-x-10 gap-y-5">
      {KEY_GROUPS.map(({ title, lines }) => (
        <section key={title}>
          <h3 className="mb-1 text-base">{title}</h3>
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
      <section className="col-span-2">
        <h3 className="mb-1 text-base">Words</h3>
        <dl className="grid grid-cols-2 gap-x-10">
          {WORDS.map(({ word, means }) => (
            <div key={word} className="flex items-baseline gap-3 border-b border-hair py-1">
              <dt className="w-24 shrink-0 font-semibold">{word}</dt>
              <dd className="text-soft">{means}</dd>
            </div>
          ))}
        </dl>
      </section>
    </div>
  );
}
