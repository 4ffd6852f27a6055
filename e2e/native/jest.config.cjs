module.exports = {
  preset: 'react-native',
  testMatch: ['<rootDir>/renderer.jest.tsx'],
  testPathIgnorePatterns: ['/node_modules/'],
  // A bound for a hang, not a measure of speed: a slow machine fails nothing.
  testTimeout: 900_000,
};
