declare module '*/from-the-file' {
  import type { PluginItem } from '@babel/core';

  const fromTheFile: PluginItem & {
    mark: () => string;
    usedOfSchemas: () => string[];
    PICKED: Readonly<Record<string, string>>;
  };
  export default fromTheFile;
}
