const { projects } = require('./jest.config.cjs');

/** The core's tests for mutation runs: those of one folder and of the parts that stand on it, without the long simulations. */
const core = projects.find(({ displayName }) => displayName === 'core');
const folder = process.env.MUTATED ?? '*';
module.exports = {
  ...core,
  testMatch: [`<rootDir>/src/${folder}/**/*.test.ts`, '<rootDir>/src/parts/*.test.ts'],
  testPathIgnorePatterns: ['\\.sim\\.test\\.ts$'],
};
