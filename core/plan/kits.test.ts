import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PIECE_KITS, zonesFromKit } from "./kits.ts";
import { Zone, zoneArea } from "./plan.ts";

const zonesOf = (kit: (typeof PIECE_KITS)[number], sizes: readonly number[]) => {
  let made = 0;
  return zonesFromKit(kit, sizes, { crustId: "c1", newId: () => `z${++made}` });
};

describe.each(PIECE_KITS.map((kit) => [kit.name, kit] as const))("%s", (_name, kit) => {
  it("makes zones that can be read, measured and drawn, at its usual sizes", () => {
    const zones = zonesOf(
      kit,
      kit.sizes.map(({ usual }) => usual),
    );
    for (const zone of zones) {
      expect(Zone.safeParse(zone).success, zone.name).toBe(true);
      expect(zoneArea(zone)).toBeGreaterThan(0);
      expect(zone.place).toBeDefined();
    }
    expect(new Set(zones.map(({ name }) => name)).size).toBe(zones.length);
  });

  it("never makes a zone that cannot be read, at any size furniture has", () => {
    const size = fc.integer({ min: 300, max: 4000 });
    fc.assert(
      fc.property(fc.tuple(size, size, size), (sizes) => {
        for (const zone of zonesOf(kit, sizes)) {
          const read = Zone.safeParse(zone);
          expect(read.success, `${zone.name} ${JSON.stringify(zone.shape)}`).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });
});
