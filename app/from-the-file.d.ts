import type { PluginItem } from '@babel/core';

declare const fromTheFile: PluginItem & { mark: () => string; PICKED: Readonly<Record<string, string>> };
export default fromTheFile;
