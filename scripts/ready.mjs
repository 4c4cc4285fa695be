// Makes a fresh clone on a fresh machine ready: packages, and for the browser tests Chromium. Says a sentence where it cannot.
import { spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));
const OLDEST_NODE = [20, 19];

export function stopWith(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** Runs a command quietly; answers its exit code and everything it said. */
export function quietly(command, words, options = {}) {
  const done = spawnSync(command, words, { cwd: root, encoding: "utf8", maxBuffer: 1 << 28, ...options });
  return {
    code: done.status ?? 1,
    said: `${done.stdout ?? ""}${done.stderr ?? ""}${done.error ? done.error.message : ""}`,
  };
}

function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1]))
    stopWith(
      `Node ${process.versions.node} is too old: install Node ${OLDEST_NODE.join(".")} or newer, then run this again.`,
    );
}

/** Installs the packages where they are missing or older than the lock file. */
export function ensurePackages() {
  checkNode();
  const lock = `${root}package-lock.json`;
  const installed = `${root}node_modules/.package-lock.json`;
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return;
  console.log("Installing packages …");
  const { code, said } = quietly("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]);
  if (code !== 0)
    stopWith(
      `The packages could not be installed. Check the network to the npm registry, then run this again.\n${said.slice(-2000)}`,
    );
}

export const CHROMIUM = "/usr/bin/chromium";

/** Installs Debian's Chromium where it is missing; only root can. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  if (process.getuid?.() !== 0 || !existsSync("/usr/bin/apt-get"))
    stopWith(
      `The browser tests need Chromium at ${CHROMIUM}. Install Debian's package "chromium" (as root: apt-get install chromium), then run this again.`,
    );
  console.log("Installing Chromium …");
  const environment = { env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } };
  for (const words of [
    ["update", "-qq"],
    ["install", "-y", "-qq", "chromium"],
  ]) {
    const { code, said } = quietly("apt-get", words, environment);
    if (code !== 0)
      stopWith(
        `Chromium could not be installed with apt-get ${words[0]}. Check the network to Debian's packages.\n${said.slice(-2000)}`,
      );
  }
}

/** The path of an installed command of a package. */
export const bin = (name) => `${root}node_modules/.bin/${name}`;

/** Builds the application. */
export function build() {
  const { code, said } = quietly(bin("react-router"), ["build"], { env: { ...process.env, NODE_ENV: "production" } });
  if (code !== 0) stopWith(`The application could not be built.\n${said.slice(-4000)}`);
}
