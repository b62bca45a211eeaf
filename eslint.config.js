import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      'node_modules',
      'bin',
      'web/dist',
      'web/src/core/generated',
      'web/src/core/types.gen.ts',
      'e2e/results',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  hooks.configs.flat['recommended-latest'],
  {
    languageOptions: { globals: { console: 'readonly', process: 'readonly' } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      'no-irregular-whitespace': 'error',
      'max-len': ['error', { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true }],
    },
  },
  // Playwright hands fixtures to a function called use, which is no hook.
  { files: ['e2e/**'], rules: { 'react-hooks/rules-of-hooks': 'off' } },
  // A field that is filled by the program may be one that no one can type into.
  {
    files: ['e2e/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='fill'][arguments.length=1]",
          message: 'Type as a person does: write() or typeThere() of teacher.ts.',
        },
      ],
    },
  },
  {
    files: ['web/src/**'],
    // A sheet is printed by a page of its own.
    ignores: ['web/src/shell/opened.tsx', 'web/src/paper/**'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          name: 'antd',
          importNames: ['Dropdown', 'InputNumber', 'Modal', 'Popover', 'Select', 'Tooltip'],
          message: 'What opens is no part of the first load: take it from shell/later.',
          allowTypeImports: true,
        },
      ],
    },
  },
  {
    files: ['web/public/*.js'],
    languageOptions: { globals: { document: 'readonly', WebAssembly: 'readonly', fetch: 'readonly' } },
  },
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: {
        URL: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
        performance: 'readonly',
        document: 'readonly',
        requestAnimationFrame: 'readonly',
        window: 'readonly',
      },
    },
  },
);
