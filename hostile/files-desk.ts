import { parentPort } from "node:worker_threads";
import { boardReport } from "#core/exchange/board-report";
import { readPlanFile, writePlanFile } from "#core/exchange/plan-file";
import { checkReport, scheduleReport, shopReport } from "#core/exchange/report";
import { zonesOf } from "#core/plan/plan";
import { mutated } from "./mutations.ts";

// Reads one mutated file after another, and does everything with it that the tool does with a plan. The trial ends this thread
// if one takes too long.

/** Words of the library that checks the files: a painter never sees any of them. */
const LIBRARY = /\b(expected|received|invalid|too (big|small)|unrecognized|nan)\b|ZodError|undefined|\[object/i;
/** One accepted plan in so many is also drawn: a board takes longer than everything else. */
const DRAWN = 40;

let accepted = 0;

function tryOne(text: string): { read: boolean; fault: string | null } {
  const read = readPlanFile(text);
  if (!read.ok) {
    if (read.faults.length === 0) return { read: false, fault: "refused without a reason" };
    const odd = read.faults.find(
      ({ where, says }) => LIBRARY.test(`${where} ${says}`.replaceAll(/"[^"]*"/g, "")) || says.length < 8,
    );
    return { read: false, fault: odd ? `refused in these words: ${odd.where}: ${odd.says}` : null };
  }
  if (({} as { polluted?: boolean }).polluted) return { read: true, fault: "the file reached into the program" };
  const { plan } = read;
  const again = readPlanFile(writePlanFile(plan));
  if (!again.ok) return { read: true, fault: `not read again: ${again.faults[0]!.where}: ${again.faults[0]!.says}` };
  checkReport(plan);
  shopReport(plan);
  const { bookings, finish } = scheduleReport(plan);
  for (const { starts, ends } of bookings)
    if (starts < plan.start || ends < starts)
      return { read: true, fault: `dated ${starts} to ${ends}, and the job begins ${plan.start}` };
  if (bookings.length > 0 && finish === null) return { read: true, fault: "work without a finish" };
  const [zone] = zonesOf(plan);
  if (zone && accepted++ % DRAWN === 0) boardReport(plan, { zone: zone.id, width: 96 });
  return { read: true, fault: null };
}

parentPort!.on("message", ({ bases, seed }: { bases: string[]; seed: number }) => {
  let came: { read: boolean; fault: string | null };
  try {
    came = tryOne(mutated(bases, seed));
  } catch (error) {
    came = {
      read: true,
      fault: `broke: ${error instanceof Error ? error.stack?.split("\n").slice(0, 3).join(" ") : error}`,
    };
  }
  parentPort!.postMessage({ seed, ...came });
});
