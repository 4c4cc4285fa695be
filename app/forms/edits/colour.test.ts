import { describe, expect, it } from "vitest";
import { colourDifference } from "#core/colour/difference";
import { coatsOver } from "#core/colour/material-colour";
import { applyCommands } from "#core/edit/apply";
import type { Plan } from "#core/plan/plan";
import { hobnailYard } from "#demo/hobnail-yard";
import { readEditForm } from "../edit-form";
import type { FormFields } from "../fields";
import { readMixParts } from "./colour";

const plan = hobnailYard()[0]!;
let made = 0;
const read = (fields: FormFields, on: Plan = plan) => readEditForm(on, fields, () => `id-${++made}`);

function done(fields: FormFields, on: Plan = plan): Plan {
  const edit = read(fields, on);
  if (!edit.ok) throw new Error(JSON.stringify(edit.faults));
  const applied = applyCommands(on, edit.commands);
  if (!applied.ok) throw new Error(applied.because);
  // and back again: every edit can be undone
  const undone = applyCommands(applied.plan, applied.inverse);
  expect(undone.ok && undone.plan).toEqual(on);
  return applied.plan;
}
const material = (of: Plan, id: string) => of.pinned.materials.find((material) => material.id === id)!;

describe("forms about colour", () => {
  it("a colour is taken by picker or as written, and stands for an opaque coat", () => {
    const picked = done({ do: "set colour", materialId: "wax-dark", way: "picked", picked: "#445566" });
    expect(material(picked, "wax-dark")).toMatchObject({ colour: "#445566" });
    expect(material(picked, "wax-dark").swatches).toBeUndefined();
    const written = done({ do: "set colour", materialId: "chalk-slate", way: "written", written: "Lab 50 0 0" });
    expect(colourDifference(material(written, "chalk-slate").colour, "#777777")).toBeLessThan(1);
  });

  it("two swatches are taken together, and only the right way round", () => {
    const good = done({
      do: "set colour",
      materialId: "wax-dark",
      way: "swatches",
      overWhite: "#c0a080",
      overBlack: "#141210",
    });
    expect(material(good, "wax-dark").swatches).toEqual({ overWhite: "#c0a080", overBlack: "#141210" });
    expect(
      read({ do: "set colour", materialId: "wax-dark", way: "swatches", overWhite: "#141210", overBlack: "#c0a080" }),
    ).toEqual({
      ok: false,
      faults: { overBlack: "Over black it must look darker than over white; are the two swapped?" },
    });
    const wrong = read({ do: "set colour", materialId: "wax-dark", way: "swatches", overWhite: "dusk", overBlack: "" });
    expect(!wrong.ok && Object.keys(wrong.faults)).toEqual(["overWhite", "overBlack"]);
  });

  it("a correction pulls the prediction towards the real board, for paints and for glazes", () => {
    for (const [id, real] of [
      ["chalk-bone-white", "#d8d4cc"],
      ["wax-dark", "#b08a60"],
    ] as const) {
      const before = material(plan, id);
      const under = "#e6dfcf";
      const predicted = coatsOver(before, 1, under);
      const after = material(done({ do: "correct colour", materialId: id, predicted, real }), id);
      expect(colourDifference(coatsOver(after, 1, under), real)).toBeLessThan(colourDifference(predicted, real) * 0.7);
    }
    const absurd = material(
      done({ do: "correct colour", materialId: "chalk-bone-white", predicted: "#101010", real: "#ffffff" }),
      "chalk-bone-white",
    );
    expect(absurd.colour).toMatch(/^#[0-9a-f]{6}$/);
  });

  it("a correction without a pressed place, or of a material nobody knows, is refused", () => {
    expect(read({ do: "correct colour", materialId: "wax-dark", predicted: "", real: "#ffffff" }).ok).toBe(false);
    expect(read({ do: "correct colour", materialId: "nothing", predicted: "#000000", real: "#ffffff" }).ok).toBe(false);
  });

  it("target colours are saved, imported from a palette once, and removed", () => {
    const kept = done({ do: "add target", wanted: "#a9bdb3", wantedName: "duck egg" });
    expect(kept.palette).toEqual([{ name: "duck egg", colour: "#a9bdb3" }]);
    const palette = "GIMP Palette\n169 189 179 duck egg\n1 2 3 night";
    const taken = done({ do: "import palette", palette }, kept);
    expect(taken.palette.map(({ name }) => name)).toEqual(["duck egg", "night"]);
    expect(read({ do: "import palette", palette }, taken)).toMatchObject({ ok: false });
    expect(done({ do: "remove target", at: "0" }, taken).palette).toEqual([{ name: "night", colour: "#010203" }]);
    expect(read({ do: "remove target", at: "7" }, taken).ok).toBe(false);
    const wrong = read({ do: "import palette", palette: "GIMP Palette\nx" });
    expect(!wrong.ok && wrong.faults.palette).toBe("line 2: A colour is three numbers from 0 to 255 and a name.");
  });

  it("a job holds so many target colours and no more", () => {
    const full: Plan = {
      ...plan,
      palette: Array.from({ length: 256 }, (_, index) => ({ name: `${index}`, colour: "#000000" })),
    };
    expect(read({ do: "add target", wanted: "#a9bdb3" }, full)).toMatchObject({ ok: false });
    expect(read({ do: "import palette", palette: "GIMP Palette\n1 2 3 night" }, full)).toMatchObject({ ok: false });
  });

  it("a mix is kept as a paint that behaves as its main tin, in the colour of the mix", () => {
    const mix = "chalk-slate:1,chalk-bone-white:3";
    const kept = done({ do: "save mix", mix, mixName: "Harbour fog" });
    const fog = kept.pinned.materials.at(-1)!;
    expect(fog).toMatchObject({ name: "Harbour fog", family: "chalk-type paint", copyOf: "chalk-bone-white" });
    expect(fog.id).toMatch(/^mix-/);
    expect(read({ do: "save mix", mix: "chalk-slate:1", mixName: "alone" })).toMatchObject({ ok: false });
    expect(read({ do: "save mix", mix, mixName: " " })).toMatchObject({
      ok: false,
      faults: { mixName: expect.any(String) },
    });
  });

  it("parts of a mix that make no sense are left out", () => {
    const find = (id: string) => plan.pinned.materials.find((material) => material.id === id);
    expect(readMixParts("chalk-bone-white:2,nobody:3,wax-dark:0,wax-dark:1.5,wax-clear:100,x", find)).toHaveLength(1);
    expect(readMixParts("", find)).toEqual([]);
  });
});
