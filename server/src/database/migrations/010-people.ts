import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** The people of a household, what they are there, and how one comes into it; who put an entry on record. */
export const name = '010-people';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;
const household = () => ({ ...id(), references: { model: 'households', key: 'id' }, onDelete: 'CASCADE' }) as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index, column, foreignKey } = steps(queryInterface);
  const { sequelize } = queryInterface;
  await queryInterface.createTable('persons', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    name: { type: DataTypes.STRING(60), allowNull: false },
    role: { type: DataTypes.STRING(8), allowNull: false },
    plays: { type: DataTypes.TEXT, allowNull: false },
    looksAfter: { type: DataTypes.TEXT, allowNull: false },
    // Null: they do not sign in by themselves.
    accountId: { type: DataTypes.UUID, allowNull: true },
    addedAt: time(),
    goneAt: maybe(),
    version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
  });
  await index('persons', 'person_of_account', ['householdId', 'accountId'], true);
  await index('persons', 'persons_by_account', ['accountId']);
  await foreignKey('persons', 'persons_have_accounts', '(accountId) REFERENCES accounts (id) ON DELETE SET NULL');
  await queryInterface.createTable('invitations', {
    householdId: { ...household(), primaryKey: true },
    id: { ...id(), primaryKey: true },
    personId: id(),
    email: { type: DataTypes.STRING(254), allowNull: true },
    madeAt: time(),
    expiresAt: time(),
  });
  await index('invitations', 'invitations_by_id', ['id'], true);
  await foreignKey(
    'invitations',
    'invitations_of_persons',
    '(householdId, personId) REFERENCES persons (householdId, id) ON DELETE CASCADE',
  );
  await column('events', 'doneBy', { type: DataTypes.UUID, allowNull: true });

  // Whoever had the household's account keeps it, under the name before the @ until they say another.
  await sequelize.query(
    `INSERT INTO persons (householdId, id, name, role, plays, looksAfter, accountId, addedAt, version)
     SELECT householdId, UUID(), LEFT(SUBSTRING_INDEX(email, '@', 1), 60), 'keeper', '[]', '[]', accounts.id, createdAt, 1
     FROM accounts WHERE NOT EXISTS (SELECT 1 FROM persons WHERE persons.accountId = accounts.id)`,
  );
  // An account may belong to several households: here stands the one it opened last, and it does not go with that one.
  const keys = await sequelize.query<{ name: string }>(
    `SELECT CONSTRAINT_NAME AS name FROM information_schema.KEY_COLUMN_USAGE
     WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'accounts' AND REFERENCED_TABLE_NAME = 'households'`,
    { type: QueryTypes.SELECT },
  );
  for (const { name: key } of keys) await sequelize.query(`ALTER TABLE accounts DROP FOREIGN KEY \`${key}\``);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.sequelize.query(
    'ALTER TABLE accounts ADD FOREIGN KEY (householdId) REFERENCES households (id) ON DELETE CASCADE',
  );
  await queryInterface.removeColumn('events', 'doneBy');
  for (const table of ['invitations', 'persons']) await queryInterface.dropTable(table);
}
