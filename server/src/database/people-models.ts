import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** A person of a household. */
export interface PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  householdId: string;
  id: string;
  name: string;
  role: string;
  /** JSON: ids of instruments. */
  plays: string;
  looksAfter: string;
  /** JSON: the sides they take in the schools, and what their hands do to strings. */
  ways: CreationOptional<string>;
  /** Random part of their calendar's address; null: they have none. */
  calendarId: CreationOptional<string | null>;
  accountId: string | null;
  addedAt: Date;
  goneAt: CreationOptional<Date | null>;
  version: number;
}

/** An invitation that was not accepted yet. */
export interface InvitationRow extends Model<InferAttributes<InvitationRow>, InferCreationAttributes<InvitationRow>> {
  householdId: string;
  /** Random part of its address. */
  id: string;
  personId: string;
  email: string | null;
  madeAt: Date;
  expiresAt: Date;
}

export interface PeopleModels {
  Person: ModelStatic<PersonRow>;
  Invitation: ModelStatic<InvitationRow>;
}

const key = () => ({ type: DataTypes.UUID, allowNull: false, primaryKey: true }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const text = () => ({ type: DataTypes.TEXT, allowNull: false }) as const;

/** Declares who belongs to a household. */
export function peopleModels(sequelize: Sequelize): PeopleModels {
  return {
    Person: sequelize.define<PersonRow>(
      'Person',
      {
        householdId: key(),
        id: key(),
        name: { type: DataTypes.STRING(60), allowNull: false },
        role: { type: DataTypes.STRING(8), allowNull: false },
        plays: text(),
        looksAfter: text(),
        ways: { type: DataTypes.STRING(1000), allowNull: false, defaultValue: '{}' },
        calendarId: { type: DataTypes.UUID, allowNull: true },
        accountId: { type: DataTypes.UUID, allowNull: true },
        addedAt: time(),
        goneAt: { type: DataTypes.DATE(3), allowNull: true },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      },
      { tableName: 'persons' },
    ),
    Invitation: sequelize.define<InvitationRow>(
      'Invitation',
      {
        householdId: key(),
        id: key(),
        personId: { type: DataTypes.UUID, allowNull: false },
        email: { type: DataTypes.STRING(254), allowNull: true },
        madeAt: time(),
        expiresAt: time(),
      },
      { tableName: 'invitations' },
    ),
  };
}
