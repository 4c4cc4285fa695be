import { openTools } from "./bench-tools";

// Stands in for the scale, the moisture meter and the comb on the bench: prints where it listens.
const port = Number(process.env.PORT ?? 4181);
const { address } = await openTools(port);
console.log(address);
