import { Link } from "react-router";
import { pictureOf } from "#core/finishes/picture";
import { CrustStrip } from "~/drawing/crust-strip";

/** Before there is a job: what this is, in one picture of it, and the first press. */
export function Empty() {
  return (
    <section className="mt-8 grid items-center gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,640px)_minmax(0,1fr)]">
      <figure className="m-0 flex border border-line bg-board">
        <div className="shrink-0 self-stretch overflow-hidden border-r border-line">
          <CrustStrip
            layers={[
              { colour: "#b98a58", hides: 1 },
              { colour: "#e9e5da", hides: 1 },
              { colour: "#442b1a", hides: 1 },
              { colour: "#a0bfb0", hides: 1 },
              { colour: "#b9c7b4", hides: 0.3 },
            ]}
            seed="empty"
            width={170}
            height={314}
          />
        </div>
        <img
          src={pictureOf({ id: "worn-to-dark" }, "carved")}
          width={480}
          height={320}
          alt="A carved board in pale green paint, worn through to the dark under-coat at its edges: what these layers make of it."
          className="min-w-0 flex-1 object-cover"
        />
      </figure>
      <div className="max-w-md">
        <p className="kicker text-soft">No jobs yet</p>
        <h2 className="text-2xl">An aged finish, planned from the ground up</h2>
        <p className="mt-2 text-base">
          Say what the piece is and what it should look like. You get its layers, every seam between them checked, the
          board they make, the days it takes and what to buy.
        </p>
        <p className="mt-4">
          <Link to="/jobs/new" className="button button-main px-5 text-base">
            Start the first job
          </Link>
        </p>
      </div>
    </section>
  );
}
