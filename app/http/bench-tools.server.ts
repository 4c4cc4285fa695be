import { connect } from "node:net";
import type { READINGS } from "#core/ledger/event";

// Tools on the bench speak as such tools do: a line of text over a socket. BENCH_TOOLS_URL names where ("tcp://127.0.0.1:4181").
// The protocol is in docs/bench-tools.md; any of them can be replaced by typing what it shows.

type Tool = (typeof READINGS)[number];
const ASKS: Record<Tool, string> = { weight: "W?", moisture: "M?", "wet film": "F?" };
/** "W +0123.4 g S": which, the value, its unit, and whether it has settled. */
const ANSWER = /^([WMF]) ([+-]?\d{1,6}(?:\.\d{1,2})?) (g|%|um) ([SU])\r?\n?$/;
const PATIENCE_MILLISECONDS = 2000;
const MOST_LETTERS = 64;

export type ToolAnswer = { value: number } | { says: string };

const NAMES: Record<Tool, string> = { weight: "scale", moisture: "moisture meter", "wet film": "comb" };

/** A line asked of the tools and what came back; null where nothing did. */
function ask(host: string, port: number, line: string): Promise<string | null> {
  return new Promise((resolve) => {
    const socket = connect({ host, port });
    let said = "";
    const end = (answer: string | null) => {
      socket.destroy();
      resolve(answer);
    };
    socket.setTimeout(PATIENCE_MILLISECONDS, () => end(null));
    socket.once("error", () => end(null));
    socket.once("connect", () => socket.write(`${line}\r\n`));
    socket.on("data", (part) => {
      said += part.toString("latin1");
      if (said.includes("\n") || said.length > MOST_LETTERS) end(said.slice(0, MOST_LETTERS));
    });
    socket.once("end", () => end(said === "" ? null : said));
  });
}

/** What a tool reads; anything wrong with it comes back as a sentence. */
export async function askTool(of: Tool, address = process.env.BENCH_TOOLS_URL?.trim()): Promise<ToolAnswer> {
  const name = NAMES[of];
  if (!address) return { says: `No ${name} is connected. Type what it shows.` };
  const read = /^tcp:\/\/([A-Za-z0-9.-]+):(\d{1,5})$/.exec(address);
  if (!read) return { says: "BENCH_TOOLS_URL should be an address like tcp://127.0.0.1:4181." };
  const said = await ask(read[1]!, Number(read[2]), ASKS[of]);
  if (said === null) return { says: `The ${name} does not answer. Is it switched on? You can type what it shows.` };
  const parts = ANSWER.exec(said);
  if (!parts || parts[1] !== ASKS[of][0])
    return { says: `The ${name} sent something that is not a reading. Type what it shows.` };
  if (parts[4] === "U") return { says: `The ${name} has not settled. Wait for a steady reading, then try again.` };
  return { value: Math.abs(Number(parts[2])) };
}
