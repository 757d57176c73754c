import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** Instruments choose schools of their own, and their set-up says more. */
export const name = '002-set-up';

interface Row {
  householdId: string;
  id: string;
  family: string;
  setUp: string;
}

const BOWED = ['violin', 'viola', 'cello', 'bass'];

/** Changes the set-up of every instrument. */
async function rewrite(
  { sequelize }: QueryInterface,
  change: (setUp: Record<string, unknown>, family: string) => object,
) {
  const rows = await sequelize.query<Row>('SELECT householdId, id, family, setUp FROM instruments', {
    type: QueryTypes.SELECT,
  });
  for (const { householdId, id, family, setUp } of rows) {
    const replacements = {
      householdId,
      id,
      setUp: JSON.stringify(change(JSON.parse(setUp) as Record<string, unknown>, family)),
    };
    await sequelize.query('UPDATE instruments SET setUp = :setUp WHERE householdId = :householdId AND id = :id', {
      replacements,
    });
  }
}

/** What an instrument's set-up says from now on: what was known stays, the rest is as usual for its family. */
export function widened(setUp: Record<string, unknown>, family: string) {
  return {
    stand: false,
    endpin: family === 'cello' || family === 'bass',
    humidifier: false,
    floatingBridge: BOWED.includes(family),
    finish: BOWED.includes(family) ? 'varnish' : family === 'guitar' ? 'hard' : 'lacquer',
    player: 'adult',
    ...setUp,
    // What a run that was broken off has widened already stays so.
    shoulderRest: typeof setUp.shoulderRest === 'string' ? setUp.shoulderRest : setUp.shoulderRest ? 'rest' : 'none',
  };
}

export async function up(queryInterface: QueryInterface): Promise<void> {
  await steps(queryInterface).column('instruments', 'schools', {
    type: DataTypes.TEXT,
    allowNull: false,
    defaultValue: '{}',
  });
  await rewrite(queryInterface, widened);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await rewrite(queryInterface, ({ shoulderRest, case: kept }) => ({
    shoulderRest: shoulderRest !== 'none',
    case: kept,
  }));
  await queryInterface.removeColumn('instruments', 'schools');
}
