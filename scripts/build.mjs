// Builds the application, its server and its command line.
import { build, ensurePackages } from "./ready.mjs";

ensurePackages();
console.log(`Built: ${build()}`);
