import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./src/db/schema.ts', './src/db/rounds-schema.ts', './src/db/stock-schema.ts'],
  out: './drizzle',
})
