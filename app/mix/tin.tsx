import { Lock, LockOpen } from "lucide-react";
import { Link, useNavigate, useSearchParams } from "react-router";
import type { MixPart } from "#core/colour/nearest-mix";
import type { Material } from "#core/materials/material";
import { unitOf } from "#core/shelf/usage";
import { Swatch } from "~/drawing/swatch";
import { MOST_PARTS } from "~/forms/edits/colour";

export const POTS: ReadonlySet<Material["role"]> = new Set([
  "paint",
  "pigment",
  "tint-base",
  "glaze",
  "wax",
  "primer",
  "paste",
  "stain",
]);
export const OPAQUE: ReadonlySet<Material["role"]> = new Set(["paint", "pigment", "tint-base"]);

/** Where the tins of a mix may come from. */
export const FROM = [
  { value: null, name: "All paints" },
  { value: "job", name: "In this job" },
  { value: "shelf", name: "On the shelf" },
] as const;
/** Less than this is not worth opening a tin for. */
export const LEAST_WORTH = 20;
export const MOST_LOCKED = 3;

export const written = (parts: readonly MixPart[]) =>
  parts.map(({ material, parts: count }) => `${material.id}:${count}`).join(",");

export function address(params: URLSearchParams, change: Record<string, string | null>): string {
  const next = new URLSearchParams(params);
  for (const [key, value] of Object.entries(change))
    if (value === null) next.delete(key);
    else next.set(key, value);
  return `?${next}`;
}

/** One tin on the bench: which, and how many parts of it. */
export function Tin({
  part,
  at,
  parts,
  choices,
  locked,
  there,
}: {
  part: MixPart;
  at: number;
  parts: readonly MixPart[];
  choices: readonly Material[];
  locked: ReadonlySet<string>;
  there: number;
}) {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const go = (next: readonly MixPart[]) =>
    navigate(address(params, { mix: written(next) }), { replace: true, preventScrollReset: true });
  const change = (own: Partial<MixPart>) => go(parts.map((part, index) => (index === at ? { ...part, ...own } : part)));
  const { id } = part.material;
  const isLocked = locked.has(id);
  const lock = [...locked].filter((text) => text !== id).concat(isLocked ? [] : [id]);
  return (
    <li className="flex items-center gap-3 border-b border-hair py-1.5">
      <Swatch material={part.material} size={26} />
      {OPAQUE.has(part.material.role) && (
        <Link
          to={address(params, { lock: lock.length > 0 ? lock.join(",") : null })}
          replace
          preventScrollReset
          title={isLocked ? "In every mix that is looked for" : "Look only for mixes with this tin"}
          aria-label={`${isLocked ? "Unlock" : "Lock"} ${part.material.name}`}
          className={`flex size-8 shrink-0 items-center justify-center rounded-std border ${isLocked ? "border-ink bg-wash" : "border-line text-soft hover:border-ink"}`}
        >
          {isLocked ? (
            <Lock size={14} strokeWidth={1.75} aria-hidden="true" />
          ) : (
            <LockOpen size={14} strokeWidth={1.5} aria-hidden="true" />
          )}
        </Link>
      )}
      <select
        aria-label={`Tin ${at + 1}`}
        className="field min-w-0 flex-1"
        value={part.material.id}
        onChange={(event) => change({ material: choices.find(({ id }) => id === event.target.value) ?? part.material })}
      >
        {choices.map((choice) => (
          <option key={choice.id} value={choice.id}>
            {choice.name}
          </option>
        ))}
      </select>
      <span className="w-20 shrink-0 text-right text-note text-soft">
        {there > 0 ? `${Math.round(there)} ${unitOf(part.material)} there` : "none there"}
      </span>
      <div className="flex items-center">
        <Link
          to={address(params, {
            mix: written(
              parts.map((part, index) => (index === at ? { ...part, parts: Math.max(1, part.parts - 1) } : part)),
            ),
          })}
          replace
          preventScrollReset
          className="button !min-w-8 !px-0"
          aria-label={`One fewer part of ${part.material.name}`}
        >
          −
        </Link>
        <output className="w-12 text-center text-[1.0625rem] font-semibold">{part.parts}</output>
        <Link
          to={address(params, {
            mix: written(
              parts.map((part, index) =>
                index === at ? { ...part, parts: Math.min(MOST_PARTS, part.parts + 1) } : part,
              ),
            ),
          })}
          replace
          preventScrollReset
          className="button !min-w-8 !px-0"
          aria-label={`One more part of ${part.material.name}`}
        >
          +
        </Link>
      </div>
      {parts.length > 1 && (
        <Link
          to={address(params, { mix: written(parts.filter((_, index) => index !== at)) })}
          replace
          preventScrollReset
          className="link text-note text-soft"
          aria-label={`Remove ${part.material.name}`}
        >
          Remove
        </Link>
      )}
    </li>
  );
}
