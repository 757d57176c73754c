const PLUGINS = { production: ['./from-the-file'], test: ['./test/dynamic-imports'] };

module.exports = (api) => ({ presets: ['babel-preset-expo'], plugins: PLUGINS[api.env()] ?? [] });
