import { DataTypes, type QueryInterface } from 'sequelize';
import { steps } from './steps';

/** Photographs of instruments, and what lies in the store of pictures. */
export const name = '007-photos';

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const count = () => ({ type: DataTypes.INTEGER, allowNull: false }) as const;

export async function up(queryInterface: QueryInterface): Promise<void> {
  const { foreignKey, index } = steps(queryInterface);
  // Everything that may lie in the store. What no photograph names after `until` is removed there.
  await queryInterface.createTable('blobs', { id: { ...id(), primaryKey: true }, until: time() });
  await index('blobs', 'blobs_by_end', ['until']);
  await queryInterface.createTable('photos', {
    householdId: { ...id(), primaryKey: true },
    instrumentId: { ...id(), primaryKey: true },
    photo: { type: DataTypes.CHAR(64), allowNull: false, primaryKey: true },
    blob: id(),
    bytes: count(),
    width: count(),
    height: count(),
    keptAt: time(),
  });
  await foreignKey(
    'photos',
    'photos_of_instruments',
    '(householdId, instrumentId) REFERENCES instruments (householdId, id) ON DELETE CASCADE',
  );
  await foreignKey('photos', 'photos_in_store', '(`blob`) REFERENCES blobs (id)');
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['photos', 'blobs']) await queryInterface.dropTable(table);
}
