import { sql } from 'drizzle-orm';
import {
  bigint,
  customType,
  boolean,
  datetime,
  double,
  int,
  longtext,
  mysqlEnum,
  mysqlTable,
  text,
  tinyint,
  varchar,
} from 'drizzle-orm/mysql-core';
import { ROLES } from '@/core/people';

// The tables as the queries see them. Keys, checks and triggers live in the migrations; a test compares the two.

const id = () => int('id', { unsigned: true }).autoincrement().primaryKey();
const ref = (name: string) => int(name, { unsigned: true });
const instant = (name: string) => datetime(name, { mode: 'date', fsp: 3 });
/** Who was signed in; null where a name was typed before there were accounts. */
const personId = () => varchar('person_id', { length: 36 });
const version = () => int('version', { unsigned: true }).notNull().default(1);

export const catalogueImport = mysqlTable('catalogue_import', {
  id: id(),
  name: varchar('name', { length: 80 }).notNull(),
  hash: varchar('hash', { length: 64 }).notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  importedAt: instant('imported_at').notNull(),
  person: personId(),
});

export const familyRevision = mysqlTable('family_revision', {
  id: id(),
  importId: ref('import_id').notNull(),
  code: varchar('code', { length: 10 }).notNull(),
  revision: varchar('revision', { length: 20 }).notNull(),
  hash: varchar('hash', { length: 64 }).notNull(),
  planOnly: tinyint('plan_only').notNull(),
  body: longtext('body').notNull(),
});

export const partRevision = mysqlTable('part_revision', {
  id: id(),
  importId: ref('import_id').notNull(),
  kind: mysqlEnum('kind', [
    'adaptor',
    'accessory',
    'compound',
    'frameSheet',
    'plugSheet',
    'sleeveSheet',
    'wrapSheet',
  ]).notNull(),
  partNumber: varchar('part_number', { length: 60 }).notNull(),
  hash: varchar('hash', { length: 64 }).notNull(),
  body: longtext('body').notNull(),
});

export const job = mysqlTable('job', {
  id: id(),
  slug: varchar('slug', { length: 40 }).notNull(),
  name: varchar('name', { length: 120 }).notNull(),
  unit: mysqlEnum('unit', ['mm', 'in']).notNull(),
  secondPerson: tinyint('second_person').notNull(),
  profile: longtext('profile').notNull(),
  place: varchar('place', { length: 120 }).notNull().default(''),
  /** Codes as JSON; null for all that are in the catalogue. */
  families: longtext('families'),
  archivedAt: instant('archived_at'),
  version: version(),
});

export const cableType = mysqlTable('cable_type', {
  id: id(),
  jobId: ref('job_id').notNull(),
  code: varchar('code', { length: 40 }).notNull(),
  facts: longtext('facts').notNull(),
  retiredAt: instant('retired_at'),
  version: version(),
});

export const enclosure = mysqlTable('enclosure', {
  id: id(),
  jobId: ref('job_id').notNull(),
  tag: varchar('tag', { length: 40 }).notNull(),
  area: varchar('area', { length: 80 }).notNull(),
  facts: longtext('facts').notNull(),
  retiredAt: instant('retired_at'),
  version: version(),
});

export const entry = mysqlTable('entry', {
  id: id(),
  enclosureId: ref('enclosure_id').notNull(),
  label: varchar('label', { length: 20 }).notNull(),
  facts: longtext('facts').notNull(),
  retiredAt: instant('retired_at'),
  version: version(),
});

export const cable = mysqlTable('cable', {
  id: id(),
  jobId: ref('job_id').notNull(),
  tag: varchar('tag', { length: 40 }).notNull(),
  typeId: ref('type_id').notNull(),
  routeMm: double('route_mm'),
  note: varchar('note', { length: 200 }).notNull().default(''),
  retiredAt: instant('retired_at'),
  version: version(),
});

export const termination = mysqlTable('termination', {
  id: id(),
  cableId: ref('cable_id').notNull(),
  end: mysqlEnum('cable_end', ['A', 'B']).notNull(),
  entryId: ref('entry_id'),
  tailMm: double('tail_mm'),
  spareMm: double('spare_mm').notNull().default(0),
  sizeLocked: tinyint('size_locked').notNull().default(0),
  compound: varchar('compound', { length: 60 }),
  terminals: longtext('terminals'),
  pins: longtext('pins'),
  version: version(),
});

export const reading = mysqlTable('reading', {
  id: id(),
  cableId: ref('cable_id').notNull(),
  end: mysqlEnum('cable_end', ['A', 'B']),
  quantity: varchar('quantity', { length: 20 }).notNull(),
  method: varchar('method', { length: 20 }).notNull(),
  text: varchar('text', { length: 40 }).notNull(),
  unit: mysqlEnum('unit', ['mm', 'in']).notNull(),
  tolerance: varchar('tolerance', { length: 40 }),
  instrument: varchar('instrument', { length: 60 }),
  person: varchar('person', { length: 60 }),
  takenAt: varchar('taken_at', { length: 40 }),
  angleDeg: double('angle_deg'),
  withdrawnAt: instant('withdrawn_at'),
  clientId: varchar('client_id', { length: 36 }),
  personId: personId(),
});

export const plan = mysqlTable('plan', {
  id: id(),
  terminationId: ref('termination_id').notNull(),
  familyRevisionId: ref('family_revision_id').notNull(),
  size: varchar('size', { length: 30 }).notNull(),
  planHash: varchar('plan_hash', { length: 64 }).notNull(),
  inputHash: varchar('input_hash', { length: 64 }).notNull(),
  provisional: tinyint('provisional').notNull(),
  body: longtext('body').notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  person: personId(),
  madeAt: instant('made_at').notNull(),
  supersededAt: instant('superseded_at'),
  /** Worked out by the database from the body: does the plan fill a chamber? */
  sealed: tinyint('sealed').generatedAlwaysAs(sql`(JSON_VALUE(body, '$.seal.product') IS NOT NULL)`, {
    mode: 'stored',
  }),
});

const subjectKind = () => mysqlEnum('subject_kind', ['termination', 'crossing']).notNull();

export const recordEvent = mysqlTable('record_event', {
  id: varchar('id', { length: 36 }).primaryKey(),
  version: tinyint('version').notNull(),
  jobId: ref('job_id').notNull(),
  subjectKind: subjectKind(),
  subjectId: ref('subject_id').notNull(),
  subject: varchar('subject', { length: 60 }).notNull(),
  seq: int('seq', { unsigned: true }).notNull(),
  stepId: varchar('step_id', { length: 60 }).notNull(),
  kind: varchar('kind', { length: 20 }).notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  person: personId(),
  at: varchar('at', { length: 30 }).notNull(),
  receivedAt: instant('received_at').notNull(),
  body: longtext('body').notNull(),
  planHash: varchar('plan_hash', { length: 64 }).notNull(),
  prevHash: varchar('prev_hash', { length: 64 }).notNull(),
  contact: varchar('contact', { length: 30 }),
  aheadMs: int('ahead_ms'),
  byMark: varchar('by_mark', { length: 64 }),
  underMark: varchar('under_mark', { length: 64 }),
  hash: varchar('hash', { length: 64 }).notNull(),
});

/** Names that events hold by their marks. `person` is empty where nobody was signed in; name and salt are null once forgotten. */
export const nameSeal = mysqlTable('name_seal', {
  mark: varchar('mark', { length: 64 }).primaryKey(),
  person: varchar('person', { length: 36 }).notNull(),
  name: varchar('name', { length: 60 }),
  salt: varchar('salt', { length: 64 }),
});

/** People whose names were taken out, when, and how many events are theirs. */
export const forgotten = mysqlTable('forgotten', {
  person: varchar('person', { length: 36 }).primaryKey(),
  at: instant('at').notNull(),
  events: int('events', { unsigned: true }).notNull(),
});

const bytesOf = customType<{ data: Uint8Array; driverData: Buffer }>({
  dataType: () => 'mediumblob',
  toDriver: (bytes) => Buffer.from(bytes),
});

/** Photos of what was looked at, by the hash that events name them by: never changed, never taken out. */
export const photo = mysqlTable('photo', {
  jobId: ref('job_id').notNull(),
  hash: varchar('hash', { length: 64 }).notNull(),
  bytes: bytesOf('bytes').notNull(),
  width: int('width', { unsigned: true }).notNull(),
  height: int('height', { unsigned: true }).notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  person: personId(),
  at: instant('at').notNull(),
});

export const recordReceipt = mysqlTable('record_receipt', {
  jobId: ref('job_id').notNull(),
  number: int('number', { unsigned: true }).notNull(),
  job: varchar('job', { length: 40 }).notNull(),
  subjectKind: subjectKind(),
  subjectId: ref('subject_id').notNull(),
  subject: varchar('subject', { length: 60 }).notNull(),
  seq: int('seq', { unsigned: true }).notNull(),
  eventHash: varchar('event_hash', { length: 64 }).notNull(),
  prevHead: varchar('prev_head', { length: 64 }).notNull(),
  head: varchar('head', { length: 64 }).notNull(),
  signature: varchar('signature', { length: 120 }).notNull(),
  keyId: varchar('key_id', { length: 16 }).notNull(),
  madeAt: instant('made_at').notNull(),
});

export const stationSummary = mysqlTable('station_summary', {
  terminationId: int('termination_id', { unsigned: true }).primaryKey(),
  arcs: varchar('arcs', { length: 20 }).notNull(),
  nextStation: varchar('next_station', { length: 20 }),
  nextAction: varchar('next_action', { length: 200 }),
  blockedBy: varchar('blocked_by', { length: 500 }),
  size: varchar('size', { length: 30 }),
});

export const edit = mysqlTable('edit', {
  id: id(),
  jobId: ref('job_id').notNull(),
  label: varchar('label', { length: 200 }).notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  person: personId(),
  at: instant('at').notNull(),
  changes: longtext('changes').notNull(),
  undoneAt: instant('undone_at'),
});

export const crossing = mysqlTable('crossing', {
  id: id(),
  jobId: ref('job_id').notNull(),
  name: varchar('name', { length: 40 }).notNull(),
  setup: longtext('setup').notNull(),
  version: version(),
});

export const crossingPlan = mysqlTable('crossing_plan', {
  id: id(),
  crossingId: ref('crossing_id').notNull(),
  kind: mysqlEnum('kind', ['planned', 'asBuilt']).notNull(),
  planHash: varchar('plan_hash', { length: 64 }).notNull(),
  requestHash: varchar('request_hash', { length: 64 }).notNull(),
  crossingKind: varchar('crossing_kind', { length: 12 }).notNull().default('frames'),
  note: varchar('note', { length: 200 }).notNull().default(''),
  request: longtext('request').notNull(),
  body: longtext('body').notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  person: personId(),
  madeAt: instant('made_at').notNull(),
  version: tinyint('version').notNull().default(1),
});

export const sentCommand = mysqlTable('sent_command', {
  number: bigint('number', { mode: 'number', unsigned: true }).autoincrement().primaryKey(),
  id: varchar('id', { length: 36 }).notNull(),
  operation: varchar('operation', { length: 40 }).notNull(),
  saidHash: varchar('said_hash', { length: 64 }).notNull(),
  answer: longtext('answer').notNull(),
  at: instant('at').notNull(),
  job: varchar('job', { length: 80 }),
  request: varchar('request', { length: 64 }),
});

/** Processes of the application, each as it last said itself to be. */
export const serverProcess = mysqlTable('server_process', {
  id: varchar('id', { length: 36 }).primaryKey(),
  host: varchar('host', { length: 80 }).notNull(),
  pid: int('pid').notNull(),
  version: varchar('version', { length: 40 }).notNull(),
  build: varchar('build', { length: 40 }).notNull(),
  startedAt: instant('started_at').notNull(),
  seenAt: instant('seen_at').notNull(),
  figures: longtext('figures').notNull(),
});

/** Places for heavy work, held by whoever does it until then. */
export const heavyPlace = mysqlTable('heavy_place', {
  place: tinyint('place', { unsigned: true }).primaryKey(),
  holder: varchar('holder', { length: 36 }).notNull(),
  person: varchar('person_id', { length: 36 }).notNull(),
  until: instant('until').notNull(),
});

export const backup = mysqlTable('backup', {
  id: id(),
  node: varchar('node', { length: 80 }).notNull(),
  place: varchar('place', { length: 400 }).notNull(),
  bytes: bigint('bytes', { mode: 'number', unsigned: true }).notNull(),
  beganAt: instant('began_at').notNull(),
  endedAt: instant('ended_at').notNull(),
});

// The four tables of the accounts library are called and shaped as it wants them; `accounts.ts` hands them to it.

export const person = mysqlTable('person', {
  id: varchar('id', { length: 36 }).primaryKey(),
  name: varchar('name', { length: 60 }).notNull(),
  email: varchar('email', { length: 120 }).notNull(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  username: varchar('username', { length: 40 }),
  displayUsername: varchar('display_username', { length: 40 }),
  administrator: boolean('administrator').notNull().default(false),
  blockedAt: instant('blocked_at'),
  createdAt: instant('created_at').notNull(),
  updatedAt: instant('updated_at').notNull(),
});

export const personSession = mysqlTable('person_session', {
  id: varchar('id', { length: 36 }).primaryKey(),
  token: varchar('token', { length: 64 }).notNull(),
  userId: varchar('person_id', { length: 36 }).notNull(),
  expiresAt: instant('expires_at').notNull(),
  ipAddress: varchar('ip_address', { length: 60 }),
  userAgent: varchar('user_agent', { length: 400 }),
  createdAt: instant('created_at').notNull(),
  updatedAt: instant('updated_at').notNull(),
});

export const personAccount = mysqlTable('person_account', {
  id: varchar('id', { length: 36 }).primaryKey(),
  userId: varchar('person_id', { length: 36 }).notNull(),
  accountId: varchar('account_id', { length: 60 }).notNull(),
  providerId: varchar('provider_id', { length: 40 }).notNull(),
  accessToken: text('access_token'),
  refreshToken: text('refresh_token'),
  idToken: text('id_token'),
  accessTokenExpiresAt: instant('access_token_expires_at'),
  refreshTokenExpiresAt: instant('refresh_token_expires_at'),
  scope: text('scope'),
  password: varchar('password', { length: 255 }),
  createdAt: instant('created_at').notNull(),
  updatedAt: instant('updated_at').notNull(),
});

export const personVerification = mysqlTable('person_verification', {
  id: varchar('id', { length: 36 }).primaryKey(),
  identifier: varchar('identifier', { length: 255 }).notNull(),
  value: text('value').notNull(),
  expiresAt: instant('expires_at').notNull(),
  createdAt: instant('created_at').notNull(),
  updatedAt: instant('updated_at').notNull(),
});

export const personPin = mysqlTable('person_pin', {
  personId: varchar('person_id', { length: 36 }).primaryKey(),
  hash: varchar('hash', { length: 255 }).notNull(),
  failures: tinyint('failures').notNull().default(0),
  setAt: instant('set_at').notNull(),
});

export const supervision = mysqlTable('supervision', {
  id: id(),
  jobId: ref('job_id').notNull(),
  apprenticeId: varchar('apprentice_id', { length: 36 }).notNull(),
  supervisorId: varchar('supervisor_id', { length: 36 }).notNull(),
  since: instant('since').notNull(),
  until: instant('until').notNull(),
});

export const membership = mysqlTable('membership', {
  personId: varchar('person_id', { length: 36 }).notNull(),
  jobId: ref('job_id').notNull(),
  role: mysqlEnum('role', ROLES).notNull(),
  givenBy: varchar('given_by', { length: 36 }),
  givenAt: instant('given_at').notNull(),
  endedAt: instant('ended_at'),
});

export const invitation = mysqlTable('invitation', {
  id: id(),
  tokenHash: varchar('token_hash', { length: 64 }).notNull(),
  name: varchar('name', { length: 60 }).notNull(),
  /** Set when it only lets that person choose another password. */
  forPerson: varchar('for_person', { length: 36 }),
  jobId: ref('job_id'),
  roles: varchar('roles', { length: 120 }).notNull(),
  administrator: boolean('administrator').notNull().default(false),
  invitedBy: varchar('invited_by', { length: 36 }).notNull(),
  madeAt: instant('made_at').notNull(),
  expiresAt: instant('expires_at').notNull(),
  usedBy: varchar('used_by', { length: 36 }),
  usedAt: instant('used_at'),
  withdrawnAt: instant('withdrawn_at'),
});

export const firstRun = mysqlTable('first_run', {
  id: tinyint('id').primaryKey(),
  codeHash: varchar('code_hash', { length: 64 }).notNull(),
  madeAt: instant('made_at').notNull(),
  usedAt: instant('used_at'),
});

/** How a list with these headings was mapped the last time. */
export const instrument = mysqlTable('instrument', {
  id: id(),
  jobId: ref('job_id').notNull(),
  code: varchar('code', { length: 60 }).notNull(),
  facts: longtext('facts').notNull(),
  retiredAt: instant('retired_at'),
  version: version(),
});
export const instrumentCheck = mysqlTable('instrument_check', {
  id: id(),
  instrumentId: ref('instrument_id').notNull(),
  facts: longtext('facts').notNull(),
  actor: varchar('actor', { length: 60 }).notNull(),
  person: personId(),
  at: instant('at').notNull(),
});

export const sheetMapping = mysqlTable('sheet_mapping', {
  jobId: ref('job_id').notNull(),
  headings: varchar('headings', { length: 64 }).notNull(),
  mapping: longtext('mapping').notNull(),
});
