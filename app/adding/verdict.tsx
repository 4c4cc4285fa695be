import type { Option } from "#core/judge/next";
import type { Severity } from "#core/rules/rule";
import { shortDuration } from "#core/units/duration";
import type { Instant } from "#core/units/units";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";

interface Said {
  mark: Severity | null;
  word: string;
  /** what is wrong with it, where something is */
  why: string | null;
}

/** What the checks say of something before it is added, in a word and a reason. */
export function sayOption({ can, from, over, severity, reason }: Option, since: Instant): Said {
  const wait = can === "from" ? `in ${shortDuration(from - since)}` : "now";
  if (can === "never") return { mark: "stop", word: "not here", why: reason };
  if (can === "over")
    return { mark: "stop", word: "over a barrier", why: `Only over ${over!.name.toLowerCase()}. ${reason}` };
  if (severity === "caution") return { mark: "caution", word: wait, why: reason };
  return { mark: null, word: wait, why: null };
}

/** The verdict beside a choice: empty until it is worked out. */
export function Verdict({ option, since, id }: { option: Option | undefined; since: Instant; id: string }) {
  const said = option && sayOption(option, since);
  return (
    <span
      id={id}
      className="add-verdict"
      data-verdict={said ? (said.mark ?? "fine") : undefined}
      title={said?.why ?? undefined}
    >
      {said?.mark && <SeamMark severity={said.mark} width={14} />}
      {said?.mark && <span className="sr-only">{SEVERITY_WORDS[said.mark].one}: </span>}
      <span className={said?.mark ? SEVERITY_WORDS[said.mark].text : "text-soft"}>{said?.word ?? ""}</span>
    </span>
  );
}
