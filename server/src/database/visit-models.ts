import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** What was sent to a workshop, as it was then. */
export interface ShareRow extends Model<InferAttributes<ShareRow>, InferCreationAttributes<ShareRow>> {
  householdId: string;
  /** Random part of its address. */
  id: string;
  visitId: string;
  document: string;
  madeAt: Date;
  expiresAt: Date;
  revokedAt: Date | null;
  /** When it was first opened. */
  openedAt: Date | null;
}

/** What a workshop answered. */
export interface ShareAnswerRow extends Model<
  InferAttributes<ShareAnswerRow>,
  InferCreationAttributes<ShareAnswerRow>
> {
  householdId: string;
  shareId: string;
  id: string;
  at: Date;
  body: string;
  /** When the keeper was done with it; null: not yet. */
  settledAt: Date | null;
}

/** An instrument that one household offers to another. */
export interface HandoverRow extends Model<InferAttributes<HandoverRow>, InferCreationAttributes<HandoverRow>> {
  householdId: string;
  /** Random part of its address. */
  id: string;
  instrumentId: string;
  madeAt: Date;
  expiresAt: Date;
  takerId: string | null;
  takerName: string | null;
  doneAt: Date | null;
}

export interface VisitModels {
  Share: ModelStatic<ShareRow>;
  ShareAnswer: ModelStatic<ShareAnswerRow>;
  Handover: ModelStatic<HandoverRow>;
}

const key = () => ({ type: DataTypes.UUID, allowNull: false, primaryKey: true }) as const;
const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;

/** Declares what is sent out of a household, and what comes back. */
export function visitModels(sequelize: Sequelize): VisitModels {
  return {
    Share: sequelize.define<ShareRow>(
      'Share',
      {
        householdId: key(),
        id: key(),
        visitId: id(),
        document: { type: DataTypes.TEXT('medium'), allowNull: false },
        madeAt: time(),
        expiresAt: time(),
        revokedAt: maybe(),
        openedAt: maybe(),
      },
      { tableName: 'shares' },
    ),
    ShareAnswer: sequelize.define<ShareAnswerRow>(
      'ShareAnswer',
      {
        householdId: key(),
        shareId: key(),
        id: key(),
        at: time(),
        body: { type: DataTypes.TEXT, allowNull: false },
        settledAt: maybe(),
      },
      { tableName: 'share_answers' },
    ),
    Handover: sequelize.define<HandoverRow>(
      'Handover',
      {
        householdId: key(),
        id: key(),
        instrumentId: id(),
        madeAt: time(),
        expiresAt: time(),
        takerId: { type: DataTypes.UUID, allowNull: true },
        takerName: { type: DataTypes.STRING(80), allowNull: true },
        doneAt: maybe(),
      },
      { tableName: 'handovers' },
    ),
  };
}
