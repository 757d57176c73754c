import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** Accounts that their owners look after themselves; what is done at its time, by whichever server is free. */
export const name = '009-accounts';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false }) as const;
const account = () => ({ ...id(), references: { model: 'accounts', key: 'id' }, onDelete: 'CASCADE' }) as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { index, column } = steps(queryInterface);
  const { sequelize } = queryInterface;
  // When it goes with all that is its own; null: it stays.
  await column('accounts', 'goesAt', maybe());
  // Since when its address takes no mail; null: as far as is known it does.
  await column('accounts', 'deadSince', maybe());

  // Whose a sign-in is, what it is called by its owner's list, and on what kind of device.
  await column('sessions', 'accountId', { type: DataTypes.UUID, allowNull: true });
  await column('sessions', 'id', { type: DataTypes.UUID, allowNull: true });
  await column('sessions', 'device', { type: DataTypes.STRING(80), allowNull: true });
  await sequelize.query(
    `UPDATE sessions SET id = UUID(), accountId = NULLIF(JSON_VALUE(data, '$.identity.accountId'), 'null') WHERE id IS NULL`,
  );
  await index('sessions', 'sessions_by_account', ['accountId', 'id']);

  await queryInterface.createTable('passkeys', {
    // The hash of what the device calls it, which may be long.
    hash: { ...text(64), primaryKey: true },
    accountId: account(),
    id: id(),
    credential: { type: DataTypes.TEXT, allowNull: false },
    publicKey: { type: DataTypes.TEXT, allowNull: false },
    counter: { type: DataTypes.BIGINT, allowNull: false },
    transports: text(120),
    name: text(60),
    addedAt: time(),
    usedAt: maybe(),
  });
  await index('passkeys', 'passkeys_by_account', ['accountId', 'id'], true);

  // Only a random number is kept: the address it is part of is signed with what the database does not know.
  await queryInterface.createTable('account_links', {
    id: { ...id(), primaryKey: true },
    accountId: account(),
    kind: text(16),
    address: { type: DataTypes.STRING(254), allowNull: true },
    madeAt: time(),
    expiresAt: time(),
    usedAt: maybe(),
  });
  await index('account_links', 'links_by_account', ['accountId', 'kind']);

  await queryInterface.createTable('account_records', {
    no: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    accountId: account(),
    at: time(),
    kind: text(24),
    detail: { type: DataTypes.STRING(254), allowNull: true },
  });
  await index('account_records', 'records_by_account', ['accountId', 'no']);

  await queryInterface.createTable('jobs', {
    id: { ...id(), primaryKey: true },
    kind: text(24),
    data: { type: DataTypes.TEXT, allowNull: false },
    // When it is to be done; while somebody does it, when another would.
    dueAt: time(),
    tries: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
    madeAt: time(),
  });
  await index('jobs', 'jobs_by_time', ['dueAt']);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['jobs', 'account_records', 'account_links', 'passkeys']) await queryInterface.dropTable(table);
  await queryInterface.removeIndex('sessions', 'sessions_by_account');
  for (const column of ['accountId', 'id', 'device']) await queryInterface.removeColumn('sessions', column);
  for (const column of ['goesAt', 'deadSince']) await queryInterface.removeColumn('accounts', column);
}
