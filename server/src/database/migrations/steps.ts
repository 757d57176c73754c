import { QueryTypes, type ModelAttributeColumnOptions, type QueryInterface } from 'sequelize';

/**
 * Steps of a migration that may be carried out again: whatever a run that was broken off has made already is left as it is. A
 * table is made only where it is not there; that is the database's own way.
 */
export function steps(queryInterface: QueryInterface) {
  const { sequelize } = queryInterface;
  const found = async (from: string, where: Record<string, string>) => {
    const conditions = Object.keys(where).map((column) => `${column} = :${column}`);
    const sql = `SELECT 1 FROM information_schema.${from} WHERE TABLE_SCHEMA = DATABASE() AND ${conditions.join(' AND ')} LIMIT 1`;
    return (await sequelize.query(sql, { type: QueryTypes.SELECT, replacements: where })).length > 0;
  };
  return {
    /** Adds an index; `unique`: one that holds each value once. */
    async index(TABLE_NAME: string, INDEX_NAME: string, fields: readonly string[], unique = false): Promise<void> {
      if (await found('STATISTICS', { TABLE_NAME, INDEX_NAME })) return;
      await queryInterface.addIndex(TABLE_NAME, { name: INDEX_NAME, fields: [...fields], unique });
    },
    async noIndex(TABLE_NAME: string, INDEX_NAME: string): Promise<void> {
      if (await found('STATISTICS', { TABLE_NAME, INDEX_NAME }))
        await queryInterface.removeIndex(TABLE_NAME, INDEX_NAME);
    },
    async column(TABLE_NAME: string, COLUMN_NAME: string, column: ModelAttributeColumnOptions): Promise<void> {
      if (await found('COLUMNS', { TABLE_NAME, COLUMN_NAME })) return;
      await queryInterface.addColumn(TABLE_NAME, COLUMN_NAME, column);
    },
    /** Adds a foreign key. @param rest what follows its name, in SQL */
    async foreignKey(TABLE_NAME: string, CONSTRAINT_NAME: string, rest: string): Promise<void> {
      if (await found('TABLE_CONSTRAINTS', { TABLE_NAME, CONSTRAINT_NAME })) return;
      await sequelize.query(`ALTER TABLE ${TABLE_NAME} ADD CONSTRAINT ${CONSTRAINT_NAME} FOREIGN KEY ${rest}`);
    },
  };
}
