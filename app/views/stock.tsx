import { Suspense, useMemo } from "react";
import { Link, useLoaderData, useSearchParams } from "react-router";
import { CONSUMABLE_IDS } from "#core/quantity/consumables";
import { supplyId } from "#core/shelf/book";
import type { Movement, PotOnShelf } from "#core/shelf/stock";
import { daysLeft, isOld } from "#core/shelf/supply";
import { readWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import { lazyChart } from "~/charts/lazy-chart";
import { Swatch } from "~/drawing/swatch";
import { type Unpacked, unpacked } from "~/first/packed";
import { type GoodName, goodNamed } from "~/forms/stock-form";
import { PageHead } from "~/parts/brand";
import { PageTabs } from "~/parts/page-tabs";
import type { loader } from "~/routes/stock";
import { AddTin, PotForms, StockUndo } from "~/shelf/stock-forms";
import { SupplyList } from "~/shelf/supply-list";
import { byUrgency } from "~/shelf/supply-words";
import { showsTins } from "~/shelf/tins-shown";
import { ToBuyPanel } from "~/shelf/to-buy";
import { useVoice, VoiceOf } from "~/shelf/voice";
import { countOf } from "~/words/amount";
import { sayAmount, sayMoney } from "~/words/measures";

const StockChart = lazyChart(() => import("~/charts/stock-chart"));

type Sent = ReturnType<typeof useLoaderData<typeof loader>>;
type Loaded = Omit<Sent, "needs"> & Unpacked<Sent["needs"]>;

const DID: Record<Movement["does"], string> = {
  bought: "bought",
  used: "used",
  "thrown away": "thrown away",
  counted: "counted",
  "looked at": "looked at",
};

/** What happened to a tin, the last first. */
function History({ list, good }: { list: readonly Movement[]; good: GoodName }) {
  const voice = useVoice();
  return (
    <ul className="text-note">
      {list.map((movement) => (
        <li key={movement.id} className="flex justify-between gap-3 border-b border-hair py-1">
          <span className="text-soft">{sayDate(readWallTime(movement.at) ?? 0)}</span>
          <span className="flex-1">
            {DID[movement.does]}
            {"note" in movement && movement.note ? ` · ${movement.note}` : ""}
            {movement.does === "bought" && movement.receipt ? ` · receipt ${movement.receipt}` : ""}
          </span>
          <span>
            {"amount" in movement ? sayAmount(good.unit, movement.amount, voice, good.words) : ""}
            {movement.does === "bought" && movement.paid !== undefined ? ` · ${sayMoney(movement.paid, voice)}` : ""}
          </span>
        </li>
      ))}
    </ul>
  );
}

function PotPanel({ pot, good, loaded }: { pot: PotOnShelf; good: GoodName; loaded: Loaded }) {
  const voice = useVoice();
  const left = daysLeft(pot, good.material, loaded.book, loaded.today);
  return (
    <section aria-label={good.name} className="border border-line bg-board px-4 py-3">
      <h2 className="text-lg">{good.name}</h2>
      <p className="mb-3 text-note text-soft">
        {sayAmount(good.unit, pot.amount, voice, good.words)} of {sayAmount(good.unit, pot.held, voice, good.words)}
        {left !== null &&
          (left < 0 ? ` · past its time by ${countOf(-left, "day")}` : ` · good for ${countOf(left, "day")} more`)}
      </p>
      <PotForms pot={pot} good={good} to={`/shelf?show=tins&tin=${pot.id}`} token={`${loaded.token}${pot.id}`} />
      {loaded.course.length > 1 && (
        <div className="mt-4">
          <h3 className="mb-1 text-note font-semibold">All of it over time</h3>
          <Suspense fallback={<p className="text-note text-soft">Drawing …</p>}>
            <StockChart course={loaded.course} unit={good.unit} voice={voice} height={150} />
          </Suspense>
        </div>
      )}
      <h3 className="mt-4 mb-1 text-note font-semibold">What happened to this one</h3>
      <History list={loaded.history} good={good} />
    </section>
  );
}

/** The tins, each a line that opens beside the list. */
function Tins({ loaded }: { loaded: Loaded }) {
  const voice = useVoice();
  const { pots, pot: chosen, book, today } = loaded;
  const materials = useMemo(
    () => new Map(loaded.materials.map((material) => [material.id, material])),
    [loaded.materials],
  );
  const rows = pots
    .map((pot) => ({ pot, good: goodNamed(pot.goodId, materials) }))
    .sort((a, b) => a.good.name.localeCompare(b.good.name));
  const goods = [...materials.keys(), ...CONSUMABLE_IDS.map(supplyId)].map((id) => goodNamed(id, materials));
  const open = rows.find(({ pot }) => pot.id === chosen?.id);
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px] items-start gap-8">
      <div>
        {rows.length === 0 && (
          <p className="border-l-4 border-l-edge bg-board px-4 py-3">
            Nothing is on the shelf yet. Put the first tin on it at the right, or import a list on the prices page.
          </p>
        )}
        <table className="w-full">
          <thead className="border-b border-line text-left text-note text-soft">
            <tr>
              {["Material", "Left", "Place", "Opened", "Condition"].map((heading) => (
                <th
                  key={heading}
                  scope="col"
                  className={`py-1.5 pr-4 font-normal ${heading === "Left" ? "text-right" : ""} ${heading === "Place" || heading === "Opened" ? "max-sm:hidden" : ""}`}
                >
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ pot, good }) => {
              const old = isOld(pot, good.material, book, today);
              return (
                <tr
                  key={pot.id}
                  data-tin={pot.id}
                  className={`border-b border-hair ${pot.id === chosen?.id ? "bg-wash" : ""}`}
                >
                  <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                    <Link
                      to={`/shelf?show=tins&tin=${pot.id}`}
                      preventScrollReset
                      aria-current={pot.id === chosen?.id}
                      className="flex min-h-7 items-center gap-2.5 hover:underline"
                    >
                      {good.material ? <Swatch material={good.material} /> : <span className="w-[22px]" />}
                      <span className="font-semibold">{good.name}</span>
                    </Link>
                  </th>
                  <td className="py-1.5 pr-4 text-right whitespace-nowrap">
                    {sayAmount(good.unit, pot.amount, voice, good.words)}
                  </td>
                  <td className="py-1.5 pr-4 text-soft max-sm:hidden">{pot.place ?? ""}</td>
                  <td className="py-1.5 pr-4 whitespace-nowrap text-soft max-sm:hidden">
                    {pot.opened === null ? "" : sayDate(readWallTime(`${pot.opened}T00:00`) ?? 0, today)}
                  </td>
                  <td className={`py-1.5 ${old ? "font-semibold text-sienna" : "text-soft"}`}>
                    {old && pot.condition !== "skinned" && pot.condition !== "doubtful"
                      ? "past its time"
                      : pot.condition}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <div className="grid grid-cols-1 gap-4 max-lg:order-first lg:sticky lg:top-4">
        {open && <PotPanel key={open.pot.id} pot={open.pot} good={open.good} loaded={loaded} />}
        <details open={!open} className="border border-line bg-board px-4 py-3">
          <summary className="cursor-pointer font-head text-lg font-semibold">Put a tin on the shelf</summary>
          <div className="mt-2">
            <AddTin goods={goods} book={book} to="/shelf?show=tins" token={loaded.token} />
          </div>
        </details>
      </div>
    </div>
  );
}

/** What all jobs that are planned need, against what there is. */
function Needs({ loaded }: { loaded: Loaded }) {
  const { lines, book, today } = loaded;
  const materials = lines.filter(({ material }) => material !== null).sort(byUrgency);
  const consumables = lines.filter(({ material }) => material === null).sort(byUrgency);
  if (lines.length === 0)
    return (
      <p className="max-w-md border-l-4 border-l-edge bg-board px-4 py-3">
        No job is promised or under way, so nothing is needed. Promise a job on its Days page.
      </p>
    );
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_280px] items-start gap-8">
      <div className="grid gap-6">
        <SupplyList lines={materials} book={book} today={today} label="Materials" />
        <SupplyList lines={consumables} book={book} today={today} label="Consumables" />
      </div>
      <ToBuyPanel lines={lines} book={book} />
    </div>
  );
}

/** The shelf of the whole shop: what all jobs need, and what stands there. */
export default function StockRoute() {
  const { needs, ...sent } = useLoaderData<typeof loader>();
  const loaded: Loaded = { ...sent, ...useMemo(() => unpacked(needs), [needs]) };
  const [params] = useSearchParams();
  const tins = showsTins(params);
  return (
    <VoiceOf book={loaded.book}>
      <div className="flex min-h-screen flex-col">
        <PageHead title="Shelf">
          <StockUndo undo={loaded.undo} redo={loaded.redo} to={tins ? "/shelf?show=tins" : "/shelf"} />
          <Link to="/shelf/list" className="button mr-2">
            Shopping list
          </Link>
          <Link to="/shelf/prices" className="button">
            Suppliers and prices
          </Link>
        </PageHead>
        <main className="mx-auto w-full max-w-[1240px] px-6 py-4 max-sm:px-3">
          <PageTabs
            title="Shelf"
            tabs={[
              { to: "/shelf", name: "What all jobs need", open: !tins },
              { to: "/shelf?show=tins", name: "What is there", open: tins },
            ]}
          />
          {tins ? <Tins loaded={loaded} /> : <Needs loaded={loaded} />}
        </main>
      </div>
    </VoiceOf>
  );
}
