import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { copyFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A demo household of its own, on a free loopback port. */
export class Kitchen {
  url = '';
  private process: ChildProcess | null = null;
  private readonly dir = mkdtempSync(join(tmpdir(), 'velocrustum-'));
  readonly file = join(this.dir, 'demo.db');

  async start(addr = '127.0.0.1:0', ...how: string[]) {
    const server = spawn(
      '../bin/velocrustum',
      [...(how.length > 0 ? how : ['demo']), '--db', this.file, '--addr', addr],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    this.process = server;
    this.url = await new Promise((resolve, reject) => {
      let out = '';
      server.stdout.on('data', (chunk: Buffer) => {
        out += chunk.toString();
        const found = /http:\/\/\S+/.exec(out);
        if (found) resolve(found[0]);
      });
      server.on('exit', (code) => reject(new Error(`the server ended with ${code ?? 'a signal'}`)));
    });
  }

  async stop() {
    const server = this.process;
    if (!server || server.exitCode !== null) return;
    const gone = once(server, 'exit');
    server.kill('SIGTERM');
    await gone;
  }

  /** Stops and starts the server on the same address, as after a power cut. */
  async restart() {
    const addr = new URL(this.url).host;
    await this.stop();
    await this.start(addr);
  }

  async close() {
    await this.stop();
    rmSync(this.dir, { recursive: true, force: true });
  }
}

/** Every test has its own kitchen, and fails on any error the browser sees. */
export const test = base.extend<{ kitchen: Kitchen; errors: string[] }, { filled: string }>({
  // The household is made once for all tests of a worker.
  filled: [
    // eslint-disable-next-line no-empty-pattern -- the fixture's form
    async ({}, lend) => {
      const first = new Kitchen();
      await first.start();
      // Its cooks have taught what they teach before it is copied.
      await expect
        .poll(async () => ((await (await fetch(`${first.url}/api/v1/liked`)).json()) as { ratings: number }).ratings)
        .toBe(10);
      await first.stop();
      await lend(first.file);
      await first.close();
    },
    { scope: 'worker' },
  ],
  kitchen: async ({ context, filled }, lend) => {
    const kitchen = new Kitchen();
    copyFileSync(filled, kitchen.file);
    cpSync(`${filled}.pictures`, `${kitchen.file}.pictures`, { recursive: true });
    await kitchen.start();
    await lend(kitchen);
    // Pages first: one that still asks would see the server go.
    await Promise.all(context.pages().map((p) => p.close()));
    await kitchen.close();
  },
  errors: [
    async ({ page }, lend) => {
      const errors: string[] = [];
      page.on('console', (m) => {
        // A busy server is asked again; the browser notes each time.
        if (m.text().includes('status of 503')) return;
        if (m.text().includes('ERR_INTERNET_DISCONNECTED')) return; // taken away on purpose
        if (m.type() === 'error' || m.text().includes('Content Security Policy')) errors.push(m.text());
      });
      page.on('pageerror', (e) => errors.push(e.message));
      await lend(errors);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** Nothing for axe, of any impact, on what stands on the screen now; what is seen is in what is read. */
export async function accessible(page: Page) {
  const found = await new AxeBuilder({ page })
    .options({
      runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'] },
      rules: {
        'label-content-name-mismatch': { enabled: true },
        // A popover stands beside the page, with a way out for readers before and after it.
        region: { enabled: (await page.getByRole('dialog').count()) === 0 },
      },
    })
    .analyze();
  expect(found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' ')}`)).toEqual([]);
}

const idOf = async (kitchen: Kitchen, path: string, which: (one: { name?: string; eveningId?: string }) => boolean) => {
  const all = (await (await fetch(`${kitchen.url}/api/v1/${path}`)).json()) as { id: string; eveningId?: string }[];
  return all.find(which) ?? { id: '', eveningId: '' };
};

/** Each page of the demo's household, with a dish of one lot and one of several. */
export async function allPages(kitchen: Kitchen): Promise<string[]> {
  const dish = (await idOf(kitchen, 'plans', (p) => p.name?.startsWith('Sumac') ?? false)).id;
  const lots = (await idOf(kitchen, 'plans', (p) => p.name?.startsWith('Drumettes') ?? false)).id;
  const cook = (await idOf(kitchen, 'cooks', () => true)).id;
  const evening = (await idOf(kitchen, 'cooks', (c) => c.eveningId !== undefined)).eveningId;
  return [
    ...['plan', 'bench', 'pan', 'recipe'].map((view) => `/${view}/${dish}`),
    ...['plan', 'bench'].map((view) => `/${view}/${lots}`),
    ...['/supper', '/cook', '/logbook', `/logbook/${cook}`, '/bring', '/pantry', '/fryers', '/household', '/nothing'],
    ...(evening ? [`/logbook/evening/${evening}`] : []),
  ];
}

/** Goes to one of the things that stay. */
export async function stays(page: Page, name: 'Fryers' | 'Pantry' | 'Household') {
  await page.getByRole('link', { name: 'Kitchen' }).click();
  await page.getByRole('navigation', { name: 'Kitchen' }).getByRole('link', { name }).click();
}

/** Nothing sticks out to the side, once what is drawn has taken its width. */
export async function fits(page: Page) {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth))
    .toBeLessThanOrEqual(0);
}

/** Opens the drumsticks with another kind beside them: prawns. */
export async function prawnsBesideDrumsticks(page: Page, kitchen: Kitchen) {
  await page.goto(kitchen.url);
  const link = page.getByRole('link', { name: /^Harissa drumsticks/ });
  await page.goto(`${kitchen.url}${(await link.getAttribute('href')) ?? ''}`);
  await page.getByRole('button', { name: /^5 drumsticks/ }).click();
  await page.getByRole('button', { name: 'Something else beside them' }).click();
  await page.getByRole('button', { name: '1 drumstick', exact: true }).click();
  await page
    .getByRole('listbox', { name: 'Cuts' })
    .getByRole('option', { name: /^prawn/ })
    .first()
    .click();
}

export { expect };

/** Opens what can be chosen behind a phrase of a station's sentence. */
export async function phrase(station: Locator, words: string | RegExp) {
  await station.locator('button[aria-controls]', { hasText: words }).first().click();
}
