import { randomUUID } from 'node:crypto';
import { OFFER_DAYS, type Card, type Handover, type Offer } from '@tembrin/contract';
import { DAY_MS, type Family, type LogEvent } from '@tembrin/core';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { InstrumentRow } from '../database/models';
import type { HandoverRow } from '../database/visit-models';
import { fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import { CardScope } from './cards';
import { idOfKey, keyOf } from './private-address';
import { HouseholdScope } from './scope';

const NO_OFFER = 'This link offers nothing. It may be past its date or withdrawn: ask for a new one.';

/** Kinds of cards that go along with an instrument: what it is told by, its bows, what workshops were told. */
const GOES_ALONG: readonly Card['kind'][] = ['identity', 'bow', 'brief'];

/** Instruments a household hands over to others, and those it is offered. */
export class HandoverScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
    private readonly secret: string,
  ) {}

  async list(): Promise<Handover[]> {
    const rows = await this.database.models.Handover.findAll({ where: this.scope.where({}), order: ['madeAt', 'id'] });
    return rows.map((row) => this.handoverOf(row));
  }

  /** Offers an instrument; an offer of it made before is withdrawn. @throws ProblemError 404 */
  async offer(instrumentId: string): Promise<Handover> {
    return this.scope.alone(async (transaction) => {
      await this.instrument(instrumentId, transaction);
      const { Handover: Handovers } = this.database.models;
      await Handovers.destroy({ where: this.scope.where({ instrumentId, doneAt: null }), transaction });
      const madeAt = new Date();
      const row = await Handovers.create(
        this.scope.where({
          id: randomUUID(),
          instrumentId,
          madeAt,
          expiresAt: new Date(madeAt.getTime() + OFFER_DAYS * DAY_MS),
          takerId: null,
          takerName: null,
          doneAt: null,
        }),
        { transaction },
      );
      return this.handoverOf(row);
    });
  }

  /** @throws ProblemError 404; 409 once it was handed over */
  async withdraw(id: string): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.own(id, transaction);
      if (row.doneAt) fail(409, 'handed-over', 'It was handed over already. Ask the other household to give it back.');
      await row.destroy({ transaction });
    });
  }

  /** What comes with an offered instrument. @throws ProblemError 404 */
  async look(key: string): Promise<Offer> {
    const row = await this.offered(key);
    const giver = new HouseholdScope(this.database, { householdId: row.householdId, accountId: null });
    const where = giver.where({ id: row.instrumentId });
    const [{ name: from }, instrument, entries, photos] = await Promise.all([
      giver.row(),
      this.database.models.Instrument.findOne({ where }),
      giver.countEventsOf(row.instrumentId),
      this.database.models.Photo.count({ where: giver.where({ instrumentId: row.instrumentId }) }),
    ]);
    if (!instrument) return fail(404, 'no-such-offer', NO_OFFER);
    return {
      id: instrument.id,
      name: instrument.name,
      family: instrument.family as Family,
      from,
      entries,
      photos,
      expiresAt: row.expiresAt.toISOString(),
      mine: row.takerId === this.scope.identity.householdId,
      done: row.doneAt !== null,
    };
  }

  /**
   * Says that this household would take it. It comes once the other hands it over.
   * @throws ProblemError 404; 409 where another household was first; 422 where it cannot be taken
   */
  async take(key: string): Promise<Offer> {
    const { householdId: giverId, id } = await this.offered(key);
    const { demo, name } = await this.scope.row();
    const own = this.scope.identity.householdId;
    if (giverId === own)
      fail(422, 'own-offer', 'This instrument is yours already. Send the link to who is to have it.');
    if (demo)
      fail(422, 'demo-takes-nothing', 'The demo library keeps nothing for long. Make a household of your own first.');
    const giver = new HouseholdScope(this.database, { householdId: giverId, accountId: null });
    await giver.alone(async (transaction) => {
      const where = giver.where({ id });
      const row = await this.database.models.Handover.findOne({ where, transaction });
      if (!row) return fail(404, 'no-such-offer', NO_OFFER);
      if (row.takerId !== null && row.takerId !== own)
        fail(409, 'taken-by-another', 'Another household has said that it would take it. Ask for a new link.');
      await row.update({ takerId: own, takerName: name }, { transaction });
    });
    return this.look(key);
  }

  /**
   * Hands an instrument over to the household that said it would take it: its log, its photographs, what it is told by and its bows
   * go along, in one transaction; what stays here is marked as given, and takes no more entries.
   * @throws ProblemError 404; 409 where nobody said so yet; 422 where the other household is full
   */
  async complete(id: string): Promise<Handover> {
    return this.scope.alone(async (transaction, household) => {
      const row = await this.own(id, transaction);
      if (row.doneAt) return this.handoverOf(row);
      if (row.expiresAt < new Date()) fail(404, 'no-such-offer', 'The offer is past its date. Make a new one.');
      if (row.takerId === null) return fail(409, 'nobody-takes-it', 'Nobody has said yet that they would take it.');
      const instrument = await this.instrument(row.instrumentId, transaction);
      const taker = new HouseholdScope(this.database, { householdId: row.takerId, accountId: null });
      await this.moveTo(taker, instrument, transaction);
      const givenAt = new Date();
      const version = instrument.version + 1;
      await instrument.update({ givenAt, givenTo: row.takerName, version }, { transaction });
      await household.update({ version: household.version + 1 }, { transaction });
      await row.update({ doneAt: givenAt }, { transaction });
      return this.handoverOf(row);
    }, 'long');
  }

  private async moveTo(taker: HouseholdScope, instrument: InstrumentRow, transaction: Transaction): Promise<void> {
    const household = await taker.joins(transaction);
    const { Instrument, Card: Cards } = this.database.models;
    const there = await taker.instrumentRows(transaction);
    const back = there.get(instrument.id);
    if (back && back.givenAt === null)
      fail(409, 'there-already', 'The other household has this very instrument already.');
    const { householdId: _giver, version: _version, ...facts } = instrument.get({ plain: true });
    const here = { ...facts, givenAt: null, givenTo: null };
    if (back) {
      const where = taker.where({ id: back.id });
      await Instrument.update({ ...here, version: back.version + 1 }, { where, transaction });
    } else {
      checkQuota('instruments', there.size);
      await Instrument.create(taker.where({ ...here, version: 1 }), { transaction });
    }
    const cards = await new CardScope(this.database, this.scope).cards(transaction);
    const known = new Set((await new CardScope(this.database, taker).cards(transaction)).map((card) => card.id));
    const along = cards.flatMap((card) => cardsFor(card, instrument.id)).filter((card) => !known.has(card.id));
    checkQuota('cards', known.size, along.length);
    await Cards.bulkCreate(
      along.map(({ id: cardId, kind, facts: said }, at) =>
        taker.where({
          id: cardId,
          kind,
          facts: JSON.stringify(said),
          addedAt: new Date(Date.now() + at),
          version: 1,
        }),
      ),
      { transaction },
    );
    const stored = await this.scope.events({ instrumentIds: [instrument.id] }, transaction);
    const events = withoutPlaces(stored.map(({ event }) => event));
    const before = await taker.knownEvents(
      events.map((event) => event.id),
      transaction,
    );
    const fresh = events.filter((event) => !before.has(event.id));
    await taker.storeEvents(household, fresh, new Date(), transaction);
    await this.photosTo(taker, instrument.id, transaction);
  }

  /** The pictures themselves stay where they are: both households name them, and they go with the last that does. */
  private async photosTo(taker: HouseholdScope, instrumentId: string, transaction: Transaction): Promise<void> {
    const { Photo } = this.database.models;
    const own = await Photo.findAll({ where: this.scope.where({ instrumentId }), transaction, raw: true });
    const where = taker.where({ instrumentId });
    const known = new Set((await Photo.findAll({ where, transaction, raw: true })).map(({ photo }) => photo));
    const fresh = own.filter(({ photo }) => !known.has(photo));
    if (fresh.length === 0) return;
    const [{ count, bytes } = { count: 0, bytes: 0 }] = await this.database.sequelize.query<{
      count: number;
      bytes: number;
    }>('SELECT COUNT(*) AS count, COALESCE(SUM(bytes), 0) AS bytes FROM photos WHERE householdId = :id', {
      replacements: { id: taker.identity.householdId },
      type: QueryTypes.SELECT,
      transaction,
    });
    checkQuota('photos', Number(count), fresh.length);
    const coming = fresh.reduce((sum, photo) => sum + photo.bytes, 0);
    checkQuota('photoBytes', Number(bytes), coming);
    await Photo.bulkCreate(
      fresh.map((photo) => ({ ...photo, ...taker.where({}) })),
      { transaction },
    );
  }

  private async own(id: string, transaction: Transaction): Promise<HandoverRow> {
    const row = await this.database.models.Handover.findOne({ where: this.scope.where({ id }), transaction });
    return row ?? fail(404, 'no-such-offer', 'There is no such offer. It may have been withdrawn.');
  }

  /** An offer by its key: one that is open, or that came to this household. @throws ProblemError 404 */
  private async offered(key: string): Promise<HandoverRow> {
    const id = idOfKey('handover', key, this.secret);
    const row = id === null ? null : await this.database.models.Handover.findOne({ where: { id } });
    const isOpen = row && row.doneAt === null && row.expiresAt > new Date();
    if (row && (isOpen || row.takerId === this.scope.identity.householdId)) return row;
    return fail(404, 'no-such-offer', NO_OFFER);
  }

  private async instrument(id: string, transaction: Transaction): Promise<InstrumentRow> {
    const where = { ...this.scope.where({ id }), givenAt: { [Op.is]: null } };
    const row = await this.database.models.Instrument.findOne({ where, transaction });
    return row ?? fail(404, 'no-such-instrument', 'There is no such instrument here. It may have been removed.');
  }

  private handoverOf({ id, instrumentId, expiresAt, takerName, doneAt }: HandoverRow): Handover {
    const isOpen = doneAt === null && expiresAt > new Date();
    return {
      id,
      instrumentId,
      key: isOpen ? keyOf('handover', id, this.secret) : null,
      expiresAt: expiresAt.toISOString(),
      taker: takerName,
      doneAt: doneAt?.toISOString() ?? null,
    };
  }
}

/** The cards that go along with an instrument; a bow that others are played with too stays, and is known as one that is gone. */
function cardsFor(card: Card, instrumentId: string): Card[] {
  if (!GOES_ALONG.includes(card.kind)) return [];
  if (card.kind !== 'bow')
    return 'instrumentId' in card.facts && card.facts.instrumentId === instrumentId ? [card] : [];
  const { instrumentIds, gone } = card.facts;
  if (!instrumentIds.includes(instrumentId) && card.facts.ownOf !== instrumentId) return [];
  const shared = instrumentIds.some((id) => id !== instrumentId) && card.facts.ownOf !== instrumentId;
  return [{ ...card, facts: { ...card.facts, instrumentIds: [instrumentId], gone: gone || shared } }];
}

/** A log without the rooms it was lived in: they are the giver's own. What was taken back of them goes with them. */
function withoutPlaces(events: readonly LogEvent[]): LogEvent[] {
  const left = new Set(
    events.flatMap((event) => (event.type === 'moved' && event.payload.placeId !== null ? [event.id] : [])),
  );
  return events.filter(
    (event) => !left.has(event.id) && !(event.type === 'retracted' && left.has(event.payload.eventId)),
  );
}
