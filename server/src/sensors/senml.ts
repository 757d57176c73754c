import { askToLook } from '../store/rounds';
import { readingsOf } from '@tembrin/core';
import { readingFaultSentence, type BodyOf, type Intake, type ResponseOf } from '@tembrin/contract';
import type { Database } from '../database/connect';
import { inTransaction } from '../database/transaction';
import { fail } from '../problems/problems';
import { isKeyOf } from '../store/air/sensors';
import { takeIn } from '../store/air/readings';

const NOTHING: Intake = { stored: 0, known: 0, corrected: 0 };
/** Records that were left out are told of, so many. */
const LEFT_TOLD = 20;

/**
 * Takes in what a hygrometer sends by itself. Whoever has its key may do so, and nothing else.
 * @throws ProblemError 401 for a wrong or revoked key, 422 when nothing in the pack can be taken
 */
export async function takeSenml(
  database: Database,
  id: string,
  authorization: string | undefined,
  pack: BodyOf<'postSenml'>,
): Promise<ResponseOf<'postSenml'>> {
  const { sequelize, models } = database;
  const key = /^Bearer (\S+)$/i.exec(authorization ?? '')?.[1];
  const rows = key ? await models.Sensor.findAll({ where: { id } }) : [];
  const row = rows.find(({ keyHash }) => isKeyOf(keyHash, key!));
  if (!row) {
    fail(401, 'wrong-key', 'The key is not this hygrometer’s, or it was revoked. Make a new one under Air.');
  }
  const { readings, battery, faults } = readingsOf(pack, Date.now());
  // Whose readings they are nobody could tell afterwards.
  const worst = faults.find(({ fault }) => fault === 'must-understand' || fault === 'two-devices') ?? faults[0];
  if (worst && (readings.length === 0 || worst.fault === 'must-understand' || worst.fault === 'two-devices')) {
    const detail = `Record ${worst.index + 1}: ${readingFaultSentence(worst.fault)}`;
    fail(
      422,
      worst.fault,
      detail,
      Object.fromEntries(faults.map(({ index, fault }) => [index, readingFaultSentence(fault)])),
    );
  }
  return inTransaction(database, async (transaction) => {
    // A pack may tell of the battery alone.
    const intake = readings.length > 0 ? await takeIn(sequelize, row.no!, readings, transaction) : NOTHING;
    if (intake.stored > 0) await askToLook(sequelize, row.householdId, transaction);
    if (battery !== null && battery !== row.battery) await row.update({ battery }, { transaction });
    const left = faults
      .sort((a, b) => a.index - b.index)
      .slice(0, LEFT_TOLD)
      .map(({ index, fault }) => ({
        record: index + 1,
        why: readingFaultSentence(fault),
      }));
    return { ...intake, battery, left };
  });
}
