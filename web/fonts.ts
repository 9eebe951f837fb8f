import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import subsetFont from 'subset-font';
import type { Plugin } from 'vite';

const { resolve } = createRequire(import.meta.url);
const FOLDER = new URL('node_modules/.fonts/', import.meta.url);

// What the interface itself says, and what its figures are made of. A name
// that a cook types with other letters fetches the rest of the font.
const SAID =
  Array.from({ length: 95 }, (_, k) => String.fromCharCode(32 + k)).join('') + '\u00a0°²³±·×–—‘’“”…−½¼¾⅓⅔⅛⅜⅝⅞⅕⁄';

interface Font {
  family: string;
  from: string;
  /** What of its axes is used. */
  axes: Record<string, number | { min: number; max: number }>;
  /** As the whole font says it, so that both are one to the browser. */
  described: string;
}

const FONTS: Font[] = [
  {
    family: 'Bricolage Grotesque Variable',
    from: '@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wdth-normal.woff2',
    axes: { wght: 700, wdth: { min: 82, max: 100 } },
    described: 'font-weight: 200 800; font-stretch: 75% 100%',
  },
  {
    family: 'Instrument Sans Variable',
    from: '@fontsource-variable/instrument-sans/files/instrument-sans-latin-wght-normal.woff2',
    axes: { wght: { min: 400, max: 700 } },
    described: 'font-weight: 400 700',
  },
];

/** Cuts the fonts down to what nearly every page says, with a sheet that puts them before the whole ones. */
export function cutFonts(): Plugin {
  return {
    name: 'cut-fonts',
    async buildStart() {
      mkdirSync(FOLDER, { recursive: true });
      const recipe = new URL('recipe.json', FOLDER);
      const asked = JSON.stringify([FONTS, SAID]);
      if (existsSync(recipe) && readFileSync(recipe, 'utf8') === asked) return;
      const range = Array.from(SAID, (c) => `U+${c.codePointAt(0)?.toString(16) ?? ''}`).join(',');
      let sheet = '';
      for (const { family, from, axes, described } of FONTS) {
        const name = `${family.split(' ')[0]?.toLowerCase() ?? ''}.woff2`;
        writeFileSync(
          new URL(name, FOLDER),
          await subsetFont(readFileSync(resolve(from)), SAID, { targetFormat: 'woff2', variationAxes: axes }),
        );
        sheet += `@font-face { font-family: '${family}'; font-style: normal; font-display: swap; ${described}; src: url(./${name}) format('woff2-variations'); unicode-range: ${range}; }\n`;
      }
      writeFileSync(new URL('fonts.css', FOLDER), sheet);
      writeFileSync(recipe, asked);
    },
  };
}
