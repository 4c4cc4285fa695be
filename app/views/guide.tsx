import { Link } from "react-router";
import { THEMES } from "#core/rules/themes";
import { CrustStrip } from "~/drawing/crust-strip";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import type { Told } from "~/http/guide.server";
import { PageHead } from "~/parts/brand";
import { Explained } from "~/parts/term";
import { countOf } from "~/words/amount";
import type { Route } from "../routes/+types/guide";

function Example({ example, good }: { example: Told; good: boolean }) {
  return (
    <div className="min-w-0">
      <p className="kicker text-note text-soft">
        {good ? "Like this, no warning" : "Like this"}: {example.shows}
      </p>
      <div className="mt-1 flex gap-3">
        <CrustStrip layers={example.strip} seed={example.shows} />
        <ol className="min-w-0 flex-1 text-note">
          {[...example.steps].reverse().map((step, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same step may occur twice
            <li key={index} className="pl-3 -indent-3 first-letter:uppercase">
              {step}
            </li>
          ))}
          <li className="pl-3 -indent-3 text-soft">on {example.ground}</li>
        </ol>
      </div>
      {example.says && (
        <p
          className={`mt-1 flex items-center gap-1.5 text-note font-semibold ${SEVERITY_WORDS[example.says.severity].text}`}
        >
          <SeamMark severity={example.says.severity} width={14} />
          <span>
            {SEVERITY_WORDS[example.says.severity].one}: {example.says.title}
          </span>
        </p>
      )}
    </div>
  );
}

export default function GuideRoute({ loaderData }: Route.ComponentProps) {
  const { rules } = loaderData;
  return (
    <div className="flex flex-col lg:h-screen">
      <PageHead title="Guide">
        <Link to="/words" className="button mr-2">
          Words
        </Link>
        <Link to="/keys" className="button">
          Keys
        </Link>
      </PageHead>
      <div className="grid min-h-0 flex-1 lg:grid-cols-[230px_minmax(0,1fr)]">
        <nav
          aria-label="Themes"
          className="min-h-0 border-line px-5 py-4 max-lg:flex max-lg:flex-wrap max-lg:gap-x-6 max-lg:border-b lg:overflow-y-auto lg:border-r"
        >
          {THEMES.map(([prefix, title]) => (
            <div key={prefix} className="mb-2.5">
              <a href={`#theme-${prefix}`} className="font-semibold hover:underline">
                {title}
              </a>
              <p className="text-note text-soft">
                {countOf(rules.filter((rule) => rule.id.startsWith(prefix)).length, "rule")}
              </p>
            </div>
          ))}
        </nav>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and must be scrolled from the keyboard */}
        <main tabIndex={0} className="min-h-0 px-7 pt-4 pb-16 max-sm:px-4 lg:overflow-y-auto">
          <h1 className="text-view">What can go over what, and why</h1>
          <p className="mt-1 max-w-[70ch] text-soft">
            Every rule the tool checks by, with its reason, where the knowledge comes from, and examples checked as you
            read them. Signs at the piece overrule the clock, and the label on the tin overrules both.
          </p>
          {THEMES.map(([prefix, title]) => (
            <section key={prefix} id={`theme-${prefix}`} className="mt-7" aria-label={title}>
              <h2 className="kicker border-b border-line pb-1 text-lg text-soft">{title}</h2>
              {rules
                .filter((rule) => rule.id.startsWith(prefix))
                .map((rule) => (
                  <article
                    key={rule.id}
                    id={rule.id}
                    className="grid gap-x-8 gap-y-3 border-b border-hair py-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.5fr)]"
                  >
                    <div>
                      <h3 className="text-lg">{rule.title}</h3>
                      <p className="mt-1">
                        <Explained text={rule.reason} />
                      </p>
                      {rule.schools.map(({ key, title: school, choices }) => (
                        <p key={key} className="mt-1.5 text-note text-soft">
                          <b className="font-semibold">{school}:</b> {choices.join(" · ")}
                        </p>
                      ))}
                      <p className="mt-1.5 text-note text-soft">
                        {rule.id} · {rule.origin}
                      </p>
                    </div>
                    <div className="grid gap-5 sm:grid-cols-2">
                      {rule.faulty.slice(0, rule.clean.length > 0 ? 1 : 2).map((example) => (
                        <Example key={example.shows} example={example} good={false} />
                      ))}
                      {rule.clean.map((example) => (
                        <Example key={example.shows} example={example} good />
                      ))}
                    </div>
                  </article>
                ))}
            </section>
          ))}
        </main>
      </div>
    </div>
  );
}
