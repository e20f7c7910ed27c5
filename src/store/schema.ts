import { blob, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Builds as whole documents; every save keeps the one before in history. */
export const builds = sqliteTable(
  'builds',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    revision: integer('revision').notNull(),
    document: text('document').notNull(),
    demo: text('demo'),
    /** What the list of builds shows, as JSON; null until it is worked out for this revision. */
    summary: text('summary'),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    /** When it was put into the bin; null while it stands on its page. */
    deletedAt: integer('deleted_at'),
  },
  // A page of the list is found without reading a document.
  (t) => [index('builds_by_change').on(t.deletedAt, t.updatedAt)],
);

export const buildHistory = sqliteTable(
  'build_history',
  {
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    /** As it was kept before documents were packed; empty since. */
    document: text('document').notNull(),
    /** The document, deflated. */
    packed: blob('packed', { mode: 'buffer' }),
    /** What the builder calls this moment; such a one is never pruned. */
    name: text('name'),
    savedAt: integer('saved_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.buildId, t.revision] })],
);

/** Photos taken at the steps of the work. */
export const photos = sqliteTable(
  'photos',
  {
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    step: text('step').notNull(),
    takenAt: integer('taken_at').notNull(),
    /** Media type. */
    type: text('type').notNull(),
    picture: blob('picture', { mode: 'buffer' }).notNull(),
    /** When it was taken away; null while it is shown. */
    deletedAt: integer('deleted_at'),
  },
  (t) => [primaryKey({ columns: [t.buildId, t.id] })],
);

/** The builder's own parts; the catalogue itself ships with the app. */
export const parts = sqliteTable('parts', {
  id: text('id').primaryKey(),
  kind: text('kind').notNull(),
  document: text('document').notNull(),
  updatedAt: integer('updated_at').notNull(),
  /** When it was put into the bin; null while it is offered. */
  deletedAt: integer('deleted_at'),
});

/** Numbers of parts the builder took out of use: offered to no build, found in the catalogue still. */
export const retired = sqliteTable('retired', {
  id: text('id').primaryKey(),
  at: integer('at').notNull(),
});

/** Demo builds put in once; one deleted by the user stays deleted. */
export const seeds = sqliteTable('seeds', {
  name: text('name').primaryKey(),
  at: integer('at').notNull(),
});
