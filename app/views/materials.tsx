import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { nonsenseIn } from "#core/materials/sense";
import { materialsIn } from "#core/plan/mix";
import { Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import { ColourForm } from "~/materials/colour-form";
import { Figures } from "~/materials/figures";
import { LabelForm } from "~/materials/label-form";
import { panes } from "~/parts/panes";
import { SearchField } from "~/parts/search-field";
import { SidePane } from "~/parts/side-pane";

const ROLE_TITLES: Record<Material["role"], string> = {
  primer: "Primers",
  paint: "Paints",
  "tint-base": "Tint-bases",
  stain: "Stains",
  medium: "Crackle mediums",
  paste: "Pastes",
  crumb: "Texture",
  glaze: "Glazes",
  size: "Leaf size",
  leaf: "Leaf",
  tissue: "Tissue",
  transfer: "Transfers",
  ink: "Inks",
  pigment: "Pigments",
  patina: "Patinas",
  wax: "Waxes",
  oil: "Oils",
  clear: "Clear coats",
};

export default function MaterialsView() {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const [typed, setTyped] = useState("");
  const { materials: pinned } = plan.pinned;
  const all = [...pinned, ...CATALOGUE.filter((material) => !pinned.some((known) => known.id === material.id))];
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = all.filter((material) =>
    words.every((word) => `${material.name} ${material.family}`.toLowerCase().includes(word)),
  );
  const chosen = all.find((material) => material.id === params.get("material")) ?? shown[0];
  const isPinned = chosen !== undefined && pinned.includes(chosen);
  const inUse =
    chosen !== undefined &&
    plan.crusts.some((crust) => crust.steps.some((step) => materialsIn(step).includes(chosen.id)));
  const doubts = chosen ? nonsenseIn(chosen) : [];
  const link = (id: string) => {
    const next = new URLSearchParams(params);
    next.set("material", id);
    return `?${next}`;
  };
  return (
    <div className="panes" style={panes("minmax(0, 1fr) 500px")}>
      <section className="pane px-6 pt-4 pb-8 max-sm:px-4" aria-label="Materials">
        <div className="flex flex-wrap items-baseline gap-4">
          <h1 className="text-view">Materials</h1>
          <span className="flex-1 text-note text-soft">
            {all.length} known, {pinned.length} in this job
          </span>
          <SearchField
            label="Find a material"
            placeholder="Find: milk, wax, umber …"
            value={typed}
            onType={setTyped}
            className="!w-56"
          />
        </div>
        {(Object.keys(ROLE_TITLES) as Material["role"][]).map((role) => {
          const group = shown.filter((material) => material.role === role);
          if (group.length === 0) return null;
          return (
            <section key={role} aria-label={ROLE_TITLES[role]} className="mt-4">
              <h2 className="kicker border-b border-line pb-0.5 text-soft">{ROLE_TITLES[role]}</h2>
              <ul className="grid gap-x-5 sm:grid-cols-2">
                {group.map((material) => (
                  <li key={material.id}>
                    <Link
                      to={link(material.id)}
                      replace
                      preventScrollReset
                      aria-current={material === chosen ? "true" : undefined}
                      className={`flex min-h-9 items-center gap-2 border-b border-l-[3px] border-b-hair px-2 ${material === chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
                    >
                      <Swatch material={material} />
                      <span className="min-w-0 flex-1 truncate font-medium">{material.name}</span>
                      <span className="shrink-0 text-note text-soft">
                        {pinned.includes(material) ? (material.copyOf ? "our own" : "in this job") : ""}
                      </span>
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
        {shown.length === 0 && <p className="mt-6 text-soft">Nothing matches. Try fewer letters, or a kind.</p>}
      </section>
      <SidePane
        label="Selected material"
        button={chosen?.name ?? "Material"}
        wake={params.get("material") ?? ""}
        className="px-5 py-4"
      >
        {chosen && (
          <>
            <div className="flex items-center gap-2.5">
              <Swatch material={chosen} size={34} />
              <div className="min-w-0 flex-1">
                <h2 className="text-view">{chosen.name}</h2>
                <p className="text-note text-soft">
                  {chosen.family}
                  {chosen.copyOf
                    ? `, copied from ${CATALOGUE.find((material) => material.id === chosen.copyOf)?.name ?? chosen.copyOf}`
                    : ""}
                </p>
              </div>
            </div>
            {doubts.length > 0 && (
              <ul className="mt-2 border-l-4 border-l-sienna bg-board px-3 py-2 text-note">
                {doubts.map(({ where, says }) => (
                  <li key={where}>{says}</li>
                ))}
              </ul>
            )}
            <div className="mt-3 flex gap-2">
              <EditForm does="own copy" about={{ materialId: chosen.id }} label={`Copy ${chosen.name}`}>
                <button className="button">Make our own copy</button>
              </EditForm>
              {isPinned && !inUse && (
                <EditForm does="unpin material" about={{ materialId: chosen.id }} label={`Remove ${chosen.name}`}>
                  <button className="button">Remove from this job</button>
                </EditForm>
              )}
            </div>
            <details className="mt-3 border-t border-line" open>
              <summary className="py-1.5 font-head text-lg font-semibold">Colour</summary>
              <ColourForm material={chosen} />
            </details>
            <details className="mt-3 border-t border-line" open={isPinned && chosen.copyOf !== undefined}>
              <summary className="py-1.5 font-head text-lg font-semibold">From my tin's label</summary>
              <p className="text-note text-soft">
                The label overrides every figure here. It applies to this job
                {isPinned ? "" : "; the material is added to it"}.
              </p>
              <LabelForm material={chosen} />
            </details>
            <Figures material={chosen} />
          </>
        )}
      </SidePane>
    </div>
  );
}
