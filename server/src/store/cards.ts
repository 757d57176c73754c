import {
  CARD_SEEN,
  CARDS_PER_POST,
  PLAYERS_CARDS,
  type Card,
  type CardFacts,
  type CardKind,
  type NewCard,
} from '@tembrin/contract';
import type { BowFacts } from '@tembrin/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { CardRow } from '../database/models';
import { CHANGED, fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import type { HouseholdScope } from './scope';

type CardKept = Pick<CardRow, 'id' | 'kind' | 'facts' | 'version'>;

/** Rows were validated when they came in. */
function cardOf({ id, kind, facts, version }: CardKept): Card {
  return { id, kind, facts: JSON.parse(facts) as unknown, version } as Card;
}

/** A household's cards. */
export class CardScope {
  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
  ) {}

  async cards(transaction?: Transaction): Promise<Card[]> {
    if (!transaction) {
      const sql = 'SELECT id, kind, facts, version FROM cards WHERE householdId = ? ORDER BY addedAt, id';
      return (await this.database.reads.rows<CardKept>(sql, [this.scope.identity.householdId])).map(cardOf);
    }
    const rows = await this.database.models.Card.findAll({
      where: this.scope.where({}),
      order: [
        ['addedAt', 'ASC'],
        ['id', 'ASC'],
      ],
      transaction,
      raw: true,
    });
    return rows.map(cardOf);
  }

  /** Those that who asks may see. */
  async seen(): Promise<Card[]> {
    return (await this.cards()).filter((card) => this.sees(card));
  }

  private sees(card: CardFacts): boolean {
    if (this.scope.actor.only === null) return true;
    const seen = CARD_SEEN[card.kind];
    return seen === 'all' || (seen === 'own' && this.isOwn(card, true));
  }

  /** @param ofNone whether one that names no instrument is everybody's */
  private isOwn(card: CardFacts, ofNone: boolean): boolean {
    const named = instrumentsIn(card);
    return named.length === 0 ? ofNone : named.some((id) => this.scope.sees(id));
  }

  /** @throws ProblemError 403 where who asks does not keep cards like these */
  private checkMay(card: CardFacts): void {
    if (this.scope.actor.only === null) return;
    if (PLAYERS_CARDS.includes(card.kind) && this.isOwn(card, card.kind === 'set')) return;
    fail(
      403,
      'not-your-role',
      PLAYERS_CARDS.includes(card.kind)
        ? 'Say which of your instruments it is for. For all of them, ask who keeps the household.'
        : 'That is for those who keep the household. Ask one of them.',
    );
  }

  /** Cards of one kind. */
  async of<K extends CardKind>(kind: K): Promise<Card<K>[]> {
    return (await this.cards()).filter((card): card is Card<K> => card.kind === kind);
  }

  /** Adds cards, all of them or none. One that is there already is answered as it stands. */
  async add(wanted: readonly NewCard[]): Promise<Card[]> {
    return this.scope.alone((transaction) => this.addIn(wanted, transaction));
  }

  async addIn(wanted: readonly NewCard[], transaction: Transaction): Promise<Card[]> {
    const there = new Map((await this.cards(transaction)).map((card) => [card.id, card]));
    const instruments = await this.scope.instrumentRows(transaction);
    const fresh = wanted.filter(({ id }) => !there.has(id));
    checkQuota('cards', there.size, fresh.length);
    for (const card of fresh) {
      this.checkMay(card);
      checkInstrument(card, (id) => instruments.has(id));
      checkBriefs(card, [...there.values(), ...fresh]);
      checkLent(card, [...there.values(), ...fresh]);
    }
    await this.checkBorrowers(fresh, transaction);
    const addedAt = Date.now();
    await this.database.models.Card.bulkCreate(
      fresh.map(({ id, kind, facts }, at) =>
        this.scope.where({
          id,
          kind,
          facts: JSON.stringify(facts),
          addedAt: new Date(addedAt + (at % CARDS_PER_POST)),
          version: 1,
        }),
      ),
      { transaction },
    );
    return wanted.map((card) => {
      const known = there.get(card.id);
      if (known && !this.sees(known)) fail(409, 'id-taken', 'Another card has this id. Add it once more.');
      return known ?? ({ ...card, version: 1 } as Card);
    });
  }

  /** Who has an instrument on loan, where it is one of the household, is one. @throws ProblemError 422 */
  private async checkBorrowers(cards: readonly CardFacts[], transaction: Transaction): Promise<void> {
    const ids = [...new Set(cards.flatMap((card) => (card.kind === 'loan' ? (card.facts.personId ?? []) : [])))];
    if (ids.length === 0) return;
    const known = await this.database.models.Person.count({ where: this.scope.where({ id: ids }), transaction });
    if (known === ids.length) return;
    const detail = 'Whoever has it is not one of your household. Choose another, or write their name.';
    fail(422, 'no-such-person', detail, { personId: detail });
  }

  async change(id: string, version: number, { kind, facts }: CardFacts): Promise<Card> {
    return this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
      if (row.kind !== kind) fail(422, 'invalid', 'A card keeps its kind. Add another instead.');
      this.checkMay({ kind, facts } as CardFacts);
      const instruments = await this.scope.instrumentRows(transaction);
      // The instrument a bow came with may have gone since: the bow keeps its id all the same.
      const came = kind === 'bow' ? (JSON.parse(row.facts) as BowFacts).ownOf : null;
      if (kind === 'bow' && facts.ownOf !== came) fail(422, 'invalid', 'A bow keeps its id. Add another instead.');
      checkInstrument({ kind, facts } as CardFacts, (wanted) => wanted === came || instruments.has(wanted));
      const cards = await this.cards(transaction);
      checkBriefs({ kind, facts } as CardFacts, cards);
      checkLent({ kind, facts, id } as CardFacts & { id: string }, cards);
      await this.checkBorrowers([{ kind, facts } as CardFacts], transaction);
      await row.update({ facts: JSON.stringify(facts), version: version + 1 }, { transaction });
      return cardOf(row);
    });
  }

  async remove(id: string, version: number): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.rowAt(id, version, transaction);
      await row.destroy({ transaction });
    });
  }

  private async rowAt(id: string, version: number, transaction: Transaction): Promise<CardRow> {
    const row = await this.database.models.Card.findOne({ where: this.scope.where({ id }), transaction });
    if (!row || !this.sees(cardOf(row)))
      fail(404, 'no-such-card', 'That is not on record any more. It may have been removed.');
    this.checkMay(cardOf(row));
    if (row.version !== version) fail(412, 'changed-meanwhile', CHANGED);
    return row;
  }
}

/** The instruments a card names. */
function instrumentsIn({ facts }: CardFacts): string[] {
  const single = 'instrumentId' in facts ? [facts.instrumentId] : [];
  const several = 'instrumentIds' in facts ? [...facts.instrumentIds, facts.ownOf] : [];
  return [...single, ...several].filter((id) => id !== null);
}

/** A card that names an instrument names one of this household's. */
function checkInstrument(card: CardFacts, has: (id: string) => boolean): void {
  if (instrumentsIn(card).every(has)) return;
  const detail = 'This instrument is not in your household. It may have been removed.';
  fail(422, 'no-such-instrument', detail, { instrumentId: detail });
}

/** A visit is made of briefs of this household's. */
function checkBriefs({ kind, facts }: CardFacts, cards: readonly (CardFacts & { id: string })[]): void {
  if (kind !== 'visit') return;
  const briefs = new Set(cards.flatMap((card) => (card.kind === 'brief' ? [card.id] : [])));
  if (facts.briefIds.every((id) => briefs.has(id))) return;
  fail(422, 'no-such-brief', 'A brief of this visit is not on record. It may have been removed.');
}

/** An instrument is out with one at a time. @throws ProblemError 409 */
function checkLent(
  { id, kind, facts }: CardFacts & { id: string },
  cards: readonly (CardFacts & { id: string })[],
): void {
  if (kind !== 'loan' || facts.back !== null) return;
  const other = cards.find(
    (card) =>
      card.kind === 'loan' &&
      card.id !== id &&
      card.facts.instrumentId === facts.instrumentId &&
      card.facts.back === null,
  );
  if (other?.kind !== 'loan') return;
  fail(409, 'lent-already', `It is lent to ${other.facts.to} already. Take it back first, or change that loan.`);
}
