import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

export interface AccountRow extends Model<InferAttributes<AccountRow>, InferCreationAttributes<AccountRow>> {
  id: string;
  /** The household it opened last; it may be gone, or not its own any more. */
  householdId: string;
  email: string;
  passwordHash: string;
  createdAt: Date;
  /** When it goes with all that is its own; null: it stays. */
  goesAt: CreationOptional<Date | null>;
  /** Since when its address takes no mail; null: as far as is known it does. */
  deadSince: CreationOptional<Date | null>;
}

/** A sign-in session, as the session store writes it. */
export interface SessionRow extends Model<InferAttributes<SessionRow>, InferCreationAttributes<SessionRow>> {
  /** The hash of its id. */
  sid: string;
  expires: Date;
  data: string;
  /** What it is called in its owner's list. */
  id: CreationOptional<string | null>;
  /** Null: a visitor to a demo library, or nobody yet. */
  accountId: CreationOptional<string | null>;
  device: CreationOptional<string | null>;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
}

/** A passkey: the public half of what a device signs in with. */
export interface PasskeyRow extends Model<InferAttributes<PasskeyRow>, InferCreationAttributes<PasskeyRow>> {
  /** The hash of what its device calls it. */
  hash: string;
  accountId: string;
  id: string;
  /** What its device calls it, and its public key: base64url. */
  credential: string;
  publicKey: string;
  counter: number;
  /** JSON: how it may be reached. */
  transports: string;
  name: string;
  addedAt: Date;
  usedAt: Date | null;
}

/** A link that was sent by mail. */
export interface AccountLinkRow extends Model<
  InferAttributes<AccountLinkRow>,
  InferCreationAttributes<AccountLinkRow>
> {
  /** Random part of its address. */
  id: string;
  accountId: string;
  kind: string;
  /** The new address, where it is about one. */
  address: string | null;
  madeAt: Date;
  expiresAt: Date;
  usedAt: Date | null;
}

/** Something that was done to an account. */
export interface AccountRecordRow extends Model<
  InferAttributes<AccountRecordRow>,
  InferCreationAttributes<AccountRecordRow>
> {
  no: number | null;
  accountId: string;
  at: Date;
  kind: string;
  detail: string | null;
}

/** Something to be done at its time. */
export interface JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  id: string;
  kind: string;
  data: string;
  dueAt: Date;
  tries: CreationOptional<number>;
  madeAt: Date;
}

export interface AccountModels {
  Session: ModelStatic<SessionRow>;
  Account: ModelStatic<AccountRow>;
  Passkey: ModelStatic<PasskeyRow>;
  AccountLink: ModelStatic<AccountLinkRow>;
  AccountRecord: ModelStatic<AccountRecordRow>;
  Job: ModelStatic<JobRow>;
}

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;

/** Declares who comes in, and by what. */
export function accountModels(sequelize: Sequelize): AccountModels {
  return {
    Session: sequelize.define<SessionRow>(
      'Session',
      {
        sid: { type: DataTypes.STRING(64), primaryKey: true },
        expires: time(),
        data: { type: DataTypes.TEXT, allowNull: false },
        id: { type: DataTypes.UUID, allowNull: true },
        accountId: { type: DataTypes.UUID, allowNull: true },
        device: { type: DataTypes.STRING(80), allowNull: true },
        createdAt: time(),
        updatedAt: time(),
      },
      { tableName: 'sessions', timestamps: true },
    ),
    Account: sequelize.define<AccountRow>(
      'Account',
      {
        id: { ...id(), primaryKey: true },
        householdId: id(),
        email: text(254),
        passwordHash: text(255),
        createdAt: time(),
        goesAt: maybe(),
        deadSince: maybe(),
      },
      { tableName: 'accounts' },
    ),
    Passkey: sequelize.define<PasskeyRow>(
      'Passkey',
      {
        hash: { ...text(64), primaryKey: true },
        accountId: id(),
        id: id(),
        credential: { type: DataTypes.TEXT, allowNull: false },
        publicKey: { type: DataTypes.TEXT, allowNull: false },
        counter: { type: DataTypes.BIGINT, allowNull: false },
        transports: text(120),
        name: text(60),
        addedAt: time(),
        usedAt: maybe(),
      },
      { tableName: 'passkeys' },
    ),
    AccountLink: sequelize.define<AccountLinkRow>(
      'AccountLink',
      {
        id: { ...id(), primaryKey: true },
        accountId: id(),
        kind: text(16),
        address: { type: DataTypes.STRING(254), allowNull: true },
        madeAt: time(),
        expiresAt: time(),
        usedAt: maybe(),
      },
      { tableName: 'account_links' },
    ),
    AccountRecord: sequelize.define<AccountRecordRow>(
      'AccountRecord',
      {
        no: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
        accountId: id(),
        at: time(),
        kind: text(24),
        detail: { type: DataTypes.STRING(254), allowNull: true },
      },
      { tableName: 'account_records' },
    ),
    Job: sequelize.define<JobRow>(
      'Job',
      {
        id: { ...id(), primaryKey: true },
        kind: text(24),
        data: { type: DataTypes.TEXT, allowNull: false },
        dueAt: time(),
        tries: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        madeAt: time(),
      },
      { tableName: 'jobs' },
    ),
  };
}
