// Reads a calendar by an independent reader and says what it found. usage: ical.mjs FILE
import { readFileSync } from "node:fs";
import ICAL from "ical.js";

const calendar = new ICAL.Component(ICAL.parse(readFileSync(process.argv[2], "utf8")));
for (const part of calendar.getAllSubcomponents("vevent")) {
  const event = new ICAL.Event(part);
  const next = event.isRecurring() ? event.iterator() : { next: () => event.startDate };
  const first = next.next();
  const second = event.isRecurring() ? next.next() : null;
  console.log([event.summary, first.toString(), second?.toString() ?? "once", event.duration.toSeconds()].join("|"));
}
