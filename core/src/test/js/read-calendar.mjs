// Reads a calendar file from standard input with a reader of others' making, and tells what it has as JSON.
import ICAL from './vendor/ical.min.mjs';

const chunks = [];
for await (const chunk of process.stdin) {
  chunks.push(chunk);
}
const calendar = new ICAL.Component(ICAL.parse(Buffer.concat(chunks).toString('utf8')));
const events = calendar.getAllSubcomponents('vevent').map((component) => {
  const event = new ICAL.Event(component);
  return {
    uid: event.uid,
    sequence: event.sequence ?? 0,
    start: event.startDate.toJSDate().toISOString(),
    end: event.endDate.toJSDate().toISOString(),
    summary: event.summary,
    description: event.description,
    status: component.getFirstPropertyValue('status') ?? '',
  };
});
console.log(JSON.stringify({ method: calendar.getFirstPropertyValue('method') ?? '', events }));
