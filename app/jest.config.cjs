const { dirname, join } = require('node:path');

const lucide = dirname(dirname(require.resolve('lucide-react-native')));

module.exports = {
  displayName: 'app',
  rootDir: __dirname,
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  setupFiles: ['<rootDir>/jest.setup.ts'],
  setupFilesAfterEnv: ['<rootDir>/jest.patience.ts'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^lucide-react-native/icons/(.*)$': join(lucide, 'cjs/icons/$1.js'),
  },
  transformIgnorePatterns: [],
};
