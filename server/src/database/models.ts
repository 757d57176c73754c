import {
  DataTypes,
  type CreationOptional,
  type Model,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { accountModels, type AccountModels } from './account-models';
import { noticeModels, type NoticeModels } from './notice-models';
import { peopleModels, type PeopleModels } from './people-models';
import { visitModels, type VisitModels } from './visit-models';

export interface HouseholdRow extends Model<InferAttributes<HouseholdRow>, InferCreationAttributes<HouseholdRow>> {
  id: string;
  name: string;
  timeZone: string;
  schools: string;
  currency: string | null;
  /** Random part of the private calendar address; null while there is none. */
  calendarId: string | null;
  demo: boolean;
  /** A demo library nobody has opened yet has null here. */
  openedAt: Date | null;
  createdAt: Date;
  version: number;
  /** Counted up by every change of the household. */
  turn: CreationOptional<number>;
  /** Number of the newest event of its log. */
  logNumber: CreationOptional<number>;
  /** Another one after a backup was put back: devices then read the log from its beginning. */
  logEpoch: string;
  /** The demo master whose first `baseNumber` events its log begins with. */
  base: CreationOptional<string | null>;
  baseNumber: CreationOptional<number>;
  /** What its calendar was last judged from; null where that has to be done anew. */
  calendarFrom: CreationOptional<string | null>;
}

export interface InstrumentRow extends Model<InferAttributes<InstrumentRow>, InferCreationAttributes<InstrumentRow>> {
  householdId: string;
  id: string;
  name: string;
  family: string;
  kind: string | null;
  size: string | null;
  stringCount: number;
  since: string | null;
  setUp: string;
  stringing: string;
  schools: string;
  addedAt: Date;
  /** Since when another household has it, and which; null: it is here. */
  givenAt: CreationOptional<Date | null>;
  givenTo: CreationOptional<string | null>;
  version: number;
}

export interface EventRow extends Model<InferAttributes<EventRow>, InferCreationAttributes<EventRow>> {
  seq: number | null;
  /** Its place in its household's log, from 1. */
  number: number;
  householdId: string;
  id: string;
  instrumentId: string;
  type: string;
  occurredAt: Date;
  recordedAt: Date;
  receivedAt: Date;
  payload: string;
}

export interface PlaceRow extends Model<InferAttributes<PlaceRow>, InferCreationAttributes<PlaceRow>> {
  householdId: string;
  id: string;
  name: string;
  kind: string;
  roomId: string | null;
  facts: string;
  addedAt: Date;
  version: number;
}

export interface SensorRow extends Model<InferAttributes<SensorRow>, InferCreationAttributes<SensorRow>> {
  no: number | null;
  householdId: string;
  id: string;
  name: string;
  kind: string;
  placeId: string;
  stays: string;
  keyHash: string | null;
  battery: number | null;
  /** How many readings it has. */
  readings: CreationOptional<number>;
  addedAt: Date;
  version: number;
}

export interface SaltCheckRow extends Model<InferAttributes<SaltCheckRow>, InferCreationAttributes<SaltCheckRow>> {
  householdId: string;
  id: string;
  sensorId: string;
  at: Date;
  salt: string;
  tempC: number;
  shownRh: number;
}

export interface CardRow extends Model<InferAttributes<CardRow>, InferCreationAttributes<CardRow>> {
  householdId: string;
  id: string;
  kind: string;
  facts: string;
  addedAt: Date;
  version: number;
}

/** What a household's calendar last said of one entry. */
export interface CalendarItemRow extends Model<
  InferAttributes<CalendarItemRow>,
  InferCreationAttributes<CalendarItemRow>
> {
  householdId: string;
  uid: string;
  sequence: number;
  stampedAt: Date;
  facts: string;
  cancelledAt: Date | null;
}

/** How an import goes, told by the process that does it. */
export interface ImportRow extends Model<InferAttributes<ImportRow>, InferCreationAttributes<ImportRow>> {
  householdId: string;
  id: string;
  progress: string;
  cancelled: boolean;
  seenAt: Date;
  endedAt: Date | null;
}

/** What somebody outside answered last, for all servers. */
export interface AnswerRow extends Model<InferAttributes<AnswerRow>, InferCreationAttributes<AnswerRow>> {
  name: string;
  at: Date;
  data: string;
}

/** A photograph that is kept. */
export interface PhotoRow extends Model<InferAttributes<PhotoRow>, InferCreationAttributes<PhotoRow>> {
  householdId: string;
  instrumentId: string;
  photo: string;
  /** Where the picture is in the store. */
  blob: string;
  bytes: number;
  width: number;
  height: number;
  keptAt: Date;
}

export interface Models extends VisitModels, AccountModels, PeopleModels, NoticeModels {
  Household: ModelStatic<HouseholdRow>;
  Instrument: ModelStatic<InstrumentRow>;
  Event: ModelStatic<EventRow>;
  Place: ModelStatic<PlaceRow>;
  Sensor: ModelStatic<SensorRow>;
  SaltCheck: ModelStatic<SaltCheckRow>;
  Card: ModelStatic<CardRow>;
  CalendarItem: ModelStatic<CalendarItemRow>;
  Import: ModelStatic<ImportRow>;
  Answer: ModelStatic<AnswerRow>;
  Photo: ModelStatic<PhotoRow>;
}

const id = () => ({ type: DataTypes.UUID, allowNull: false }) as const;
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false }) as const;
const time = () => ({ type: DataTypes.DATE(3), allowNull: false }) as const;
const version = () => ({ type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 }) as const;

/** Declares the tables of the migrations to Sequelize. */
export function defineModels(sequelize: Sequelize): Models {
  return {
    ...visitModels(sequelize),
    ...accountModels(sequelize),
    ...peopleModels(sequelize),
    ...noticeModels(sequelize),
    Household: sequelize.define<HouseholdRow>(
      'Household',
      {
        id: { ...id(), primaryKey: true },
        name: text(80),
        timeZone: text(64),
        schools: { type: DataTypes.TEXT, allowNull: false },
        currency: { type: DataTypes.STRING(3), allowNull: true },
        calendarId: { type: DataTypes.UUID, allowNull: true },
        demo: { type: DataTypes.BOOLEAN, allowNull: false },
        openedAt: { type: DataTypes.DATE(3), allowNull: true },
        createdAt: time(),
        version: version(),
        turn: { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 },
        logNumber: { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 },
        logEpoch: text(36),
        base: { type: DataTypes.UUID, allowNull: true },
        baseNumber: { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 },
        calendarFrom: { type: DataTypes.STRING(120), allowNull: true },
      },
      { tableName: 'households' },
    ),
    Instrument: sequelize.define<InstrumentRow>(
      'Instrument',
      {
        householdId: { ...id(), primaryKey: true },
        id: { ...id(), primaryKey: true },
        name: text(60),
        family: text(16),
        kind: { type: DataTypes.STRING(16), allowNull: true },
        size: { type: DataTypes.STRING(12), allowNull: true },
        stringCount: { type: DataTypes.INTEGER, allowNull: false },
        since: { type: DataTypes.DATEONLY, allowNull: true },
        setUp: { type: DataTypes.TEXT, allowNull: false },
        stringing: { type: DataTypes.TEXT, allowNull: false },
        schools: { type: DataTypes.TEXT, allowNull: false },
        addedAt: time(),
        givenAt: { type: DataTypes.DATE(3), allowNull: true },
        givenTo: { type: DataTypes.STRING(80), allowNull: true },
        version: version(),
      },
      { tableName: 'instruments' },
    ),
    Event: sequelize.define<EventRow>(
      'Event',
      {
        seq: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
        number: { type: DataTypes.BIGINT, allowNull: false },
        householdId: id(),
        id: id(),
        instrumentId: id(),
        type: text(40),
        occurredAt: time(),
        recordedAt: time(),
        receivedAt: time(),
        payload: { type: DataTypes.TEXT, allowNull: false },
      },
      { tableName: 'events' },
    ),
    Place: sequelize.define<PlaceRow>(
      'Place',
      {
        householdId: { ...id(), primaryKey: true },
        id: { ...id(), primaryKey: true },
        name: text(60),
        kind: text(8),
        roomId: { type: DataTypes.UUID, allowNull: true },
        facts: { type: DataTypes.TEXT, allowNull: false },
        addedAt: time(),
        version: version(),
      },
      { tableName: 'places' },
    ),
    Sensor: sequelize.define<SensorRow>(
      'Sensor',
      {
        no: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        householdId: id(),
        id: id(),
        name: text(60),
        kind: text(8),
        placeId: id(),
        stays: { type: DataTypes.TEXT, allowNull: false },
        keyHash: { type: DataTypes.STRING(64), allowNull: true },
        battery: { type: DataTypes.FLOAT, allowNull: true },
        readings: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
        addedAt: time(),
        version: version(),
      },
      { tableName: 'sensors' },
    ),
    SaltCheck: sequelize.define<SaltCheckRow>(
      'SaltCheck',
      {
        householdId: { ...id(), primaryKey: true },
        id: { ...id(), primaryKey: true },
        sensorId: id(),
        at: time(),
        salt: text(20),
        tempC: { type: DataTypes.FLOAT, allowNull: false },
        shownRh: { type: DataTypes.FLOAT, allowNull: false },
      },
      { tableName: 'salt_checks' },
    ),
    Card: sequelize.define<CardRow>(
      'Card',
      {
        householdId: { ...id(), primaryKey: true },
        id: { ...id(), primaryKey: true },
        kind: text(16),
        facts: { type: DataTypes.TEXT, allowNull: false },
        addedAt: time(),
        version: version(),
      },
      { tableName: 'cards' },
    ),
    CalendarItem: sequelize.define<CalendarItemRow>(
      'CalendarItem',
      {
        householdId: { ...id(), primaryKey: true },
        uid: { type: DataTypes.STRING(120), primaryKey: true },
        sequence: { type: DataTypes.INTEGER, allowNull: false },
        stampedAt: time(),
        facts: { type: DataTypes.TEXT, allowNull: false },
        cancelledAt: { type: DataTypes.DATE(3), allowNull: true },
      },
      { tableName: 'calendar_items' },
    ),
    Import: sequelize.define<ImportRow>(
      'Import',
      {
        householdId: { ...id(), primaryKey: true },
        id: { ...id(), primaryKey: true },
        progress: { type: DataTypes.TEXT, allowNull: false },
        cancelled: { type: DataTypes.BOOLEAN, allowNull: false },
        seenAt: time(),
        endedAt: { type: DataTypes.DATE(3), allowNull: true },
      },
      { tableName: 'imports' },
    ),
    Photo: sequelize.define<PhotoRow>(
      'Photo',
      {
        householdId: { ...id(), primaryKey: true },
        instrumentId: { ...id(), primaryKey: true },
        photo: { ...text(64), primaryKey: true },
        blob: id(),
        bytes: { type: DataTypes.INTEGER, allowNull: false },
        width: { type: DataTypes.INTEGER, allowNull: false },
        height: { type: DataTypes.INTEGER, allowNull: false },
        keptAt: time(),
      },
      { tableName: 'photos' },
    ),
    Answer: sequelize.define<AnswerRow>(
      'Answer',
      {
        name: { type: DataTypes.STRING(40), primaryKey: true },
        at: time(),
        data: { type: DataTypes.TEXT('medium'), allowNull: false },
      },
      { tableName: 'answers' },
    ),
  };
}
