import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Plugin } from 'vite';

/** Puts a compressed twin beside each file that shrinks, so that the server need not make it for every visitor. */
export function shrink(): Plugin {
  return {
    name: 'shrink',
    apply: 'build',
    writeBundle({ dir }) {
      const folder = `${dir ?? 'dist'}/assets`;
      for (const name of readdirSync(folder)) {
        if (!/\.(js|css)$/.test(name)) continue;
        const whole = readFileSync(`${folder}/${name}`);
        writeFileSync(`${folder}/${name}.gz`, gzipSync(whole, { level: 9 }));
      }
    },
  };
}
