import ICAL from "ical.js";

// Stands in for a client's or a colleague's calendar that subscribes to the shop's feed: it fetches it again and again, and takes over
// what a calendar would take over, by uid and sequence number.

export interface Entry {
  uid: string;
  sequence: number;
  summary: string;
  starts: string;
}

/** What a fetch changed in the calendar, a sentence each. */
export interface Taken {
  entries: Map<string, Entry>;
  changes: string[];
}

/** The entries of a feed. */
export function entriesIn(text: string): Entry[] {
  const calendar = new ICAL.Component(ICAL.parse(text));
  return calendar.getAllSubcomponents("vevent").map((event) => ({
    uid: String(event.getFirstPropertyValue("uid")),
    sequence: Number(event.getFirstPropertyValue("sequence") ?? 0),
    summary: String(event.getFirstPropertyValue("summary")),
    starts: String(event.getFirstPropertyValue("dtstart")),
  }));
}

/** Takes a feed over: an entry counts only with a higher number than the one that is there. */
export function taken(before: ReadonlyMap<string, Entry>, text: string): Taken {
  const entries = new Map<string, Entry>();
  const changes: string[] = [];
  for (const entry of entriesIn(text)) {
    const known = before.get(entry.uid);
    if (!known) changes.push(`new: ${entry.summary}, ${entry.starts}`);
    else if (entry.sequence > known.sequence && entry.starts !== known.starts)
      changes.push(`moved: ${entry.summary}, from ${known.starts} to ${entry.starts}`);
    entries.set(entry.uid, known && entry.sequence <= known.sequence ? known : entry);
  }
  for (const [uid, { summary }] of before) if (!entries.has(uid)) changes.push(`gone: ${summary}`);
  return { entries, changes };
}
