import sharp from "sharp";
import { Board } from "#core/board/board";
import { boardWorkOf, panelFor } from "#core/board/board-work";
import type { LedgerEvent } from "#core/ledger/event";
import { stepThen } from "#core/ledger/step-then";
import type { Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { readWallTime } from "#core/units/wall-time";

// The ledgers of the demo shop, invented: what its two painters wrote down at the bench. Times are those of the shop's wall.

type Rest<Kind> = Omit<Extract<LedgerEvent, { kind: Kind }>, "id" | "at" | "offset" | "on" | "kind" | "step" | "air">;

class Writer {
  readonly events: LedgerEvent[] = [];
  private readonly zones: readonly string[];

  constructor(
    private readonly plan: Plan,
    private readonly by: string,
  ) {
    this.zones = plan.pieces.flatMap(({ zones }) => zones.map(({ id }) => id));
  }

  /** A line on a coat of some zones, in the air of that hour. */
  write<Kind extends LedgerEvent["kind"]>(
    kind: Kind,
    when: string,
    where: string | null,
    [celsius, relativeHumidity]: readonly [number, number],
    rest: Rest<Kind>,
  ): this {
    const on =
      where === null
        ? []
        : where.split(",").map((text) => {
            const [zoneId, phaseId] = text.split(":");
            return { zoneId: zoneId!, phaseId: phaseId! };
          });
    if (on.some(({ zoneId }) => !this.zones.includes(zoneId))) throw new Error(`no such zone: ${where}`);
    const step = stepThen(this.plan, { on });
    this.events.push({
      kind,
      id: `${this.plan.id}-${this.events.length + 1}`,
      at: readWallTime(when)! * 60_000,
      offset: 0,
      by: this.by,
      air: { celsius, relativeHumidity, from: "sensor" },
      on,
      ...(step ? { step } : {}),
      ...rest,
    } as unknown as LedgerEvent);
    return this;
  }

  /** A coat with its beginning and its end. */
  coat(day: string, from: string, to: string, where: string, air: readonly [number, number]): this {
    return this.write("start", `${day}T${from}`, where, air, {}).write("end", `${day}T${to}`, where, air, {});
  }
}

const photoOf = (plan: Plan, name: string) => `${plan.id}-${name}`;

/** The lamp-room shelf: primed, slate and sea green on, and the green held back by a cold night. */
export function lampShelfLedger(plan: Plan): LedgerEvent[] {
  const shelf = new Writer(plan, "First painter");
  const both = (phase: string, other = phase) => `brackets:${phase},shelf-board:${other}`;
  return shelf
    .coat("2026-11-23", "09:10", "09:55", both("scuff"), [18, 56])
    .coat("2026-11-23", "10:05", "10:50", "brackets:block", [19, 55])
    .coat("2026-11-23", "10:55", "11:10", "shelf-board:prime", [19, 55])
    .write("note", "2026-11-23T11:15", "brackets:block", [19, 55], {
      text: "Three knots spotted twice with the stain-block.",
    })
    .coat("2026-11-23", "13:30", "14:20", "brackets:slate/1", [19, 54])
    .coat("2026-11-23", "14:25", "14:40", "shelf-board:putty/1", [19, 54])
    .write("sign", "2026-11-24T09:05", "brackets:slate/1", [15, 66], {
      stage: "recoat",
      seen: true,
      says: "matt against the light",
    })
    .coat("2026-11-24", "09:15", "10:05", "brackets:slate/2", [15, 66])
    .coat("2026-11-24", "10:15", "10:30", "shelf-board:putty/2", [15, 66])
    .write("sign", "2026-11-24T11:20", "brackets:slate/2", [16, 64], {
      stage: "recoat",
      seen: false,
      more: 30,
      says: "still tacky",
    })
    .write("sign", "2026-11-24T11:55", "brackets:slate/2", [17, 62], {
      stage: "recoat",
      seen: true,
      says: "matt against the light",
    })
    .write("test patch", "2026-11-24T13:40", "brackets:slate/2", [17, 62], {
      text: "A wet thumb on the back of a bracket: no colour comes off after two hours.",
      holds: true,
    })
    .coat("2026-11-24", "14:00", "14:50", "brackets:green/1", [17, 61])
    .write("amount", "2026-11-24T14:52", "brackets:green/1", [17, 61], {
      materialId: "chalk-sea-green",
      amount: 45,
      unit: "ml",
    })
    .write("photo", "2026-11-24T15:30", "brackets:green/1", [17, 61], {
      photoId: photoOf(plan, "first-green"),
      text: "First coat of green; slate still shows in the grooves",
    })
    .write("sign", "2026-11-25T09:10", "shelf-board:putty/2", [16, 63], {
      stage: "recoat",
      seen: true,
      says: "matt against the light",
    })
    .coat("2026-11-25", "09:20", "10:10", "brackets:green/2", [16, 63])
    .write("trouble", "2026-11-25T10:12", "brackets:green/2", [16, 63], {
      trouble: "shed bristle",
      way: "Lift it out now",
      text: "Old brush. Third bracket from the left.",
    })
    .write("photo", "2026-11-25T16:20", "brackets:green/2", [19, 57], {
      photoId: photoOf(plan, "second-green"),
      text: "Second coat, dry: stronger than the board",
    })
    .write("note", "2026-11-26T09:00", null, [16, 64], {
      text: "Client came by: wants the edges worn harder than on the board.",
    }).events;
}

/** The harbour stool: done, and told how it turned out. */
export function harbourStoolLedger(plan: Plan): LedgerEvent[] {
  const stool = new Writer(plan, "Second painter");
  const legs = (phase: string) => `stool-legs:${phase}`;
  return stool
    .coat("2026-11-09", "09:05", "09:30", legs("scuff"), [18, 58])
    .write("reading", "2026-11-09T09:35", legs("scuff"), [18, 58], { of: "moisture", value: 10.5, from: "tool" })
    .coat("2026-11-09", "10:10", "10:40", legs("ochre/1"), [19, 56])
    .write("sign", "2026-11-09T14:10", legs("ochre/1"), [20, 54], {
      stage: "recoat",
      seen: true,
      says: "matt against the light",
    })
    .coat("2026-11-10", "09:15", "09:45", legs("ochre/2"), [17, 60])
    .write("note", "2026-11-10T09:50", legs("ochre/2"), [17, 60], { text: "Lumps left in the mix on purpose." })
    .coat("2026-11-11", "10:00", "10:20", legs("rub"), [18, 58])
    .coat("2026-11-12", "09:20", "09:50", legs("wax"), [18, 57])
    .write("sign", "2026-11-12T10:05", legs("wax"), [18, 57], {
      stage: "buff",
      seen: false,
      more: 10,
      says: "its solvent not gone yet",
    })
    .write("sign", "2026-11-12T10:20", legs("wax"), [18, 57], { stage: "buff", seen: true, says: "ready to buff" })
    .coat("2026-11-12", "10:25", "10:45", legs("buff"), [18, 57])
    .write("photo", "2026-11-12T11:00", legs("buff"), [19, 56], {
      photoId: photoOf(plan, "finished"),
      text: "Finished",
    })
    .write("outcome", "2026-11-12T11:05", legs("buff"), [19, 56], {
      text: "Came out as planned; the client took the second one like it.",
      good: true,
    }).events;
}

/** A photo as a camera would have it: the predicted board with another seed, in workshop light. */
export async function demoPhoto(plan: Plan, zoneId: string, phaseId: string, seed: number) {
  const judged = judgementOf(plan).zones.find(({ zone }) => zone.id === zoneId)!;
  const at = judged.phases.findIndex(({ phase }) => phase.id === phaseId) + 1;
  const board = new Board(boardWorkOf(judged, panelFor(judged.zone), seed), 640);
  const { width, height } = board.grid;
  const { data, info } = await sharp(board.picture(at), { raw: { width, height, channels: 4 } })
    .flatten({ background: "#f7f3ea" })
    .modulate({ brightness: 0.93, saturation: 0.95 })
    .jpeg({ quality: 80 })
    .toBuffer({ resolveWithObject: true });
  return { jpeg: data, width: info.width, height: info.height };
}
