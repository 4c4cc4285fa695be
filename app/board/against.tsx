import { Link, useNavigate, useSearchParams } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { zonesOf } from "#core/plan/plan";
import { type BoardAddress, boardAddress, LIFE_SIZE, WHOLE } from "~/board/board-address";
import { useJob } from "~/editor/job-editor";

export type Name = (stepId: string) => string;

interface ChoiceProps {
  on: boolean;
  to: string;
  /** in full what a short word on it stands for */
  says?: string;
  children: React.ReactNode;
}

export function Choice({ on, to, says, children }: ChoiceProps) {
  return (
    <Link
      to={to}
      replace
      preventScrollReset
      aria-current={on ? "true" : undefined}
      aria-label={says}
      title={says}
      className={`flex min-h-[26px] items-center rounded-std border px-2 text-note font-medium ${on ? "border-ink bg-ink text-board" : "border-line bg-board hover:border-ink"}`}
    >
      {children}
    </Link>
  );
}

/** Saves the picture as it is on screen. Without scripts the link loads the server's own. */
export function ExportLink({ address, zoneId, title }: { address: BoardAddress; zoneId: string; title: string }) {
  const { plan } = useJob();
  const params = new URLSearchParams({
    zone: zoneId,
    after: String(address.count),
    panel: address.panel,
    seed: String(address.seed),
    from: String(address.view.lighting.azimuth),
    height: String(address.view.lighting.elevation),
    ...(address.view.light === "lamp" ? { light: "lamp" } : {}),
    ...(address.view.wet ? { wet: "yes" } : {}),
    width: String(address.lifeSize ? LIFE_SIZE : WHOLE),
  });
  return (
    <a className="button" href={`/jobs/${plan.id}/board.png?${params}`} download={`${title}.png`}>
      Export PNG
    </a>
  );
}

export function Against({ judged, address, nameOf }: { judged: ZoneJudgement; address: BoardAddress; nameOf: Name }) {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const others = zonesOf(plan).filter((zone) => zone.id !== judged.zone.id);
  return (
    <form method="get" className="flex items-center gap-2">
      {[...params]
        .filter(([key]) => key !== "against")
        .map(([key, value]) => (
          <input key={key} type="hidden" name={key} value={value} />
        ))}
      <label className="flex min-w-0 items-center gap-2">
        <span className="shrink-0 text-note text-soft">Compare with</span>
        <select
          name="against"
          className="field !w-52"
          value={address.against ?? ""}
          onChange={(event) =>
            navigate(boardAddress(params, { against: event.target.value || null }), {
              replace: true,
              preventScrollReset: true,
            })
          }
        >
          <option value="">nothing</option>
          <optgroup label="The same board">
            <option value="step:ground">bare ground</option>
            {judged.crust.steps.map((step, index) => (
              <option key={step.id} value={`step:${step.id}`}>
                {index + 1} · {nameOf(step.id)}
              </option>
            ))}
          </optgroup>
          {address.against?.startsWith("photo:") && <option value={address.against}>a real board</option>}
          {others.length > 0 && (
            <optgroup label="Another zone's crust">
              {others.map((zone) => (
                <option key={zone.id} value={`zone:${zone.id}`}>
                  {zone.name}
                </option>
              ))}
            </optgroup>
          )}
        </select>
      </label>
      <noscript>
        <button className="button">Compare</button>
      </noscript>
    </form>
  );
}
