import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** What is sent to a workshop and what it answers; instruments that are handed over to another household. */
export const name = '008-visits';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;
const household = () => ({ ...id(), references: { model: 'households', key: 'id' }, onDelete: 'CASCADE' }) as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index, column, foreignKey } = steps(queryInterface);
  // Only a random number is kept: the address it is part of is signed with what the database does not know.
  await queryInterface.createTable('shares', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    visitId: id(),
    document: { type: DataTypes.TEXT('medium'), allowNull: false },
    madeAt: time(),
    expiresAt: time(),
    revokedAt: maybe(),
    openedAt: maybe(),
  });
  await index('shares', 'shares_by_id', ['id'], true);
  await queryInterface.createTable('share_answers', {
    householdId: { ...id(), primaryKey: true },
    shareId: { ...id(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    at: time(),
    body: { type: DataTypes.TEXT, allowNull: false },
    settledAt: maybe(),
  });
  await foreignKey(
    'share_answers',
    'answers_of_shares',
    '(householdId, shareId) REFERENCES shares (householdId, id) ON DELETE CASCADE',
  );
  // Since when another household has it, and what that is called; null: it is here.
  await column('instruments', 'givenAt', maybe());
  await column('instruments', 'givenTo', { type: DataTypes.STRING(80), allowNull: true });
  await queryInterface.createTable('handovers', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    instrumentId: id(),
    madeAt: time(),
    expiresAt: time(),
    // Who would take it; null: nobody yet.
    takerId: { type: DataTypes.UUID, allowNull: true },
    takerName: { type: DataTypes.STRING(80), allowNull: true },
    doneAt: maybe(),
  });
  await index('handovers', 'handovers_by_id', ['id'], true);
  await foreignKey(
    'handovers',
    'handovers_of_instruments',
    '(householdId, instrumentId) REFERENCES instruments (householdId, id) ON DELETE CASCADE',
  );
  await foreignKey('handovers', 'handovers_to', '(takerId) REFERENCES households (id) ON DELETE SET NULL');
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['handovers', 'share_answers', 'shares']) await queryInterface.dropTable(table);
  await queryInterface.removeColumn('instruments', 'givenTo');
  await queryInterface.removeColumn('instruments', 'givenAt');
}
