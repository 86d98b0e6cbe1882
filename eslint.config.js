import js from '@eslint/js'
import { defineConfig, globalIgnores } from 'eslint/config'
import hooks from 'eslint-plugin-react-hooks'
import globals from 'globals'
import ts from 'typescript-eslint'
import { bannedSyntax } from './scripts/lib/words.mjs'

export default defineConfig(
  globalIgnores(['**/dist/', '**/.tsc/', 'coverage/', '.playwright/', '.data/', '.cache/', 'server/drizzle/']),
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  { files: ['**/*.{js,cjs,mjs}'], languageOptions: { globals: globals.node } },
  // Parts of these run inside the page.
  { files: ['benchmarks/**'], languageOptions: { globals: { ...globals.node, ...globals.browser } } },
  { files: ['web/src/**'], ...hooks.configs.flat.recommended },
  // What people read is in plain words of the trade.
  {
    files: ['{contract,server,web,demo}/src/**'],
    ignores: ['**/*.test.{ts,tsx}', '**/*.test-help.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...bannedSyntax] },
  },
  {
    files: ['core/src/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              message: 'core is pure: no interface, server, database or platform code',
              group: ['react', 'react-*', 'antd', 'express', 'drizzle-*', 'pg', 'node:*', '@motor-round/*'],
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'core takes a seeded generator' },
        { object: 'Date', property: 'now', message: 'core takes the time as an argument' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'core has no clock' },
      ],
    },
  },
  {
    files: ['core/src/**'],
    ignores: ['**/*.test.ts', '**/*.test-help.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...bannedSyntax,
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'core has no clock' },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
    },
  },
)
