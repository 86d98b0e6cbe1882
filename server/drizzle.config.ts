import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: [
    './src/db/schema.ts',
    './src/db/rounds-schema.ts',
    './src/db/stock-schema.ts',
    './src/db/vfd-schema.ts',
    './src/db/live-schema.ts',
  ],
  out: './drizzle',
})
