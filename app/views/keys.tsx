import { Link } from "react-router";
import { PageHead } from "~/parts/brand";
import { KeysList } from "~/parts/keys-list";

export default function Keys() {
  return (
    <>
      <PageHead title="Keys">
        <Link to="/words" className="button">
          Words
        </Link>
      </PageHead>
      <main className="mx-auto max-w-4xl px-8 py-8">
        <h1 className="mb-4 text-2xl">Keys</h1>
        <KeysList heading="h2" />
      </main>
    </>
  );
}
