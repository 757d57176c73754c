import { randomUUID } from 'node:crypto';
import type { Share } from '@tembrin/contract';
import { WORKSHOP_ROOT } from '@tembrin/contract';
import { QUOTAS } from '@tembrin/contract/quotas';
import {
  ANSWER_BOUNDS,
  DAY_MS,
  figuresOf,
  foldLog,
  lastMeasure,
  type Answer,
  type Asked,
  type BriefDocument,
  type Family,
  type Figure,
} from '@tembrin/core';
import { Op, type Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import type { ShareAnswerRow, ShareRow } from '../database/visit-models';
import { fail } from '../problems/problems';
import { checkQuota } from '../problems/quota';
import { CardScope } from './cards';
import { idOfKey, keyOf } from './private-address';
import { HouseholdScope } from './scope';

/** What was sent is told of the last so many times: a page asks again and again. From memory: years of visits. */
const SHARES_TOLD = 60;

/** What a workshop is told of one instrument. */
export interface SentSheet extends Omit<BriefDocument, 'asked'> {
  briefId: string;
  /** The instrument's name. */
  name: string;
  family: Family;
  asked: Asked[];
  /** Figures of its set-up sheet as they are; null: never read. */
  figures: { figure: Figure; value: number | null }[];
}

/** What is sent: as it was when it was sent, and nothing that comes after. */
export interface SentDocument {
  /** The household's name. */
  from: string;
  currency: string | null;
  sheets: SentSheet[];
}

const documentOf = ({ document }: Pick<ShareRow, 'document'>) => JSON.parse(document) as SentDocument;
const isOpen = ({ revokedAt, expiresAt }: Pick<ShareRow, 'revokedAt' | 'expiresAt'>) =>
  revokedAt === null && expiresAt > new Date();

/** What a household sends to workshops, and what they answer. */
export class ShareScope {
  private readonly cards: CardScope;

  constructor(
    private readonly database: Database,
    private readonly scope: HouseholdScope,
    private readonly secret: string,
  ) {
    this.cards = new CardScope(database, scope);
  }

  /** The newest of them, oldest first, each with what was answered. */
  async list(): Promise<Share[]> {
    const { Share: Shares, ShareAnswer } = this.database.models;
    const newest = await Shares.findAll({
      where: this.scope.where({}),
      order: [
        ['madeAt', 'DESC'],
        ['id', 'DESC'],
      ],
      limit: SHARES_TOLD,
    });
    const rows = newest.reverse();
    const answers = await ShareAnswer.findAll({
      where: this.scope.where({ shareId: rows.map(({ id }) => id) }),
      order: ['at', 'id'],
    });
    return rows.map((row) =>
      this.shareOf(
        row,
        answers.filter(({ shareId }) => shareId === row.id),
      ),
    );
  }

  /**
   * Sends a visit's briefs under a link: anew where they were sent before, and then only the new one opens.
   * @throws ProblemError 404
   */
  async make(visitId: string, days: number): Promise<Share> {
    const document = await this.document(visitId);
    return this.scope.alone(async (transaction) => {
      const { Share: Shares } = this.database.models;
      await this.makeRoom(transaction);
      const madeAt = new Date();
      await Shares.update(
        { revokedAt: madeAt },
        { where: this.scope.where({ visitId, revokedAt: null }), transaction },
      );
      const row = await Shares.create(
        this.scope.where({
          id: randomUUID(),
          visitId,
          document: JSON.stringify(document),
          madeAt,
          expiresAt: new Date(madeAt.getTime() + days * DAY_MS),
          revokedAt: null,
          openedAt: null,
        }),
        { transaction },
      );
      return this.shareOf(row, []);
    });
  }

  /** Closes a link; what was answered stays. @throws ProblemError 404 */
  async revoke(id: string): Promise<void> {
    await this.scope.alone(async (transaction) => {
      const row = await this.row(id, transaction);
      await row.update({ revokedAt: row.revokedAt ?? new Date() }, { transaction });
    });
  }

  /** The keeper is done with an answer. @throws ProblemError 404 */
  async settle(id: string, answerId: string): Promise<Share> {
    await this.scope.alone(async (transaction) => {
      const where = this.scope.where({ shareId: id, id: answerId });
      const answer = await this.database.models.ShareAnswer.findOne({ where, transaction });
      if (!answer) fail(404, 'no-such-answer', 'There is no such answer here.');
      await answer.update({ settledAt: answer.settledAt ?? new Date() }, { transaction });
    });
    const share = (await this.list()).find((each) => each.id === id);
    return share ?? noSuchShare();
  }

  private async row(id: string, transaction: Transaction): Promise<ShareRow> {
    const row = await this.database.models.Share.findOne({ where: this.scope.where({ id }), transaction });
    return row ?? noSuchShare();
  }

  /** The oldest that nobody can open any more makes room for another. */
  private async makeRoom(transaction: Transaction): Promise<void> {
    const { Share: Shares } = this.database.models;
    const there = await Shares.count({ where: this.scope.where({}), transaction });
    if (there < QUOTAS.shares) return;
    const past = await Shares.findOne({
      where: this.scope.where({
        [Op.or]: [{ revokedAt: { [Op.ne]: null } }, { expiresAt: { [Op.lt]: new Date() } }],
      }),
      order: [['madeAt', 'ASC']],
      transaction,
    });
    await past?.destroy({ transaction });
    checkQuota('shares', there - (past ? 1 : 0));
  }

  /** What would be sent now. */
  private async document(visitId: string): Promise<SentDocument> {
    const [cards, household] = await Promise.all([this.cards.cards(), this.scope.household()]);
    const visit = cards.find((card) => card.kind === 'visit' && card.id === visitId);
    if (visit?.kind !== 'visit')
      return fail(404, 'no-such-visit', 'There is no such visit here. It may have been removed.');
    const sheets: SentSheet[] = [];
    for (const briefId of visit.facts.briefIds) {
      const brief = cards.find((card) => card.kind === 'brief' && card.id === briefId);
      const instrument = household.instruments.find(
        ({ id }) => brief?.kind === 'brief' && id === brief.facts.instrumentId,
      );
      // One that was removed since is not sent.
      if (brief?.kind !== 'brief' || !instrument) continue;
      const events = await this.scope.events({
        instrumentIds: [instrument.id],
        types: ['measured', 'looked-at', 'retracted'],
      });
      const log = foldLog(
        events.map(({ event }) => event),
        Date.now(),
        household.timeZone,
      );
      const { name, family } = instrument;
      const figures = figuresOf(instrument).map((figure) => ({
        figure,
        value: lastMeasure(log, figure)?.value ?? null,
      }));
      sheets.push({ ...brief.facts, asked: brief.facts.asked ?? [], briefId, name, family, figures });
    }
    if (sheets.length === 0)
      return fail(404, 'no-such-brief', 'There is nothing left to send: its briefs were removed.');
    return { from: household.name, currency: household.currency, sheets };
  }

  private shareOf(row: ShareRow, answers: readonly ShareAnswerRow[]): Share {
    const { sheets } = documentOf(row);
    return {
      id: row.id,
      visitId: row.visitId,
      path: isOpen(row) ? `${WORKSHOP_ROOT}/${keyOf('workshop', row.id, this.secret)}` : null,
      madeAt: row.madeAt.toISOString(),
      expiresAt: row.expiresAt.toISOString(),
      openedAt: row.openedAt?.toISOString() ?? null,
      sheets: sheets.map(({ briefId, instrumentId, family, asked }) => ({ briefId, instrumentId, family, asked })),
      answers: answers.map(({ id, at, body, settledAt }) => ({
        id,
        at: at.toISOString(),
        answer: JSON.parse(body) as Answer,
        settledAt: settledAt?.toISOString() ?? null,
      })),
    };
  }
}

function noSuchShare(): never {
  return fail(404, 'no-such-share', 'There is no such link here. It may have been removed.');
}

/** What is open under a workshop's link. */
export interface OpenShare {
  document: SentDocument;
  /** When it ends, ms. */
  until: number;
  /** What was answered so far, oldest first. */
  answers: { at: Date; answer: Answer }[];
  /** Reads as the household that sent it, for its photographs. */
  scope: HouseholdScope;
  id: string;
}

/** What a workshop's key opens; null for one that is wrong, revoked or past: which of these is told nobody. */
export async function shareAt(database: Database, secret: string, key: string): Promise<OpenShare | null> {
  const id = idOfKey('workshop', key, secret);
  const row = id === null ? null : await database.models.Share.findOne({ where: { id } });
  if (!row || !isOpen(row)) return null;
  const { householdId } = row;
  const document = documentOf(row);
  // An instrument that went since is not told of any more.
  const there = await database.models.Instrument.findAll({
    where: { householdId, id: document.sheets.map(({ instrumentId }) => instrumentId), givenAt: null },
    attributes: ['id'],
    raw: true,
  });
  const sheets = document.sheets.filter(({ instrumentId }) => there.some(({ id: known }) => known === instrumentId));
  if (sheets.length === 0) return null;
  const answers = await database.models.ShareAnswer.findAll({
    where: { householdId, shareId: row.id },
    order: ['at', 'id'],
  });
  if (row.openedAt === null) await row.update({ openedAt: new Date() });
  return {
    document: { ...document, sheets },
    until: row.expiresAt.getTime(),
    answers: answers.map(({ at, body }) => ({ at, answer: JSON.parse(body) as Answer })),
    scope: new HouseholdScope(database, { householdId, accountId: null }),
    id: row.id,
  };
}

/**
 * Keeps what a workshop answers. The same answer sent again at once, as by a button pressed twice, is kept once.
 * @returns false where as many as are kept were answered
 */
export async function keepAnswer(database: Database, { scope, id }: OpenShare, answer: Answer): Promise<boolean> {
  const body = JSON.stringify(answer);
  return scope.alone(async (transaction) => {
    const { ShareAnswer } = database.models;
    const where = scope.where({ shareId: id });
    const last = await ShareAnswer.findOne({ where, order: [['at', 'DESC']], transaction });
    if (last?.body === body) return true;
    if ((await ShareAnswer.count({ where, transaction })) >= ANSWER_BOUNDS.answers) return false;
    await ShareAnswer.create({ ...where, id: randomUUID(), at: new Date(), body, settledAt: null }, { transaction });
    return true;
  });
}
