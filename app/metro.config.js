const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = withNativeWind(getDefaultConfig(__dirname), { input: './global.css' });
const resolve = config.resolver.resolveRequest;

// Zod carries its messages in some fifty languages; ours are written in the schemas.
config.resolver.resolveRequest = (context, name, platform) => {
  if (/\/locales\/index\.c?js$/.test(name) && /[\\/]node_modules[\\/]zod[\\/]/.test(context.originModulePath))
    return { type: 'empty' };
  // Its two entries share what is registered only as modules of the same kind.
  if (name.startsWith('@use-gesture/') || /[\\/]node_modules[\\/]@use-gesture[\\/]/.test(context.originModulePath))
    context = { ...context, unstable_conditionNames: ['module', ...context.unstable_conditionNames] };
  return (resolve ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
