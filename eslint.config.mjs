import nextVitals from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '.next/',
      '.hush-pail/',
      'node_modules/',
      'next-env.d.ts',
      'test-results/',
      'playwright-report/',
    ],
  },
  ...nextVitals,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-confusing-void-expression': 'off',
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // Whatever is tapped or typed into is a part of the kit, in our look; drawings are touched as they are.
    files: ['src/**/*.tsx'],
    ignores: ['src/drawing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'JSXOpeningElement[name.name=/^(button|input|select|textarea|dialog|table|fieldset)$/]',
          message: 'Take the kit’s (Button, TextInput, NativeSelect, Modal, Table …).',
        },
      ],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx', 'scripts/**/*.ts'],
    ignores: ['**/*.test.ts', 'src/data/migrations/**'],
    rules: {
      complexity: ['error', 12],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // A screen's markup is long where its logic is not.
    files: ['src/**/*.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Take a RandomStream as an argument.' },
        { object: 'Date', property: 'now', message: 'Take the time as an argument.' },
      ],
    },
  },
);
