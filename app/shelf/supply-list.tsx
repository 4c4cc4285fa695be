import { ChevronRight } from "lucide-react";
import type { ShelfBook } from "#core/shelf/book";
import type { Need, Use } from "#core/shelf/needs";
import type { PotOnShelf } from "#core/shelf/stock";
import { daysLeft, isOld, type SupplyLine } from "#core/shelf/supply";
import type { WallMinutes } from "#core/units/units";
import { readWallTime } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { countOf } from "~/words/amount";
import { roundedUp, sayAmount, sayAreaIn, saySpread, type Voice } from "~/words/measures";
import { amountOf, needOf, STANDING_WORDS, sayStanding } from "./supply-words";
import { Pegs, Tin } from "./tin";
import { useVoice } from "./voice";

const twoDecimals = (value: number) => String(Math.round(value * 100) / 100);

/** How a use is worked out: "0.62 m² × 2 coats ÷ 11 m²/L = 113 ml". */
function sayUse(use: Use, need: Need, voice: Voice): string {
  if (need.unit === "sheets") return `${sayAreaIn(use.area, voice)} = ${sayAmount("sheets", use.amount, voice)}`;
  const load = Math.abs(use.load - 1) > 0.005 ? ` × ${twoDecimals(use.load)} of a coat` : "";
  const share =
    Math.abs(use.share - 1) > 0.005 && need.unit === "ml" ? `, ${Math.round(use.share * 100)} % of the mix` : "";
  return `${sayAreaIn(use.area, voice)} × ${countOf(use.coats, "coat")}${load} ÷ ${saySpread(use.spreads, voice)}${share} = ${sayAmount(need.unit, use.amount, voice)}`;
}

/** How an amount is made up, use by use. */
function Reached({ need }: { need: Need }) {
  const voice = useVoice();
  const inAll = (amount: number) => sayAmount(need.unit, roundedUp(need.unit, amount, voice), voice);
  const parts: [string, number][] = [
    ["on the piece", need.onPiece],
    [need.unit === "sheets" ? "laps and offcuts" : "lost: wiped off, overspray, brushed out", need.lost],
    ["left in brush and kettle", need.left],
    ["put aside for touching up", need.touchUp],
  ];
  return (
    <div className="grid gap-1">
      <ul>
        {need.uses.map((use) => (
          <li key={`${use.planId}/${use.zoneId}/${use.stepId}/${use.done}`} className="flex justify-between gap-4">
            <span>
              {use.zone} <span className="text-soft">· {use.how.toLowerCase()}</span>
              {use.done && <span className="text-verdigris"> · done</span>}
            </span>
            <span className="text-right text-soft">{sayUse(use, need, voice)}</span>
          </li>
        ))}
      </ul>
      <p className="border-t border-hair pt-1">
        {parts
          .filter(([, amount]) => amount > 0.05)
          .map(([name, amount]) => `${sayAmount(need.unit, amount, voice)} ${name}`)
          .join(" + ")}{" "}
        = <b className="font-semibold">{inAll(need.amount)}</b>
        {need.careful > need.amount * 1.01 && `; to be safe ${inAll(need.careful)}`}
      </p>
    </div>
  );
}

/** The tins of a good that stand on the shelf. */
function Pots({ line, book, today }: { line: SupplyLine; book: ShelfBook; today: WallMinutes }) {
  const voice = useVoice();
  if (line.pots.length === 0) return null;
  const sayAge = (pot: PotOnShelf) => {
    if (pot.opened === null) return "sealed";
    const left = daysLeft(pot, line.material, book, today);
    const opened = readWallTime(`${pot.opened}T00:00`);
    const since = opened === null ? "opened" : `opened ${sayDate(opened, today)}`;
    return left !== null && left < 0 ? `${since}, past its time` : since;
  };
  return (
    <ul className="mt-2 border-t border-hair pt-1">
      {line.pots.map((pot) => (
        <li key={pot.id} className="flex justify-between gap-4">
          <span>
            {amountOf(line, pot.amount, voice)}
            {pot.place && <span className="text-soft"> · {pot.place}</span>}
          </span>
          <span className={isOld(pot, line.material, book, today) ? "text-sienna" : "text-soft"}>
            {[sayAge(pot), pot.condition === "sealed" || pot.condition === "good" ? "" : pot.condition]
              .filter(Boolean)
              .join(", ")}
          </span>
        </li>
      ))}
    </ul>
  );
}

interface LineProps {
  line: SupplyLine;
  book: ShelfBook;
  today: WallMinutes;
  /** what is on the shelf is not known */
  away: boolean;
}

function Line({ line, book, today, away }: LineProps) {
  const voice = useVoice();
  const { word, mark, tone } = STANDING_WORDS[line.standing];
  const done = line.whole - line.need;
  return (
    <li className="border-b border-hair" data-good={line.goodId} data-standing={line.standing}>
      <details className="group">
        <summary className="supply-row min-h-[46px] list-none py-1 hover:bg-board">
          {line.material ? (
            <Tin material={line.material} need={line.need} there={line.there} old={line.old} />
          ) : (
            <Pegs need={line.need} there={line.there} />
          )}
          <span className="flex min-w-0 items-center gap-1.5">
            <ChevronRight
              size={14}
              strokeWidth={1.5}
              aria-hidden="true"
              className="shrink-0 text-edge group-open:rotate-90"
            />
            <span className="min-w-0">
              <b className="block font-semibold">{line.name}</b>
              <span className="block truncate text-note text-soft">
                {line.material ? line.material.family : line.by.join(", ").toLowerCase()}
              </span>
            </span>
          </span>
          <span className="text-right">
            <b className="block text-[1.0625rem] font-semibold whitespace-nowrap">{needOf(line, line.need, voice)}</b>
            {done > 0.05 && (
              <span className="block text-note whitespace-nowrap text-soft">
                of {amountOf(line, line.whole, voice)}
              </span>
            )}
          </span>
          <span className="text-right whitespace-nowrap">
            {line.there > 0 ? amountOf(line, line.there, voice) : <span className="text-soft">–</span>}
            {line.old > 0 && (
              <span className="block text-note text-sienna">+ {amountOf(line, line.old, voice)} old</span>
            )}
          </span>
          <span>
            <span hidden={away} className={`${tone} ${line.standing === "enough" ? "" : "font-semibold"}`}>
              <span aria-hidden="true">{mark} </span>
              <span className="sr-only">{word}: </span>
              {sayStanding(line, voice)}
            </span>
            {line.wanted !== null && (
              <span className="block text-note whitespace-nowrap text-soft">for {sayMoment(line.wanted, today)}</span>
            )}
          </span>
        </summary>
        <div className="mb-3 ml-[46px] max-w-[640px] border-l-2 border-line pl-4 text-note">
          {line.reached ? (
            <Reached need={line.reached} />
          ) : (
            <p>
              Counted for the whole job, for: {line.by.join(", ").toLowerCase()}.
              {line.consumable && line.whole > 1 && ` ${amountOf(line, line.whole, voice)} in all.`}
            </p>
          )}
          <Pots line={line} book={book} today={today} />
        </div>
      </details>
    </li>
  );
}

/** What is needed against what there is, a line for each good; each line opens to how it was worked out. */
export function SupplyList({
  lines,
  book,
  today,
  label,
  away = false,
}: {
  lines: readonly SupplyLine[];
  book: ShelfBook;
  today: WallMinutes;
  label: string;
  away?: boolean | undefined;
}) {
  return (
    <section aria-label={label}>
      <div className="supply-row border-b border-line pb-1 text-note text-soft" aria-hidden="true">
        <span />
        <span>{label}</span>
        <span className="text-right">Needed</span>
        <span className="text-right">On the shelf</span>
        <span>How it stands</span>
      </div>
      <ul>
        {lines.map((line) => (
          <Line key={line.goodId} line={line} book={book} today={today} away={away} />
        ))}
      </ul>
    </section>
  );
}
