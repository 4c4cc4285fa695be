import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import { workingFixes } from "#core/judge/fixes";
import { judge } from "#core/judge/judge";
import { DEFAULT_HOURS } from "#core/plan/hours";
import { Plan, type Step } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { readDuration } from "#core/units/duration";
import { readEditForm, stepName } from "./edit-form";
import { type FormFields, fieldsOf } from "./fields";
import { readHoursFields, sayHours, WEEKDAYS } from "./hours-form";
import { readJobFields, readNewJob, readReadyPiece } from "./job-form";
import { waitText } from "./wait-form";
import { readZoneFields, zoneFields } from "./zone-form";

const plan = () =>
  examplePlan({
    shows: "x",
    ground: "raw timber",
    species: "oak",
    steps: [
      ["brush", "chalk-bone-white"],
      ["wax", "wax-dark"],
      ["brush", "clear-coat-satin"],
    ],
  });

let made = 0;
const send = (fields: FormFields, on: Plan = plan()) =>
  readEditForm(on, { crustId: "c1", ...fields }, () => `new-${++made}`);

function done(fields: FormFields, on: Plan = plan()): Plan {
  const read = send(fields, on);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const applied = applyCommands(on, read.commands);
  if (!applied.ok) throw new Error(applied.because);
  expect(Plan.safeParse(applied.plan).success).toBe(true);
  return applied.plan;
}
const faultsOf = (fields: FormFields, on?: Plan) => {
  const read = send(fields, on);
  return read.ok ? {} : read.faults;
};
const steps = (of: Plan) => of.crusts[0]!.steps;

describe("the step's form", () => {
  it("adds on top, or where the form says, and pins the material", () => {
    const added = done({ do: "add step", pick: "brush|milk-ochre" });
    expect(steps(added).at(-1)).toMatchObject({ how: "brush", what: "milk-ochre", coats: 1, kind: "coat" });
    expect(added.pinned.materials.some((material) => material.id === "milk-ochre")).toBe(true);
    expect(steps(done({ do: "add step", pick: "scuff", at: "0" }))[0]).toMatchObject({ how: "scuff", kind: "prepare" });
  });

  it.each<[string, FormFields, string, RegExp]>([
    ["nothing chosen", { do: "add step" }, "pick", /Choose a material/],
    ["a material nobody has", { do: "add step", pick: "brush|moon-dust" }, "pick", /not on the shelf/],
    ["a place past the top", { do: "add step", pick: "scuff", at: "9" }, "", /does not exist/],
    ["a place that is no number", { do: "add step", pick: "scuff", at: "top" }, "", /does not exist/],
    ["a crust that is gone", { do: "add step", pick: "scuff", crustId: "c9" }, "", /no longer in the plan/],
    ["a step that is gone", { do: "patch step", stepId: "s9" }, "", /no longer in the crust/],
    ["no coats", { do: "patch step", stepId: "s1", coats: "0" }, "coats", /At least one coat/],
    ["minus two coats", { do: "patch step", stepId: "s1", coats: "-2" }, "coats", /At least one coat/],
    ["half a coat", { do: "patch step", stepId: "s1", coats: "1.5" }, "coats", /a whole number/],
    ["a word for coats", { do: "patch step", stepId: "s1", coats: "two" }, "coats", /number of coats, like 2/],
    ["too many coats", { do: "patch step", stepId: "s1", coats: "40" }, "coats", /12 coats at most/],
    ["a share of nothing", { do: "patch step", stepId: "s1", share: "0" }, "share", /more than 0/],
    ["a share of more than all", { do: "patch step", stepId: "s1", share: "140" }, "share", /more than 100/],
    [
      "a wait in a while",
      { do: "patch step", stepId: "s1", waitKind: "at least", wait: "a while" },
      "wait",
      /like 45 min, 2 h or 1 day/,
    ],
    [
      "a wait of a year",
      { do: "patch step", stepId: "s1", waitKind: "at least", wait: "365 days" },
      "wait",
      /90 days at most/,
    ],
    ["wax by brush", { do: "patch step", stepId: "s2", how: "brush" }, "how", /Dark wax goes on by: wax on, wipe/],
    ["an unknown technique", { do: "patch step", stepId: "s1", how: "moonwalk" }, "how", /Choose how/],
    ["an unknown place", { do: "patch step", stepId: "s1", on: "underneath" }, "on", /Choose where/],
    ["up from the top", { do: "move step", stepId: "s3", to: "up" }, "", /cannot move any further/],
    ["an unknown form", { do: "burn" }, "", /arrived incomplete/],
    ["no form", {}, "", /arrived incomplete/],
    ["a repair that is gone", { do: "fix", finding: "z1/s9/A4" }, "", /already gone/],
    ["a crust without a name", { do: "rename crust", crustName: "  " }, "crustName", /Give the crust a name/],
  ])("says what is wrong with %s at its field", (_what, fields, field, says) => {
    expect(faultsOf(fields)[field]).toMatch(says);
  });

  it("changes only what the form holds", () => {
    const before = steps(plan())[0]!;
    const after = steps(done({ do: "patch step", stepId: "s1", coats: "3" }))[0]!;
    expect(after).toEqual({ ...before, coats: 3 });
  });

  it("sets and clears waits, intents and what should show", () => {
    const set = done({
      do: "patch step",
      stepId: "s2",
      waitKind: "exactly",
      wait: "1 h 30",
      hasIntents: "yes",
      intents: "stain,resist",
    });
    expect(steps(set)[1]).toMatchObject({ wait: { kind: "exactly", minutes: 90 }, intents: ["stain", "resist"] });
    const cleared = done(
      { do: "patch step", stepId: "s2", waitKind: "as needed", wait: "1 h 30", hasIntents: "yes" },
      set,
    );
    expect(steps(cleared)[1]!.wait).toBeUndefined();
    expect(steps(cleared)[1]!.intents).toEqual([]);
  });

  it("saved again unchanged it changes nothing", () => {
    const waits = fc.option(
      fc.record({
        kind: fc.constantFrom("at least" as const, "exactly" as const),
        minutes: fc.integer({ min: 0, max: 129_600 }),
      }),
      { nil: undefined },
    );
    fc.assert(
      fc.property(
        waits,
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(1, 0.6, 0.25, 0.333),
        (wait, coats, share) => {
          const step: Step = {
            ...steps(plan())[0]!,
            coats,
            where: { on: "field", over: share },
            ...(wait ? { wait } : {}),
          };
          const on = { ...plan(), crusts: [{ ...plan().crusts[0]!, steps: [step, ...steps(plan()).slice(1)] }] };
          const fields = {
            do: "patch step",
            stepId: "s1",
            what: step.what!,
            how: step.how,
            coats: String(step.coats),
            on: step.where.on,
            share: String(Math.round(share * 1000) / 10),
            waitKind: wait?.kind ?? "as needed",
            wait: waitText(step),
            hasIntents: "yes",
            reveals: "",
          };
          expect(steps(done(fields, on))[0]).toEqual(step);
        },
      ),
    );
  });

  it("writes every wait so that it is read back to the minute", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 129_600 }), (minutes) => {
        expect(readDuration(waitText({ wait: { kind: "at least", minutes } }))).toBe(minutes);
      }),
    );
  });

  it("moves and removes a step, and selects its neighbour", () => {
    expect(steps(done({ do: "move step", stepId: "s1", to: "up" })).map((step) => step.id)).toEqual(["s2", "s1", "s3"]);
    const gone = send({ do: "remove step", stepId: "s2" });
    expect(gone).toMatchObject({ ok: true, step: "s3", label: "Remove Dark wax" });
  });

  it("applies exactly the repair that is shown", () => {
    const on = plan();
    const finding = judge(on).zones[0]!.findings.find((finding) => finding.rule === "A4")!;
    const [fix] = workingFixes(on, finding);
    const mended = done({ do: "fix", finding: finding.id, fix: fix!.label }, on);
    expect(judge(mended).zones[0]!.findings.some((finding) => finding.rule === "A4")).toBe(false);
  });

  it("names steps by what a painter calls them", () => {
    expect(stepName(plan(), { how: "brush", what: "chalk-bone-white" })).toBe("Chalk-type, bone white");
    expect(stepName(plan(), { how: "wet-distress" })).toBe("Wet distress");
    expect(stepName(plan(), { how: "moonwalk", what: "moon-dust" })).toBe("moon-dust");
  });
});

const ZONE: FormFields = {
  zoneName: "Door",
  shape: "panel",
  size1: "600",
  size2: "1200",
  count: "2",
  reliefKind: "moulded",
  orientation: "upright",
  faces: "2",
  groundKind: "raw timber",
  species: "oak",
  knots: "1",
  wear: "daily",
  water: "splashes",
  heat: "on",
};

describe("the zone's form", () => {
  it("reads a zone as it is measured", () => {
    const read = readZoneFields(ZONE);
    expect(read).toMatchObject({
      ok: true,
      zone: {
        name: "Door",
        shape: { kind: "panel", width: 600, height: 1200, count: 2 },
        faces: 2,
        carving: 1.1,
        use: { wear: "daily", heat: true, water: "splashes" },
        ground: { kind: "raw timber", species: "oak", bleeds: ["tannin", "knots"], knots: 1 },
      },
    });
  });

  it("takes the tape round a leg, and doubts a leg as thick as a barrel", () => {
    const leg = { ...ZONE, shape: "leg", size2: "700" };
    const round = readZoneFields({ ...leg, size1: "163.4", tape: "round" });
    expect(round.ok && round.zone.shape).toMatchObject({ kind: "leg", diameter: 52 });
    const thick = readZoneFields({ ...leg, size1: "314" });
    expect(thick.ok ? "" : thick.faults.size1).toMatch(/If the tape went round it, it is 100 mm across/);
    expect(readZoneFields({ ...leg, size1: "314", sure: "on" }).ok).toBe(true);
  });

  it.each<[string, FormFields, string, RegExp]>([
    ["no size", { size1: "" }, "size1", /Width: measure it, in millimetres/],
    ["a size of nothing", { size2: "0" }, "size2", /Height: a size must be more than 0 mm/],
    ["a size below nothing", { size2: "-3" }, "size2", /more than 0 mm/],
    ["a word for a size", { size1: "wide" }, "size1", /Width: measure it/],
    ["a size past all furniture", { size1: "99999" }, "size1", /over 20 m/],
    ["no name", { zoneName: " " }, "zoneName", /Give the zone a name/],
    ["half a door", { count: "0.5" }, "count", /A whole number of pieces/],
    ["no count", { count: "" }, "count", /Write how many, like 1/],
    ["knots below nothing", { knots: "-1" }, "knots", /from 0 to 500/],
    ["an unknown shape", { shape: "blob" }, "shape", /Choose a shape/],
    ["an unknown ground", { groundKind: "cheese" }, "groundKind", /what is there now/],
    ["an unknown use", { wear: "war" }, "wear", /how hard a life/],
  ])("says what is wrong with %s at its field", (_what, change, field, says) => {
    const read = readZoneFields({ ...ZONE, ...change });
    expect(read.ok ? {} : read.faults).toMatchObject({ [field]: expect.stringMatching(says) });
  });

  it("shown and saved again it is the same zone, and keeps what was found on its ground", () => {
    const zone = {
      ...plan().pieces[0]!.zones[0]!,
      ground: { ...plan().pieces[0]!.zones[0]!.ground, contamination: ["oil" as const], tooth: 0.77 },
    };
    const read = readZoneFields(zoneFields(zone), zone);
    expect(read).toEqual({
      ok: true,
      zone: Object.fromEntries(Object.entries(zone).filter(([key]) => key !== "id" && key !== "crustId")),
    });
  });

  it("another ground starts from its own properties", () => {
    const zone = plan().pieces[0]!.zones[0]!;
    const read = readZoneFields({ ...zoneFields(zone), groundKind: "laminate" }, zone);
    expect(read).toMatchObject({ ok: true, zone: { ground: { kind: "laminate", bleeds: [], absorbency: 0 } } });
  });

  it("adds a zone with a crust of its own or a shared one, takes one off again", () => {
    const own = done({ do: "add zone", pieceId: "p1", ...ZONE, crustId: "" });
    expect(own.crusts).toHaveLength(2);
    expect(own.pieces[0]!.zones[1]!.crustId).toBe(own.crusts[1]!.id);
    const shared = done({ do: "add zone", pieceId: "p1", ...ZONE, crustId: "c1" });
    expect(shared.crusts).toHaveLength(1);
    const without = done({ do: "remove zone", zoneId: own.pieces[0]!.zones[1]!.id }, own);
    expect(without).toEqual(plan());
  });

  it("gives a zone a new crust of its own", () => {
    const zone = plan().pieces[0]!.zones[0]!;
    const apart = done({ do: "patch zone", zoneId: "z1", ...zoneFields(zone), crustId: "new" });
    expect(apart.crusts).toHaveLength(2);
    expect(apart.pieces[0]!.zones[0]!.crustId).not.toBe("c1");
  });
});

describe("the job's forms", () => {
  const NEW: FormFields = {
    ...ZONE,
    id: "abc123",
    title: "Sea chest",
    client: "",
    piece: "Chest",
    start: "2026-12-01T09:00",
    due: "",
  };

  it("makes a whole plan", () => {
    const read = readNewJob(NEW);
    expect(read.ok && Plan.safeParse(read.plan).success).toBe(true);
  });

  it.each<[string, FormFields, string, RegExp]>([
    ["no name", { title: "" }, "title", /Give the job a name/],
    ["no piece", { piece: "" }, "piece", /Give the piece a name/],
    ["no start", { start: "" }, "start", /Say when you can begin|like 2026/],
    ["a start that is no date", { start: "soon" }, "start", /./],
    ["due before it begins", { due: "2026-11-01T09:00" }, "due", /before the start/],
    ["a zone without size", { size1: "" }, "size1", /measure it/],
    ["an id of another making", { id: "../../etc" }, "", /arrived incomplete/],
  ])("says what is wrong with %s", (_what, change, field, says) => {
    const read = readNewJob({ ...NEW, ...change });
    expect(read.ok ? {} : read.faults).toMatchObject({ [field]: expect.stringMatching(says) });
  });

  const CHEST: FormFields = {
    id: "chest-1",
    kit: "chest",
    groundKind: "varnished timber",
    species: "oak",
    wear: "daily",
    water: "splashes",
    heat: "on",
    start: "2026-11-30T09:00",
  };

  it("makes a standard piece of a few fields: all its zones, the usual measures, its name", () => {
    const made = readReadyPiece({ ...CHEST, kitWidth: "1200" });
    expect(made.ok).toBe(true);
    if (!made.ok) return;
    const [piece] = made.plan.pieces;
    expect(made.plan.title).toBe("Chest of drawers");
    expect(piece!.zones.map(({ name }) => name)).toEqual(["Carcass", "Top", "Drawer fronts", "Plinth", "Knobs"]);
    expect(piece!.zones[0]).toMatchObject({
      shape: { width: 1200, height: 820 },
      ground: { kind: "varnished timber", species: "oak" },
      use: { wear: "daily", water: "splashes", heat: true },
    });
    expect(piece!.zones.at(-1)!.ground.kind).toBe("brass");
    expect(made.plan.crusts).toEqual([{ id: "crust-1", name: "Empty", steps: [] }]);
  });

  it.each<[string, FormFields, string, RegExp]>([
    ["a piece nobody makes", { kit: "throne" }, "kit", /Choose a piece/],
    ["a width in words", { kitWidth: "wide" }, "kitWidth", /Width: in millimetres/],
    ["a width below nothing", { kitWidth: "-4" }, "kitWidth", /Width: in millimetres/],
    ["a ground nobody knows", { groundKind: "cheese" }, "groundKind", /Choose what is there now/],
    ["due before it begins", { due: "2026-11-01T09:00" }, "due", /before the start/],
    ["an id of another making", { id: "../../etc" }, "", /arrived incomplete/],
  ])("of a standard piece, says what is wrong with %s", (_what, change, field, says) => {
    const read = readReadyPiece({ ...CHEST, ...change });
    expect(read.ok ? {} : read.faults).toMatchObject({ [field]: expect.stringMatching(says) });
  });

  it("changes title, client and dates, and takes client and due date away", () => {
    const changed = done({
      do: "set job",
      title: "Other",
      client: "Harbour office",
      start: "2026-12-02T10:00",
      due: "2026-12-20T12:00",
    });
    expect(changed).toMatchObject({ title: "Other", client: "Harbour office", due: "2026-12-20T12:00" });
    const bare = done({ do: "set job", title: "Other", client: "", start: "2026-12-02T10:00", due: "" }, changed);
    expect(bare.client).toBeUndefined();
    expect(bare.due).toBeUndefined();
    expect(readJobFields({ title: "x", start: "2026-12-02T10:00" }).ok).toBe(true);
  });

  it("makes a new job an idea that keeps the shop's hours", () => {
    const read = readNewJob(NEW);
    expect(read.ok && [read.plan.state, read.plan.hoursFrom]).toEqual(["idea", "shop"]);
  });

  it("says how far a job has come, one after another, and refuses what is no state or no change", () => {
    let now = done({ do: "set state", state: "under way" });
    expect(now.state).toBe("under way");
    for (const state of ["finished", "put away", "idea", "promised"]) {
      now = done({ do: "set state", state }, now);
      expect(now.state).toBe(state);
    }
    expect(faultsOf({ do: "set state", state: "lost" }).state).toMatch(/how far the job has come/);
    expect(faultsOf({ do: "set state", state: "promised" }).state).toMatch(/already/);
  });

  it("keeps the shop's hours or its own, and refuses anybody else's", () => {
    const own = done({ do: "set hours from", hoursFrom: "shop" });
    expect(own.hoursFrom).toBe("shop");
    expect(done({ do: "set hours from", hoursFrom: "job" }, own).hoursFrom).toBe("job");
    expect(faultsOf({ do: "set hours from", hoursFrom: "neighbour" }).hoursFrom).toMatch(/whose hours/);
  });

  it("switches a school, and refuses one that nobody follows", () => {
    expect(done({ do: "set house rules", buff: "next day" }).pinned.houseRules.buff).toBe("next day");
    expect(faultsOf({ do: "set house rules", buff: "never" })[""]).toMatch(/one of the schools/);
  });
});

describe("the forms of materials", () => {
  const own = (of: Plan, id: string) => of.pinned.materials.find((material) => material.id === id)!;

  it("a saved mix keeps its recipe, and brings the tins it is stirred from", () => {
    const mixed = done({ do: "save mix", mix: "chalk-bone-white:3,milk-ochre:1", mixName: "Harbour cream" });
    const made = mixed.pinned.materials.find(({ name }) => name === "Harbour cream")!;
    expect(made.recipe).toEqual([
      { what: "chalk-bone-white", parts: 3 },
      { what: "milk-ochre", parts: 1 },
    ]);
    expect(own(mixed, "milk-ochre")).toBeDefined();
    expect(faultsOf({ do: "unpin material", materialId: "milk-ochre" }, mixed)[""]).toMatch(
      /Harbour cream is mixed from it/,
    );
  });

  it("a density comes from the label, and one that cannot be is refused", () => {
    const labelled = done({ do: "from label", materialId: "chalk-bone-white", density: "1,52" });
    expect(labelled.pinned.materials.find(({ density }) => density)!.density).toEqual({
      typical: 1.52,
      safe: 1.52,
      origin: "label",
    });
    for (const density of ["0", "-1", "heavy", "40"])
      expect(faultsOf({ do: "from label", materialId: "chalk-bone-white", density }).density).toMatch(/from 0.3 to 8/);
  });

  it.each(["0", "-3", "plenty"])("a spreading rate of %s is refused", (spreadingRate) => {
    expect(faultsOf({ do: "from label", materialId: "chalk-bone-white", spreadingRate }).spreadingRate).toMatch(
      /square metres per litre/,
    );
  });
});

describe("working hours", () => {
  const week = (change: FormFields = {}): FormFields => ({
    ...Object.fromEntries(WEEKDAYS.map((name, index) => [name, sayHours(DEFAULT_HOURS.weekdays[index]!)])),
    ...change,
  });

  it("shown and read again they are the same", () => {
    expect(readHoursFields(week())).toEqual({ ok: true, hours: DEFAULT_HOURS });
  });

  it.each([
    ["9-13", [[540, 780]]],
    [
      "9:00 to 12:30, 14 - 18",
      [
        [540, 750],
        [840, 1080],
      ],
    ],
    [
      "14–18, 9–12",
      [
        [540, 720],
        [840, 1080],
      ],
    ],
    ["", []],
  ])("%s is read", (text, day) => {
    const read = readHoursFields(week({ Monday: text }));
    expect(read.ok && read.hours.weekdays[0]).toEqual(day);
  });

  it("take a time zone, give it up, and keep it where the form does not ask", () => {
    const read = readHoursFields(week({ timeZone: " Europe/London " }));
    expect(read.ok && read.hours.timeZone).toBe("Europe/London");
    const hours = read.ok ? read.hours : DEFAULT_HOURS;
    const kept = readHoursFields(week(), hours);
    expect(kept.ok && kept.hours.timeZone).toBe("Europe/London");
    const given = readHoursFields(week({ timeZone: "" }), hours);
    expect(given.ok && "timeZone" in given.hours).toBe(false);
    const wrong = readHoursFields(week({ timeZone: "the harbour" }));
    expect(wrong.ok ? "" : wrong.faults.timeZone).toMatch(/write a time zone like Europe\/London/i);
  });

  it.each([
    ["morning", /Write hours like/],
    ["13–9", /not a time range/],
    ["9–25", /not a time range/],
    ["9–13, 12–15", /overlap/],
    ["9:75–13", /not a time range/],
  ])("%s is refused", (text, says) => {
    const read = readHoursFields(week({ Tuesday: text }));
    expect(read.ok ? "" : read.faults.Tuesday).toMatch(says);
  });
});

describe("fields of a form", () => {
  it("joins what is there several times, bounds what is long, leaves files out", () => {
    const form = new FormData();
    form.append("intents", "stain");
    form.append("intents", "resist");
    form.append("long", "x".repeat(9000));
    form.append("file", new File(["x"], "x.txt"));
    const fields = fieldsOf(form);
    expect(fields.intents).toBe("stain,resist");
    expect(fields.long).toHaveLength(2000);
    expect(fields.file).toBeUndefined();
  });

  it("never throws, whatever is sent", () => {
    const names = fc.constantFrom(
      "do",
      "crustId",
      "stepId",
      "pick",
      "at",
      "coats",
      "share",
      "wait",
      "waitKind",
      "to",
      "zoneId",
      "finding",
      "shape",
      "size1",
    );
    const values = fc.oneof(
      fc.string(),
      fc.constantFrom(
        "add step",
        "patch step",
        "move step",
        "remove step",
        "fix",
        "add zone",
        "patch zone",
        "set job",
        "set hours",
        "c1",
        "s1",
        "z1",
        "-1",
        "NaN",
        "1e9",
      ),
    );
    fc.assert(
      fc.property(fc.dictionary(names, values), (fields) => {
        const read = readEditForm(plan(), fields, () => "x");
        if (read.ok) expect(read.commands.length).toBeGreaterThan(0);
        else expect(Object.values(read.faults).every((says) => says.length > 5)).toBe(true);
      }),
      { numRuns: 400 },
    );
  });
});
