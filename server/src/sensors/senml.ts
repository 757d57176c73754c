import { MINUTE_MS, readingsOf } from '@tembrin/core';
import { readingFaultSentence, type BodyOf, type ResponseOf } from '@tembrin/contract';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Database } from '../database/connect';
import { fail, problem } from '../problems/problems';
import { isKeyOf } from '../store/air/sensors';
import { takeIn } from '../store/air/readings';

/** So many packs a minute for one hygrometer; a pack holds many readings. */
export function sensorLimit(perMinute: number): RequestHandler {
  return rateLimit({
    windowMs: MINUTE_MS,
    limit: perMinute,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: ({ params, headers }) => `${String(params.id)} ${headers.authorization ?? ''}`,
    handler: (_request, response) => {
      response.status(429).type('application/problem+json');
      const detail = `At most ${perMinute} packs a minute. Gather readings and send them in one pack.`;
      response.json(problem(429, 'too-often', detail));
    },
  });
}

/**
 * Takes in what a hygrometer sends by itself. Whoever has its key may do so, and nothing else.
 * @throws ProblemError 401 for a wrong or revoked key, 422 when nothing in the pack can be taken
 */
export async function takeSenml(
  { sequelize, models }: Database,
  id: string,
  authorization: string | undefined,
  pack: BodyOf<'postSenml'>,
): Promise<ResponseOf<'postSenml'>> {
  const key = /^Bearer (\S+)$/i.exec(authorization ?? '')?.[1];
  const rows = key ? await models.Sensor.findAll({ where: { id } }) : [];
  const row = rows.find(({ keyHash }) => isKeyOf(keyHash, key!));
  if (!row) {
    fail(401, 'wrong-key', 'The key is not this hygrometer’s, or it was revoked. Make a new one under Air.');
  }
  const { readings, battery, faults } = readingsOf(pack, Date.now());
  const worst = faults[0];
  if (worst && (readings.length === 0 || worst.fault === 'must-understand')) {
    const detail = `Record ${worst.index + 1}: ${readingFaultSentence(worst.fault)}`;
    fail(
      422,
      worst.fault,
      detail,
      Object.fromEntries(faults.map(({ index, fault }) => [index, readingFaultSentence(fault)])),
    );
  }
  return sequelize.transaction(async (transaction) => {
    const intake = await takeIn(sequelize, row.no!, readings, transaction);
    if (battery !== null && battery !== row.battery) await row.update({ battery }, { transaction });
    return { ...intake, battery };
  });
}
