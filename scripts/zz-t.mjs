import { cpSync, mkdtempSync, copyFileSync, renameSync, rmSync, readdirSync } from "node:fs";
import { freePort, startServer } from "./server.mjs";
const folder = mkdtempSync("/tmp/w/zz-");
copyFileSync("/tmp/w/data/crust.db", folder + "/crust.db");
const s = await startServer({ port: await freePort(), environment: { JOLLY_CRUST_DATA: folder, ROOM_SENSOR_URL: "" }, heard: "inherit" });
const get = async () => (await (await fetch(s.address + "/plan-of-work", { headers: { Accept: "application/json" } })).text()).slice(0, 220);
const post = async (o) => { const f = new FormData(); for (const [k, v] of Object.entries(o)) f.set(k, v); return (await fetch(s.address + "/plan-of-work", { method: "POST", body: f, headers: { Accept: "application/json", Origin: s.address } })).text(); };
const replace = () => { for (const name of readdirSync(folder)) if (!["crust.db", "crust.db-wal", "crust.db-shm", "crust.db-marks"].includes(name)) rmSync(folder + "/" + name); copyFileSync("/tmp/w/data/crust.db", folder + "/next.db"); renameSync(folder + "/next.db", folder + "/crust.db"); };
replace();
console.log(await get());
console.log(await post({ do: "plan", looks: 100 }));
for (let i = 0; i < 6; i++) { await new Promise((r) => setTimeout(r, 1500)); console.log(await get()); }
replace();
console.log(await post({ do: "plan", looks: 100 }));
for (let i = 0; i < 4; i++) { await new Promise((r) => setTimeout(r, 1500)); console.log(await get()); }
s.stop(); process.exit(0);
