import { describe, expect, it } from "vitest";
import type { Shop } from "#core/plan/shop";
import { hobnailShop } from "#demo/hobnail-yard";
import type { FormFields } from "./fields";
import { sayExceptions, sayHours, WEEKDAYS } from "./hours-form";
import { prefixOf, readShopFields, sayOwnHours } from "./shop-form";

const shop = hobnailShop();

/** The fields as the form shows them. */
function shown({ hours, painters, from }: Shop): FormFields {
  const fields: FormFields = {
    exceptions: sayExceptions(hours.exceptions),
    dryingPlaces: String(hours.dryingPlaces ?? ""),
    timeZone: hours.timeZone ?? "",
    from: from ?? "",
  };
  WEEKDAYS.forEach((day, index) => {
    fields[day] = sayHours(hours.weekdays[index]!);
  });
  painters.forEach((painter, index) => {
    const prefix = prefixOf(index);
    fields[`${prefix}name`] = painter.name;
    fields[`${prefix}exceptions`] = sayExceptions(painter.exceptions);
    for (const skill of painter.cannot) fields[`${prefix}cannot-${skill}`] = "on";
    WEEKDAYS.forEach((day, on) => {
      fields[`${prefix}${day}`] = sayOwnHours(painter, on);
    });
  });
  return fields;
}
const read = (fields: FormFields) => {
  const done = readShopFields(fields, shop);
  if (!done.ok) throw new Error(JSON.stringify(done.faults));
  return done;
};

describe("the form of the shop", () => {
  it("read as it is shown gives the same shop", () => {
    expect(read(shown(shop)).shop).toEqual(shop);
  });

  it("adds a painter and removes one, and says so", () => {
    const more = read({ ...shown(shop), way: "add painter" });
    expect(more.shop.painters.map(({ name }) => name)).toEqual(["First painter", "Second painter", "Third painter"]);
    expect(more.label).toBe("One more painter");
    const fewer = read({ ...shown(shop), without: "0" });
    expect(fewer.shop.painters.map(({ id }) => id)).toEqual(["painter-2"]);
    expect(fewer.label).toBe("First painter removed");
    // an id is not given twice, whoever left before
    const again = readShopFields({ ...shown(fewer.shop), way: "add painter" }, fewer.shop);
    expect(again.ok && new Set(again.shop.painters.map(({ id }) => id)).size).toBe(2);
  });

  it("needs a painter, and takes no more than there can be", () => {
    const [first] = shop.painters;
    const alone = { ...shop, painters: [first!] };
    expect(readShopFields({ ...shown(alone), without: "0" }, alone)).toMatchObject({
      faults: { "": "A shop needs at least one painter. Add another first." },
    });
    const four = { ...shop, painters: [1, 2, 3, 4].map((at) => ({ ...first!, id: `p${at}` })) };
    expect(readShopFields({ ...shown(four), way: "add painter" }, four)).toMatchObject({
      faults: { "": "A shop has 4 painters at most." },
    });
  });

  it("says at each field what is wrong, a painter's own too", () => {
    const prefix = prefixOf(1);
    const done = readShopFields(
      { ...shown(shop), Monday: "all day", [`${prefix}Tuesday`]: "9-25", [`${prefix}name`]: " ", from: "soon" },
      shop,
    );
    expect(done.ok).toBe(false);
    expect(done.ok ? [] : Object.keys(done.faults).sort()).toEqual(["Monday", `${prefix}Tuesday`, `${prefix}name`]);
    expect(readShopFields({ ...shown(shop), from: "soon" }, shop)).toMatchObject({
      faults: { from: expect.stringMatching(/date and time/) },
    });
    const shut = Object.fromEntries(WEEKDAYS.map((day) => [day, ""]));
    expect(readShopFields({ ...shown(shop), ...shut }, shop)).toMatchObject({ ok: false });
  });

  it("a painter whose hours are emptied keeps the shop's again", () => {
    const prefix = prefixOf(1);
    const none = Object.fromEntries(WEEKDAYS.map((day) => [`${prefix}${day}`, ""]));
    expect(read({ ...shown(shop), ...none }).shop.painters[1]!.weekdays).toBeUndefined();
  });
});
