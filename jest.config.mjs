import presets from 'jest-preset-angular/presets/index.js';

/** The layers import each other by name, as the TypeScript paths do. */
const layers = {
  '^@ft/core/(.*)$': '<rootDir>/../core/src/$1',
  '^@ft/contract/(.*)$': '<rootDir>/../contract/src/$1',
  '^@ft/demo/(.*)$': '<rootDir>/../demo/src/$1',
};

const swc = [
  '@swc/jest',
  {
    jsc: { target: 'es2022', parser: { syntax: 'typescript' }, keepClassNames: true },
    module: { type: 'commonjs' },
    sourceMaps: 'inline',
  },
];

const nodeProject = (name) => ({
  displayName: name,
  rootDir: name,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/test/**/*.spec.ts'],
  transform: { '^.+\\.ts$': swc },
  moduleNameMapper: layers,
});

const angular = presets.createCjsPreset({ tsconfig: '<rootDir>/tsconfig.spec.json' });

/** @type {import('jest').Config} */
export default {
  maxWorkers: 2,
  // A bound for what hangs, not for what is slow: no test depends on the speed of the machine.
  testTimeout: 180_000,
  globalSetup: '<rootDir>/tools/jestSetup.mjs',
  projects: [
    nodeProject('core'),
    nodeProject('server'),
    {
      ...angular,
      displayName: 'web',
      rootDir: 'web',
      // What has no Angular in it needs no Angular compiler.
      transform: { '/(core|contract|demo)/.+\\.ts$': swc, ...angular.transform },
      setupFiles: ['<rootDir>/test/jsdom-polyfills.cjs'],
      setupFilesAfterEnv: ['<rootDir>/test/setup.ts'],
      testMatch: ['<rootDir>/test/**/*.spec.ts'],
      transformIgnorePatterns: ['node_modules/(?!(.*\\.mjs$|@angular/common/locales/.*\\.js$|@tanstack/))'],
      moduleNameMapper: {
        ...layers,
        '/create-planner-worker$': '<rootDir>/test/create-planner-worker.stub.ts',
        '/create-router-worker$': '<rootDir>/test/create-router-worker.stub.ts',
        '/create-elk$': '<rootDir>/test/create-elk.stub.ts',
        '/create-plotly$': '<rootDir>/test/create-plotly.stub.ts',
      },
    },
  ],
};
