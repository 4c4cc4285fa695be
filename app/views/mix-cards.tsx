import { useState } from "react";
import { Link, useLoaderData } from "react-router";
import { materialsOf } from "#core/judge/judge";
import type { Material } from "#core/materials/material";
import { together } from "#core/rules/mixing/p1-what-may-be-mixed";
import { type Batch, batchesOf, recipeFor, SCOOP, SPOON } from "#core/shelf/recipe";
import { sayDuration } from "#core/units/duration";
import { sayMoment } from "#core/units/when";
import { Swatch } from "~/drawing/swatch";
import { planOfText } from "~/editor/plan-text";
import type { loader } from "~/routes/mix-cards";
import { useVoice, VoiceOf } from "~/shelf/voice";
import { countOf } from "~/words/amount";
import { roundedUp, sayAmount, sayAreaIn, sayNumber, type Voice } from "~/words/measures";

type Others = ReturnType<typeof useLoaderData<typeof loader>>["others"];

/** Spoons or scoops, in quarters: "2 ½". Nothing where it would be silly to count them. */
function sayCount(count: number, most: number): string {
  if (count > most || count < 0.2) return "–";
  const quarters = Math.round(count * 4);
  const whole = Math.floor(quarters / 4);
  const part = ["", "¼", "½", "¾"][quarters % 4];
  return [whole > 0 || part === "" ? String(whole) : "", part].filter(Boolean).join(" ");
}

/** What stands against mixing these, in a sentence each. */
function quarrelsOf({ pot }: Batch): string[] {
  return pot.parts.flatMap(({ material: one }, index) =>
    pot.parts.slice(index + 1).flatMap(({ material: two }) => {
      const verdict = together(one, two);
      return verdict ? [`${verdict.severity === "stop" ? "Do not mix" : "Test first"}: ${verdict.because}`] : [];
    }),
  );
}

/** Sessions that one batch serves before it is past its time: where it keeps, all of them. */
function batchesSay({ sessions, potLife }: Batch, voice: Voice): string {
  const sum = sessions.reduce((all, session) => all + session, 0);
  const enough = (amount: number) => sayAmount("ml", roundedUp("ml", amount, voice), voice);
  if (sessions.length === 1 || potLife === null)
    return `${enough(sum)} in one batch${potLife === null && sessions.length > 1 ? `, for ${countOf(sessions.length, "session")}: it keeps in a closed jar` : ""}.`;
  return `${countOf(sessions.length, "batch", "batches")}, one each session: ${sessions.map(enough).join(", ")}. It does not keep from one to the next.`;
}

const MOST_JAR = 5000;

function Card({
  batch,
  others,
  materials,
}: {
  batch: Batch;
  others: Others;
  materials: ReadonlyMap<string, Material>;
}) {
  const voice = useVoice();
  const wanted = Math.ceil(Math.max(...batch.sessions) / 10) * 10;
  const [made, setMade] = useState(wanted);
  const recipe = recipeFor(batch.pot, Math.max(1, made), materials);
  const quarrels = quarrelsOf(batch);
  const elsewhere = others.filter(({ key }) => key === batch.key);
  const title = batch.pot.parts.map(({ material }) => material.name).join(" + ");
  const over = made - Math.max(...batch.sessions);
  return (
    <article
      className="break-inside-avoid border border-line bg-white px-6 py-5 max-sm:px-3"
      aria-label={`Mix card: ${title}`}
      data-mix={batch.key}
    >
      <div className="flex items-start gap-4 max-sm:flex-wrap">
        <Swatch material={batch.material} size={52} />
        <div className="min-w-0 flex-1">
          <h2 className="text-2xl">{title}</h2>
          <p className="text-soft">
            for{" "}
            {batch.uses
              .map(({ zone }) => zone)
              .filter((zone, index, all) => all.indexOf(zone) === index)
              .join(", ")}
          </p>
        </div>
        <label className="w-60 text-right max-sm:w-full max-sm:text-left print:hidden">
          <span className="block text-note text-soft">How much to make</span>
          <input
            type="range"
            min={20}
            max={Math.min(MOST_JAR, Math.max(500, wanted * 3))}
            step={10}
            value={made}
            onChange={(event) => setMade(Number(event.target.value))}
            className="w-full accent-verdigris"
            aria-valuetext={sayAmount("ml", made, voice)}
          />
        </label>
      </div>
      <p className="mt-2 text-[1.75rem] leading-tight font-semibold" data-made="">
        {sayAmount("ml", made, voice)}
        <span className="ml-3 text-base font-normal text-soft">
          covers {sayAreaIn(recipe.covers, voice)} once · weighs {sayAmount("g", recipe.grams, voice)}
        </span>
      </p>
      <table className="mt-2 w-full text-xl max-sm:text-base">
        <thead className="text-left text-note text-soft">
          <tr className="border-b border-line">
            {["", "Parts", "Measure", "Weigh", `Spoons of ${SPOON} ml`, `Scoops of ${SCOOP} ml`].map(
              (heading, index) => (
                <th
                  key={heading}
                  scope="col"
                  className={`py-1 font-normal ${index > 0 ? "pl-4 text-right" : ""} ${index === 1 || index === 4 ? "max-sm:hidden" : ""}`}
                >
                  {heading || <span className="sr-only">What</span>}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {recipe.ingredients.map((ingredient) => (
            <tr key={ingredient.name} className="border-b border-hair">
              <th scope="row" className="py-1.5 text-left font-semibold">
                {ingredient.name}
              </th>
              <td className="pl-4 text-right max-sm:hidden">
                {sayNumber(ingredient.parts, ingredient.parts % 1 ? 1 : 0, voice)}
              </td>
              <td className="pl-4 text-right font-semibold whitespace-nowrap">
                {sayAmount("ml", ingredient.millilitres, voice)}
              </td>
              <td className="pl-4 text-right whitespace-nowrap">{sayAmount("g", ingredient.grams, voice)}</td>
              <td className="pl-4 text-right max-sm:hidden">{sayCount(ingredient.spoons, 12)}</td>
              <td className="pl-4 text-right">{sayCount(ingredient.scoops, 40)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 grid grid-cols-1 gap-6 text-base sm:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
        <ol className="list-decimal pl-5">
          {recipe.steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
        <dl className="grid content-start gap-1.5">
          <div>
            <dt className="text-note text-soft">Batches</dt>
            <dd>{batchesSay(batch, voice)}</dd>
          </div>
          <div>
            <dt className="text-note text-soft">Use within</dt>
            <dd>
              {recipe.potLife === null ? "as long as the tin keeps" : sayDuration(recipe.potLife)}
              {recipe.potLife !== null && over > 5 && (
                <>
                  ; {sayAmount("ml", over, voice)} is left over
                  {elsewhere.length > 0
                    ? `. Also wanted: ${elsewhere.map(({ job, at }) => `${job}${at === null ? "" : `, ${sayMoment(at)}`}`).join("; ")}`
                    : ""}
                </>
              )}
            </dd>
          </div>
          <div>
            <dt className="text-note text-soft">Too thin</dt>
            <dd>{recipe.thicker}</dd>
          </div>
          <div>
            <dt className="text-note text-soft">Too thick</dt>
            <dd>{recipe.thinner}</dd>
          </div>
        </dl>
      </div>
      {quarrels.length > 0 && (
        <ul className="mt-2 text-base">
          {quarrels.map((quarrel) => (
            <li key={quarrel} className="border-l-4 border-l-ochre pl-3">
              {quarrel}
            </li>
          ))}
        </ul>
      )}
      {batch.pot.parts.some(({ material }) => material.hazards.includes("powder")) && (
        <p className="mt-2 border-l-4 border-l-sienna pl-3 text-base">
          Do not breathe the powder: wear a mask to weigh and stir, and put the lid back on.
        </p>
      )}
    </article>
  );
}

/** A card for each mix of a job, to print or to prop up at the bench. */
export default function MixCards() {
  const { text, book: own, others } = useLoaderData<typeof loader>();
  const plan = planOfText(text);
  const batches = batchesOf(plan);
  return (
    <VoiceOf book={own}>
      <main className="mx-auto max-w-[980px] p-8 max-sm:p-3 print:max-w-none print:p-0">
        <p className="mb-4 print:hidden">
          <Link className="link" to={`/jobs/${plan.id}/shelf`}>
            Back to {plan.title}
          </Link>
        </p>
        <h1 className="mb-3 text-2xl print:hidden">Mix cards: {plan.title}</h1>
        {batches.length === 0 && (
          <p className="border-l-4 border-l-edge bg-board px-4 py-3">
            Nothing is mixed in this job: everything goes on straight from its tin. Set a mix on a coat's step, and its
            card shows here.
          </p>
        )}
        <div className="grid gap-5">
          {batches.map((batch) => (
            <Card key={batch.key} batch={batch} others={others} materials={materialsOf(plan)} />
          ))}
        </div>
      </main>
    </VoiceOf>
  );
}
