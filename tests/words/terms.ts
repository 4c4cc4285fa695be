// cspell:ignore molding modeling neighbor
// The terms settled on, as the words to avoid: what not to write, and what to write instead. Taken from how painters and British
// technical writers speak; see docs/testing.md.

export interface Avoided {
  no: RegExp;
  yes: string;
}

/** Words that nobody says: not on a screen, not in a comment, not in the docs. */
export const NOWHERE: readonly Avoided[] = [
  { no: /\banew\b/i, yes: "again" },
  { no: /\b(thereof|wherefore|whereof|therein|out of hand)\b/i, yes: "plain words" },
  { no: /\bshall\b/i, yes: "is meant to, will, must" },
  { no: /\b(is|are|was|were) told\b/i, yes: "reports, shows, says" },
  { no: /\b(hold|holds|held) (\w+ )?against\b/i, yes: "compare with, check against" },
  { no: /\b(taken|takes?|took) off the list\b/i, yes: "removed" },
  { no: /\b(set|sets) (it |them |a time )?free\b/i, yes: "clear (a time)" },
  { no: /\bloosen(s|ed)? (a|the) wait/i, yes: "relax" },
  { no: /\b(cannot|could not) be kept\b/i, yes: "clash, cannot be met" },
  { no: /\bsooner\b/i, yes: "earlier" },
  { no: /\blikest\b/i, yes: "closest" },
  { no: /\b(step|zone|job|work|material|one|piece) in hand\b/i, yes: "selected" },
  { no: /\bgo(es)? on with (yours|it|them)\b/i, yes: "carry on" },
  { no: /\bstands? in the way\b/i, yes: "problems" },
  { no: /\bcounted whole\b/i, yes: "a whole number" },
  { no: /\bthe likest|nearest wanted|wanted colours?\b/i, yes: "target colour" },
  { no: /\b(let|lets) mine go\b|\blay mine over\b/i, yes: "Discard mine, Keep both" },
  { no: /\b(one|a|two) (coat|part|step)s? (less|more) of\b/i, yes: "one fewer coat of, one more part of" },
  {
    no: /\b(color|colors|gray|center|centers|mold|molding|labeled|modeling|analyze|behavior|neighbor|aluminum|catalog)\b/i,
    yes: "British spelling",
  },
];

/** Words that do not belong in front of a painter. */
export const NOT_ON_SCREEN: readonly Avoided[] = [
  { no: /\b(there is|is) no such\b/i, yes: "X not found, does not exist" },
  { no: /\bcut short\b/i, yes: "incomplete" },
  { no: /\bletters at most\b/i, yes: "characters at most" },
  { no: /\bdid not come( up)?\b/i, yes: "failed to load, did not start" },
  { no: /\b(in|share) (one|the same|a) pot\b/i, yes: "mixed, do not mix" },
  { no: /\ba cousin\b|\bhardly apart\b/i, yes: "related, barely different" },
  { no: /\bmay stay empty\b|\bor empty\)/i, yes: "(optional)" },
  {
    no: /^(let go|put down|do it again|take it|take it in|take away|take out|lay it|zone before|zone after)$/i,
    yes: "Deselect, Redo, Use it, Import, Remove, Previous",
  },
  { no: /\btake away\b|\btaken away\b/i, yes: "remove" },
  { no: /^put back$|\bput (it|this one) back (on|if|where)\b/i, yes: "restore" },
  { no: /\bmay otherwise\b|\bcould be otherwise\b/i, yes: "What if" },
  { no: /\bof hands\b|(\d|…) touches\b/i, yes: "hands-on, steps" },
  { no: /\bis silent\b|\bit hangs\b|\btells (us|you)\b/i, yes: "does not answer, has frozen, reads" },
  { no: /\bno (room|temperature|humidity) of\b/i, yes: "not a room temperature" },
  { no: /\bready piece\b/i, yes: "standard piece" },
  { no: /\bdone so\b/i, yes: "like this" },
  { no: /\b(is wanted|are wanted)\b/i, yes: "I want it …" },
  { no: /\bwhole JSON\b/i, yes: "damaged" },
  { no: /\bpress (again|here|the button)\b/i, yes: "select, try again" },
  {
    no: /\b(null|undefined|invalid|exception|query|server error|stack trace|regex|parse error)\b/i,
    yes: "what happened, what was kept, what to do",
  },
  { no: /!(\s|$)/, yes: "no exclamation marks" },
];
