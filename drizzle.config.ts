import type { Config } from 'drizzle-kit';

export default {
  dialect: 'turso',
  schema: './src/store/schema.ts',
  out: './drizzle',
} satisfies Config;
