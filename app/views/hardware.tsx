import { Form, Link, useLoaderData } from "react-router";
import { doubtOfHoles, holesFrom, oldHole, placesOn, screwFor } from "#core/quantity/hardware";
import { diameterOf, doubtOf, quartersOf } from "#core/quantity/round";
import { TextField } from "~/forms/edit-form-parts";
import { KNOB, Question } from "~/hardware/question";
import { mm, OLD_WORDS, Template } from "~/hardware/template";
import { PageHead } from "~/parts/brand";
import type { loader } from "~/routes/hardware";
import { readNumber } from "~/words/measures";

const MOST = 3000;

/** A measure as it was typed, or what is wrong with it. */
function measure(text: string, { least = 0, optional = false } = {}): { value: number | null; fault?: string } {
  if (optional && text.trim() === "") return { value: null };
  const value = readNumber(text);
  if (value === null || value < least || value > MOST)
    return { value: null, fault: `Write it in millimetres, from ${least} to ${MOST}.` };
  return { value };
}

/** Help with what is screwed on: holes, template, screws, knobs. Nothing is kept: it is worked out from what is typed. */
export default function Hardware() {
  const { values } = useLoaderData<typeof loader>();
  const inner = measure(values.inner);
  const outer = measure(values.outer);
  const width = measure(values.width, { least: 20 });
  const height = measure(values.height, { least: 20 });
  const top = measure(values.top, { optional: true });
  const old = measure(values.old, { optional: true });
  const plate = measure(values.plate);
  const panel = measure(values.panel, { least: 3 });
  const thread = measure(values.thread, { least: 2 });
  const knobText = measure(values.knob, { least: 1 });
  const holes = inner.value !== null && outer.value !== null ? holesFrom(inner.value, outer.value) : null;
  const doubt = holes && doubtOfHoles(holes);
  const screw = panel.value !== null && thread.value !== null ? screwFor(panel.value, thread.value) : null;
  const knob = knobText.value === null ? null : values.tape === "round" ? diameterOf(knobText.value) : knobText.value;
  const knobDoubt = knob === null ? null : doubtOf("knob", knob);
  const quarters = knob === null ? null : quartersOf(knob);
  const places =
    holes && width.value !== null && height.value !== null
      ? placesOn(
          { width: width.value, height: height.value },
          { centres: holes.centres, count: 2, ...(top.value === null ? {} : { fromTop: top.value }) },
        )
      : null;
  const apart = holes && old.value !== null ? Math.abs(old.value - holes.centres) / 2 : null;
  return (
    <div className="flex min-h-screen flex-col">
      <div className="print:hidden">
        <PageHead title="Handles and knobs" />
      </div>
      <main className="mx-auto w-full max-w-[1080px] px-6 py-4 print:p-0">
        <h1 className="text-2xl print:hidden">Handles and knobs</h1>
        <p className="mb-3 text-soft print:hidden">In millimetres. Nothing here is saved.</p>
        <Form
          method="get"
          className="grid grid-cols-1 items-start gap-4 sm:grid-cols-2"
          preventScrollReset
          aria-label="Measures"
        >
          <Question
            title="Two holes from two measures"
            hint="Nobody can measure from centre to centre. Measure between the inner edges of the holes, and between the outer ones."
            values={values}
            asks={[
              { name: "inner", label: "Between inner edges", read: inner },
              { name: "outer", label: "Between outer edges", read: outer },
            ]}
          >
            {holes ? (
              <p className="mt-2 text-lg" data-holes="">
                <b className="font-semibold">{mm(holes.centres)}</b> between centres, holes of{" "}
                <b className="font-semibold">{mm(holes.diameter)}</b>
              </p>
            ) : (
              <p role="alert" className="mt-2 text-ochre">
                The outer measure has to be the longer one.
              </p>
            )}
            {doubt && <p className="mt-1 text-sienna">{doubt}</p>}
          </Question>
          <Question
            title="How long a screw"
            hint="Put a matchstick into the thread of the handle and mark its depth. Add the washer to the front."
            values={values}
            asks={[
              { name: "panel", label: "Front, with washer", read: panel },
              { name: "thread", label: "Depth of the thread", read: thread },
            ]}
          >
            {screw && (
              <p className="mt-2 text-lg" data-screw="">
                {screw.length === null ? (
                  `No usual length fits: cut one to between ${mm(screw.least)} and ${mm(screw.most)}.`
                ) : (
                  <>
                    <b className="font-semibold">{mm(screw.length)}</b>, at most {mm(screw.most)}, or it lifts the face
                  </>
                )}
              </p>
            )}
          </Question>
          <Question
            title="What to do with the old holes"
            values={values}
            asks={[
              { name: "old", label: "Between centres, old", read: old, placeholder: "none" },
              { name: "plate", label: "Width of the new plate", read: plate },
            ]}
          >
            {holes && apart !== null && (
              <p className="mt-2" data-old="">
                Each new hole is {mm(apart)} from an old one.{" "}
                {OLD_WORDS[oldHole(apart, { hole: holes.diameter, plate: plate.value ?? 0 })]}
              </p>
            )}
          </Question>
          <Question title={KNOB} values={values} asks={[{ name: "knob", label: "Measured", read: knobText }]}>
            {quarters && (
              <p className="mt-2" data-knob="">
                {mm(knob!)} across, {mm(quarters.round)} round. Mark the edge every{" "}
                <b className="font-semibold">{mm(quarters.quarter)}</b> for quarters, every {mm(quarters.eighth)} for
                eighths. The square inside has sides of <b className="font-semibold">{mm(quarters.square)}</b>.
              </p>
            )}
            {knobDoubt && <p className="mt-1 text-sienna">{knobDoubt}</p>}
          </Question>
          <section
            className="border border-line sm:col-span-2 bg-board px-4 py-3 print:hidden"
            aria-label="A template to print"
          >
            <h2 className="text-lg">A template to print</h2>
            <div className="mt-2 grid items-end gap-3 sm:grid-cols-[120px_120px_200px_auto]">
              <TextField name="width" label="Front, width" keys="decimal" value={values.width} fault={width.fault} />
              <TextField
                name="height"
                label="Front, height"
                keys="decimal"
                value={values.height}
                fault={height.fault}
              />
              <TextField
                name="top"
                label="From the top edge"
                keys="decimal"
                value={values.top}
                fault={top.fault}
                placeholder="in the middle"
              />
              <button className="button button-main justify-self-start">Work it out</button>
            </div>
            <p className="mt-2 text-note text-soft">
              Print at 100 %, without fitting to the page, and measure the line of 50 mm. Fold on the middle lines, tape
              it on, and mark through the crosses with an awl.
            </p>
          </section>
        </Form>
        {places && holes && (
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and must be scrolled from the keyboard
          <section aria-label="Drawing" tabIndex={0} className="mt-4 overflow-x-auto print:mt-0">
            <Template width={width.value!} height={height.value!} holes={places} hole={holes.diameter} />
          </section>
        )}
        <p className="mt-4 print:hidden">
          <Link to="/" className="link">
            Back to the jobs
          </Link>
        </p>
      </main>
    </div>
  );
}
