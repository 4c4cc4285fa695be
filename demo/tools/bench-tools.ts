import type { AddressInfo } from "node:net";
import { createServer, type Server } from "node:net";

// Simulated tools of the bench, speaking the protocol in docs/bench-tools.md: one line asked, one line answered. Readings wander a
// little, as real ones do; the first look at the scale after a pause has not settled.

const TOOLS = {
  W: { from: 118, wander: 6, unit: "g", digits: 1 },
  M: { from: 10.4, wander: 0.8, unit: "%", digits: 1 },
  F: { from: 95, wander: 10, unit: "um", digits: 0 },
} as const;

/** The reading of a tool at a look: the same looks give the same readings. */
function reading(which: keyof typeof TOOLS, look: number): string {
  const { from, wander, unit, digits } = TOOLS[which];
  const value = from + wander * Math.sin(look * 1.7 + which.charCodeAt(0));
  const settled = which !== "W" || look % 5 !== 4;
  return `${which} ${value >= 0 ? "+" : "-"}${Math.abs(value)
    .toFixed(digits)
    .padStart(digits > 0 ? 6 : 4, "0")} ${unit} ${settled ? "S" : "U"}\r\n`;
}

const MOST_LETTERS = 16;

/** Opens the tools on a port of this machine; 0 chooses one. */
export function openTools(port: number): Promise<{ address: string; server: Server }> {
  let looks = 0;
  const server = createServer((socket) => {
    let heard = "";
    socket.on("error", () => socket.destroy());
    socket.on("data", (part) => {
      heard += part.toString("latin1");
      if (heard.length > MOST_LETTERS) return socket.destroy();
      if (!heard.includes("\n")) return;
      const which = /^([WMF])\?\r?\n$/.exec(heard)?.[1] as keyof typeof TOOLS | undefined;
      heard = "";
      socket.write(which ? reading(which, looks++) : "E\r\n");
    });
  });
  return new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", () =>
      resolve({ address: `tcp://127.0.0.1:${(server.address() as AddressInfo).port}`, server }),
    );
  });
}
