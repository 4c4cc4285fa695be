import { nanoid } from "nanoid";
import { useNavigate } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { useJob } from "~/editor/job-editor";
import { readEditForm } from "~/forms/edit-form";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import type { Selection } from "~/parts/selection";

export function useCrustKeys(judged: ZoneJudgement | undefined, selection: Selection) {
  const editor = useJob();
  const navigate = useNavigate();
  const steps = judged?.crust.steps ?? [];
  const at = steps.findIndex((step) => step.id === selection.stepId);
  const step = steps[at];
  const go = (to: string) => navigate(to, { replace: true, preventScrollReset: true });
  const hold = (index: number) => {
    const next = steps[Math.max(0, Math.min(steps.length - 1, index))];
    if (next) go(selection.linkTo({ step: next.id }));
  };
  const form = (fields: Record<string, string>) => {
    if (!judged) return;
    const done = readEditForm(editor.plan, { crustId: judged.crust.id, stepId: step?.id ?? "", ...fields }, () =>
      nanoid(10),
    );
    if (!done.ok) return;
    if (editor.send(done.label, done.commands) === null && done.step !== step?.id)
      go(selection.linkTo({ step: done.step ?? null }));
  };
  const { keys } = KEYS.crust;
  useKey(keys.above, () => hold(at < 0 ? 0 : at + 1));
  useKey(keys.below, () => hold(at < 0 ? steps.length - 1 : at - 1));
  useKey(keys.moveUp, () => form({ do: "move step", to: "up" }));
  useKey(keys.moveDown, () => form({ do: "move step", to: "down" }));
  useKey(keys.remove, () => step && form({ do: "remove step" }));
  useKey(keys.addOver, () => go(selection.linkTo({ add: at < 0 ? steps.length : at + 1 })), {
    ignoreEventWhen: ({ target }) => target instanceof Element && answersEnter(target),
  });
  useKey(keys.addUnder, () => go(selection.linkTo({ add: Math.max(0, at) })));
  useKey(keys.edit, () =>
    document.querySelector<HTMLElement>("#selection select, #selection input:not([type=hidden])")?.focus(),
  );
  useKey(keys.repair, () => document.querySelector<HTMLElement>("[data-first-fix]")?.click());
  useKey(keys.nextFinding, () => {
    const all = editor.judgement.zones
      .flatMap((zone) => zone.findings)
      .filter((finding) => finding.severity !== "note");
    const here = all.findIndex(
      (finding) => finding.zoneId === selection.zone?.id && finding.stepId === selection.stepId,
    );
    const next = all[(here + 1) % Math.max(1, all.length)];
    if (next) go(selection.linkTo({ zone: next.zoneId, step: next.stepId }));
  });
  useKey(keys.whatNext, () => go(selection.linkTo({ aside: "next" })));
  useKey(keys.deselect, () => go(selection.linkTo({ step: selection.addAt === null ? null : undefined, add: null })), {
    enableOnFormTags: true,
  });
}

/** Whether what is in focus does something of its own on Enter. A step of the ladder does not: Enter adds over it. */
const answersEnter = (target: Element): boolean =>
  target.closest("a, button, summary") !== null && !target.closest("[data-step]");
