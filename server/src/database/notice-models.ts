import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** When and of what a person is reminded. */
export interface NoticeSettingsRow extends Model<
  InferAttributes<NoticeSettingsRow>,
  InferCreationAttributes<NoticeSettingsRow>
> {
  householdId: string;
  personId: string;
  /** JSON. */
  settings: string;
  version: number;
}

/** Something a person was told. */
export interface NoticeRow extends Model<InferAttributes<NoticeRow>, InferCreationAttributes<NoticeRow>> {
  householdId: string;
  id: string;
  personId: string;
  /** Kind and what it is about. */
  concern: string;
  instrumentId: string;
  worse: number;
  /** JSON: as it was said. */
  words: string;
  digest: boolean;
  toldAt: Date;
  /** When it was still so, as far as was looked. */
  soAt: Date;
  /** Put off until then. */
  againAt: CreationOptional<Date | null>;
  doneAt: CreationOptional<Date | null>;
}

/** A device of an account that a push service brings messages to. */
export interface PushDeviceRow extends Model<InferAttributes<PushDeviceRow>, InferCreationAttributes<PushDeviceRow>> {
  accountId: string;
  id: string;
  name: string;
  endpoint: string;
  p256dh: string;
  auth: string;
  /** The hash of the sign-in on it: it is told as long as nobody signs out there. */
  sid: string;
  addedAt: Date;
  toldAt: CreationOptional<Date | null>;
  deadSince: CreationOptional<Date | null>;
}

/** When a household is looked at for what there is to tell. */
export interface NoticeRoundRow extends Model<
  InferAttributes<NoticeRoundRow>,
  InferCreationAttributes<NoticeRoundRow>
> {
  householdId: string;
  dueAt: Date;
  askedAt: CreationOptional<Date | null>;
  judgedAt: CreationOptional<Date | null>;
  holder: CreationOptional<string | null>;
  heldUntil: CreationOptional<Date | null>;
}

export interface NoticeModels {
  NoticeSettings: ModelStatic<NoticeSettingsRow>;
  Notice: ModelStatic<NoticeRow>;
  PushDevice: ModelStatic<PushDeviceRow>;
  NoticeRound: ModelStatic<NoticeRoundRow>;
}

const key = () => ({ type: DataTypes.UUID, allowNull: false, primaryKey: true }) as const;
const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const maybe = () => ({ type: DataTypes.DATE(3), allowNull: true }) as const;
const text = () => ({ type: DataTypes.TEXT, allowNull: false }) as const;
const short = (most: number) => ({ type: DataTypes.STRING(most), allowNull: false }) as const;

/** Declares what is told to whom. */
export function noticeModels(sequelize: Sequelize): NoticeModels {
  return {
    NoticeSettings: sequelize.define<NoticeSettingsRow>(
      'NoticeSettings',
      { householdId: key(), personId: key(), settings: text(), version: { type: DataTypes.INTEGER, allowNull: false } },
      { tableName: 'notice_settings' },
    ),
    Notice: sequelize.define<NoticeRow>(
      'Notice',
      {
        householdId: key(),
        id: key(),
        personId: id(),
        concern: short(200),
        instrumentId: id(),
        worse: { type: DataTypes.DOUBLE, allowNull: false },
        words: text(),
        digest: { type: DataTypes.BOOLEAN, allowNull: false },
        toldAt: time(),
        soAt: time(),
        againAt: maybe(),
        doneAt: maybe(),
      },
      { tableName: 'notices' },
    ),
    PushDevice: sequelize.define<PushDeviceRow>(
      'PushDevice',
      {
        accountId: key(),
        id: key(),
        name: short(60),
        endpoint: text(),
        p256dh: short(88),
        auth: short(24),
        sid: short(64),
        addedAt: time(),
        toldAt: maybe(),
        deadSince: maybe(),
      },
      { tableName: 'push_devices' },
    ),
    NoticeRound: sequelize.define<NoticeRoundRow>(
      'NoticeRound',
      {
        householdId: key(),
        dueAt: time(),
        askedAt: maybe(),
        judgedAt: maybe(),
        holder: { type: DataTypes.UUID, allowNull: true },
        heldUntil: maybe(),
      },
      { tableName: 'notice_rounds' },
    ),
  };
}
