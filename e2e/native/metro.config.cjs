const { getDefaultConfig } = require('@react-native/metro-config');

// The packages are in this folder, and Metro looks nowhere else.
module.exports = getDefaultConfig(__dirname);
