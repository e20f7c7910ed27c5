import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Builds as whole documents; every save keeps the one before in history. */
export const builds = sqliteTable('builds', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  revision: integer('revision').notNull(),
  document: text('document').notNull(),
  demo: text('demo'),
  /** What the list of builds shows, as JSON; null until it is worked out for this revision. */
  summary: text('summary'),
  createdAt: integer('created_at').notNull(),
  updatedAt: integer('updated_at').notNull(),
});

export const buildHistory = sqliteTable(
  'build_history',
  {
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    document: text('document').notNull(),
    savedAt: integer('saved_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.buildId, t.revision] })],
);

/** The builder's own parts; the catalogue itself ships with the app. */
export const parts = sqliteTable('parts', {
  id: text('id').primaryKey(),
  kind: text('kind').notNull(),
  document: text('document').notNull(),
  updatedAt: integer('updated_at').notNull(),
});

/** Numbers of parts the builder took out of use: offered to no build, found in the Stores still. */
export const retired = sqliteTable('retired', {
  id: text('id').primaryKey(),
  at: integer('at').notNull(),
});

/** Demo builds put in once; one deleted by the user stays deleted. */
export const seeds = sqliteTable('seeds', {
  name: text('name').primaryKey(),
  at: integer('at').notNull(),
});
