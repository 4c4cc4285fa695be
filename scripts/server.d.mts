import type { ChildProcess } from "node:child_process";

export function freePort(): Promise<number>;
export function isFree(port: number): Promise<boolean>;
export function startServer(options: {
  port: number;
  environment?: Record<string, string>;
  heard?: "ignore" | "inherit";
}): Promise<{ address: string; child: ChildProcess; stop: () => void }>;
