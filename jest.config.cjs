const node = (name) => ({
  displayName: name,
  testEnvironment: 'node',
  rootDir: `${__dirname}/${name}`,
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: {
    '\\.[cm]?[jt]sx?$': [
      'babel-jest',
      {
        configFile: false,
        presets: ['@babel/preset-typescript'],
        plugins: ['@babel/plugin-transform-modules-commonjs'],
      },
    ],
  },
  // Packages that ship as modules only.
  transformIgnorePatterns: ['/node_modules/(?!(d3-[a-z]+|internmap|pitchy)/)'],
});

module.exports = {
  projects: [
    node('core'),
    node('contract'),
    node('simulators'),
    {
      ...node('server'),
      globalSetup: '<rootDir>/test/database.mjs',
      globalTeardown: '<rootDir>/test/database-down.mjs',
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      rootDir: `${__dirname}/app`,
      testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
      setupFiles: ['<rootDir>/test/locale.js'],
      transform: { '\\.mjs$': 'babel-jest' },
      moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|react-navigation|@react-navigation|@rneui|lucide-react-native|d3-[a-z]+|internmap|uuid|idb|react-native-svg|standard-navigation)[^/]*/?)',
      ],
    },
  ],
};
