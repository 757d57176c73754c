import { createRequire } from 'node:module';
import { join } from 'node:path';

/** The server runs in the project's folder, where its packages are. */
const fileOf = createRequire(join(process.cwd(), 'package.json')).resolve;

/** The product's own type, as files: for headings and figures, for text, and for text that is to be seen first. */
export const FONTS = {
  serif: fileOf('@expo-google-fonts/literata/500Medium/Literata_500Medium.ttf'),
  text: fileOf('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  strong: fileOf('@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf'),
} as const;
export type Face = keyof typeof FONTS;
