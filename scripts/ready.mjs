// Makes a fresh clone on a fresh machine ready: packages, the build, and for the browser tests Chromium. Says a sentence where it cannot.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

// bundled, this file lies elsewhere: then it is told
export const root = process.env.CRUST_ROOT ?? fileURLToPath(new URL("..", import.meta.url));
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

/** What a build is made from. */
const SOURCES = ["app", "core", "db", "cli", "server", "public"];
const SOURCE_FILES = ["package-lock.json", "react-router.config.ts", "vite.config.ts", "tsconfig.json"];
const BUILDS = "build";
/** Builds that are kept besides those a running shop stands on. */
const KEPT = 2;

function filesBelow(folder) {
  return readdirSync(join(root, folder), { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && !/\.(test|spec)\.tsx?$/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name).slice(root.length))
    .sort();
}

/** A name for everything a build is made from: the same sources have the same build. */
function sourcesName() {
  const hash = createHash("sha256");
  for (const file of [...SOURCES.flatMap(filesBelow), ...SOURCE_FILES])
    hash
      .update(file)
      .update("\0")
      .update(readFileSync(join(root, file)))
      .update("\0");
  return hash.digest("hex").slice(0, 16);
}

const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

/** A note beside a build that a process runs from it. */
export const noteRunning = (folder, pid) => writeFileSync(join(folder, `running-${pid}`), "");
const isRunning = (folder) =>
  readdirSync(folder).some((name) => name.startsWith("running-") && isAlive(Number(name.slice("running-".length))));

function removeOld(current) {
  const builds = readdirSync(`${root}${BUILDS}`, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== current)
    .map(({ name }) => join(root, BUILDS, name))
    .sort((one, two) => statSync(two).mtimeMs - statSync(one).mtimeMs);
  for (const folder of builds.slice(KEPT - 1)) if (!isRunning(folder)) rmSync(folder, { recursive: true, force: true });
}

/** The folder that a build of the sources as they are now has, whether it is there or not. */
export const buildOf = () => join(root, BUILDS, sourcesName());

/**
 * Builds the application, its server and its command line into a folder of their own, named after what they are made from, and
 * answers the folder. What is built already is not built again; a shop that runs from another build keeps its files.
 */
export function build() {
  const name = sourcesName();
  const folder = join(root, BUILDS, name);
  if (!existsSync(join(folder, "whole"))) {
    mkdirSync(`${root}${BUILDS}`, { recursive: true });
    const aside = join(root, BUILDS, `${name}-${process.pid}`);
    const environment = { env: { ...process.env, NODE_ENV: "production", CRUST_BUILD: aside } };
    for (const [command, words] of [
      [bin("react-router"), ["build"]],
      [process.execPath, ["scripts/bundle.mjs", aside]],
    ]) {
      const { code, said } = quietly(command, words, environment);
      if (code === 0) continue;
      rmSync(aside, { recursive: true, force: true });
      stopWith(`The application could not be built.\n${said.slice(-4000)}`);
    }
    writeFileSync(join(aside, "whole"), "");
    rmSync(folder, { recursive: true, force: true });
    renameSync(aside, folder);
  }
  writeFileSync(`${root}${BUILDS}/current`, name);
  removeOld(name);
  return folder;
}

/** The newest build there is; null where nothing was built yet. */
export function builtFolder() {
  try {
    const folder = join(root, BUILDS, readFileSync(`${root}${BUILDS}/current`, "utf8").trim());
    return existsSync(join(folder, "whole")) ? folder : null;
  } catch {
    return null;
  }
}
