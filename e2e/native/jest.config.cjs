module.exports = {
  preset: 'react-native',
  testMatch: ['<rootDir>/renderer.jest.tsx'],
  testPathIgnorePatterns: ['/node_modules/'],
};
