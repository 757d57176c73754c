import { assessHousehold, byInstrument, placesAir, type LogEvent } from '@tembrin/core';
import { bowsAmong, type Air, type Card, type Household } from '@tembrin/contract';
import type { Visitor } from './fixtures';

/** A household as it is judged at a moment, from what its devices are told. */
export async function judged(browser: Visitor, nowMs: number) {
  const household = (await browser.get('/household').expect(200)).body as Household;
  const { cards } = (await browser.get('/cards').expect(200)).body as { cards: Card[] };
  const air = (await browser.get('/air').expect(200)).body as Air;
  const events: LogEvent[] = [];
  for (let after = 0, more = true; more;) {
    const page = (await browser.get(`/events?after=${after}`).expect(200)).body;
    events.push(...page.events);
    ({ more, reached: after } = page);
  }
  const logs = byInstrument(events);
  const { timeZone, schools, currency, name, instruments } = household;
  const { assessments, year } = assessHousehold({
    timeZone,
    schools,
    instruments: instruments.map(({ version: _version, ...instrument }) => instrument),
    eventsOf: (id) => logs.get(id) ?? [],
    places: placesAir({ ...air, weather: null }, [], timeZone, nowMs),
    appointments: cards.flatMap((card) => (card.kind === 'appointment' ? [card.facts] : [])),
    occasions: cards.flatMap((card) => (card.kind === 'occasion' ? [card.facts] : [])),
    bows: bowsAmong(cards),
    nowMs,
  });
  return { name, currency, assessments, year };
}
