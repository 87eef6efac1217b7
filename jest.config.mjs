const shared = {
  /** @type {Record<string, unknown>} */
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^server-only$': '<rootDir>/tests/support/no-styles.cjs',
    '\\.module\\.css$': '<rootDir>/tests/support/no-styles.cjs',
  },
  // Packages that ship modules only; the rest of node_modules is left as it is.
  transformIgnorePatterns: [
    'node_modules/(?!(d3-.*|internmap|uuid|valibot|temporal-polyfill|temporal-utils|idb|htmlparser2|domhandler|domutils|domelementtype|entities|dom-serializer)/)',
  ],
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.hush-pail/'],
};
shared.transform['^.+/node_modules/.+\\.m?js$'] = shared.transform['^.+\\.tsx?$'];
shared.transform['^.+/scripts/.+\\.mjs$'] = shared.transform['^.+\\.tsx?$'];

const config = {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testEnvironment: 'node',
      testMatch: [
        '<rootDir>/src/{core,drawing,shell,workers}/**/*.test.ts',
        '<rootDir>/tests/unit/**/*.test.ts',
      ],
    },
    {
      ...shared,
      displayName: 'database',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/src/{data,server}/**/*.test.ts', '<rootDir>/tests/database/**/*.test.ts'],
    },
  ],
};

export default config;
