import globals from 'globals';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const SCRIPTS = ['**/*.{js,mjs,cjs}'];
/** Literal tables of data: rows are compared down the columns, so they may be as wide as a row. */
const TABLES = ['**/*.table.ts'];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.kettle/**', 'e2e/results/**', 'docs/api/**'] },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/consistent-type-imports': 'off',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'error',
      'no-nested-ternary': 'error',
    },
  },
  {
    // The formatter decides how code is laid out.
    ignores: TABLES,
    rules: {
      'no-warning-comments': ['error', { terms: ['prettier-ignore'], location: 'anywhere' }],
      'max-len': [
        'error',
        {
          code: 140,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
        },
      ],
    },
  },
  {
    files: SCRIPTS,
    ...tseslint.configs.disableTypeChecked,
    languageOptions: {
      ...tseslint.configs.disableTypeChecked.languageOptions,
      globals: globals.node,
    },
    rules: {
      ...tseslint.configs.disableTypeChecked.rules,
      '@typescript-eslint/switch-exhaustiveness-check': 'off',
      '@typescript-eslint/no-require-imports': 'off',
      'no-console': 'off',
      'no-undef': 'error',
    },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    // Those that need no run of the compiler, which this project does not use: it would be an
    // eighth of the whole stage.
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    // Time comes from one port on each side, so that a test can hold it.
    files: ['apps/{web,server}/src/**/*.{ts,tsx}'],
    ignores: [
      '**/*.test.{ts,tsx}',
      'apps/web/src/data/clock.ts',
      'apps/server/src/{clock,database,testing}/**',
    ],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "CallExpression[callee.object.name='Date'][callee.property.name='now'], NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'take the time from the clock (web: data/clock, server: Clock)',
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
    },
  },
);
