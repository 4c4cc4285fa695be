import { Form, Link, useLoaderData, useSearchParams } from "react-router";
import { PageHead } from "~/parts/brand";
import { PageTabs } from "~/parts/page-tabs";
import { Hidden, useAnswer, Wrong } from "~/prices/answers";
import { CostingForm } from "~/prices/costing-form";
import { Goods } from "~/prices/goods";
import type { loader } from "~/routes/prices";
import { VoiceOf } from "~/shelf/voice";

/** What the shop buys where, and how it works out a price. */
export default function PricesRoute() {
  const loaded = useLoaderData<typeof loader>();
  const [params] = useSearchParams();
  const costing = params.get("show") === "costing";
  const undo = useAnswer("undo");
  return (
    <VoiceOf book={loaded.book}>
      <div className="flex min-h-screen flex-col">
        <PageHead title="Suppliers and prices">
          <Form method="post">
            <Hidden
              does="undo"
              to={costing ? "/shelf/prices?show=costing" : "/shelf/prices"}
              version={loaded.version}
            />
            <button className="button mr-2" disabled={loaded.undo === null}>
              {loaded.undo === null ? "Nothing to undo" : `Undo: ${loaded.undo}`}
            </button>
          </Form>
          <Link to="/shelf" className="button">
            Shelf
          </Link>
        </PageHead>
        <main className="mx-auto w-full max-w-[1240px] px-6 py-4">
          <PageTabs
            title="Suppliers and prices"
            tabs={[
              { to: "/shelf/prices", name: "Packs and prices", open: !costing },
              { to: "/shelf/prices?show=costing", name: "Costing and numbers", open: costing },
            ]}
          />
          <Wrong answer={undo} />
          {costing ? <CostingForm loaded={loaded} /> : <Goods loaded={loaded} />}
        </main>
      </div>
    </VoiceOf>
  );
}
