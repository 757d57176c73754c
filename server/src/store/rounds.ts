import type { Sequelize, Transaction } from 'sequelize';
import { utc } from '../database/utc';

/** Asks for a household to be looked at for what there is to tell its people: something new is known of it. */
export async function askToLook(
  sequelize: Pick<Sequelize, 'query'>,
  householdId: string,
  transaction?: Transaction,
): Promise<void> {
  await sequelize.query(
    'UPDATE notice_rounds SET askedAt = UTC_TIMESTAMP(3) WHERE householdId = :householdId AND askedAt IS NULL',
    { replacements: { householdId }, transaction },
  );
}

/** Households in which somebody signs in and that are not looked at yet are from now on. */
export async function beginRounds(sequelize: Pick<Sequelize, 'query'>, now = new Date()): Promise<void> {
  await sequelize.query(
    `INSERT IGNORE INTO notice_rounds (householdId, dueAt)
     SELECT DISTINCT persons.householdId, :now FROM persons
     LEFT JOIN notice_rounds ON notice_rounds.householdId = persons.householdId
     WHERE persons.accountId IS NOT NULL AND persons.goneAt IS NULL AND notice_rounds.householdId IS NULL`,
    { replacements: { now: utc(now) } },
  );
}
