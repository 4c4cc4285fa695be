import { Link } from "react-router";

export function Nothing({ jobs }: { jobs: number }) {
  return (
    <article className="py-16 text-center">
      <h1 className="bench-title">{jobs === 0 ? "No job is promised or under way" : "Nothing left to do"}</h1>
      <p className="bench-how">
        {jobs === 0
          ? "Promise a job on its Days page, and its first step waits here."
          : "All that is planned has been done. What still dries is listed beside."}
      </p>
      <Link to="/" className="bench-press mt-6">
        To the jobs
      </Link>
    </article>
  );
}
