import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';
import type { DateTime } from 'luxon';
import { speakOtherLanguage } from './otherLanguage.ts';

const root = path.resolve(import.meta.dirname, '..');
const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** The built server over a data folder of its own. */
export class YardProcess {
  readonly folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-e2e-'));
  readonly #demo: boolean;
  #child: ChildProcess | undefined;
  address = '';

  constructor(demo: boolean) {
    this.#demo = demo;
  }

  async launch(port = 0): Promise<string> {
    const args = [
      '--data',
      path.join(this.folder, 'data'),
      '--port',
      String(port),
      '--quiet',
      '--plan-seconds',
      '0.3',
    ];
    const child = spawn(
      process.execPath,
      [path.join(root, 'dist/server/main.js'), ...args, ...(this.#demo ? ['--demo'] : [])],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    this.#child = child;
    this.address = await new Promise<string>((resolve, reject) => {
      let output = '';
      child.stdout?.on('data', (chunk: Buffer) => {
        output += chunk.toString();
        const found = /at (http:\S+)/.exec(output)?.[1];
        if (found) resolve(found);
      });
      child.on('exit', () => reject(new Error(`the server ended early: ${output}`)));
    });
    return this.address;
  }

  async kill(signal: 'SIGKILL' | 'SIGTERM' = 'SIGKILL'): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  }

  async end(): Promise<void> {
    await this.kill('SIGTERM');
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Puts a yard where it is ten in the morning by the sun: whatever the hour of the run, it is light enough to paint. */
async function inTheMorning(address: string): Promise<void> {
  const now = new Date();
  const longitude = (((10 - now.getUTCHours() - now.getUTCMinutes() / 60) * 15 + 540) % 360) - 180;
  const yard = (await (await fetch(`${address}/api/v1/yard`)).json()) as Record<string, unknown>;
  const { name, zone, latitude, version } = yard;
  const reply = await fetch(`${address}/api/v1/yard`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', ...BY_HAND },
    body: JSON.stringify({ name, zone, latitude, longitude, version }),
  });
  expect(reply.status).toBe(200);
}

/** Longest time in milliseconds that a page’s request is held back (`npm run soak -- late`). */
const LATE = Number(process.env.LATE_ANSWERS ?? 0);

/** Tests on a demo yard, and tests on an empty one; each file has its own. Pages fail on any console error. */
function yardTest(demo: boolean) {
  return base.extend<{ strictPage: undefined }, { yard: YardProcess }>({
    yard: [
      // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the parameters
      async ({}, use) => {
        const yard = new YardProcess(demo);
        await yard.launch();
        if (!demo) await inTheMorning(yard.address);
        await use(yard);
        await yard.end();
      },
      { scope: 'worker', timeout: 300_000 },
    ],
    baseURL: async ({ yard }, use) => {
      await use(yard.address);
    },
    strictPage: [
      async ({ page }, use) => {
        const errors: string[] = [];
        page.on('pageerror', (error) => errors.push(error.message));
        page.on('console', (message) => {
          const refused = /Content Security Policy|Uncaught/.test(message.text());
          if (message.type() === 'error' && refused) errors.push(message.text());
        });
        if (LATE)
          await page.route('**/api/**', async (route) => {
            await new Promise((resolve) => setTimeout(resolve, LATE * (0.5 + Math.random() / 2)));
            await route.continue().catch(() => {}); // the page has gone meanwhile
          });
        await use(undefined);
        expect(errors).toEqual([]);
      },
      { auto: true },
    ],
  });
}

/** Every text within a body of JSON, but for its keys. */
function textsIn(body: unknown): string[] {
  if (typeof body === 'string') return [body];
  return typeof body === 'object' && body !== null ? Object.values(body).flatMap(textsIn) : [];
}

export const demoTest = yardTest(true);
export const planTest = yardTest(true);
/** These only look, and so share a page: what is loaded once is not loaded again. */
export const accessibleTest = yardTest(true).extend<
  object,
  { looking: Page; foreign: { page: Page; received: string[]; errors: string[] } }
>({
  /** A page in a language of its own, every text it received as data, and what went wrong on it. */
  foreign: [
    async ({ browser, yard }, use) => {
      const context = await browser.newContext({ baseURL: yard.address });
      const page = await context.newPage();
      const received: string[] = [];
      const errors: string[] = [];
      page.on('pageerror', ({ message }) => errors.push(message));
      page.on('console', (said) => {
        if (/Error/.test(said.text())) errors.push(said.text());
      });
      page.on('response', (response) => {
        if (response.headers()['content-type']?.includes('json'))
          response.json().then(
            (body) => received.push(...textsIn(body)),
            () => {},
          ); // the page has gone on
      });
      await speakOtherLanguage(page);
      await use({ page, received, errors });
      await context.close();
    },
    { scope: 'worker' },
  ],
  looking: [
    async ({ browser, yard }, use) => {
      const context = await browser.newContext({ baseURL: yard.address });
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ looking }, use) => {
    await use(looking);
  },
});
export const emptyTest = yardTest(false);
/** Another empty yard: files that share a test share its server. */
export const surveyTest = yardTest(false);
export const systemsTest = yardTest(true);
export const stacksTest = yardTest(true);
export const materialsTest = yardTest(true);
export const firstHourTest = yardTest(false);
export const groundTest = yardTest(true);
export const benchTest = yardTest(true);

/** A request beside the page: a browser that writes says from where, here that nobody's page asked. */
export const BY_HAND = { 'sec-fetch-site': 'none' };

interface AxeResult {
  violations: { id: string; help: string; nodes: { target: string[]; failureSummary: string }[] }[];
}

/** No violation of WCAG 2.2 A and AA that axe-core can find, and nothing that scrolls sideways. */
export async function expectAccessible(page: Page): Promise<void> {
  await page.evaluate(axeSource);
  // Wherever the page was scrolled to, its header lies over something.
  await page.evaluate(() => window.scrollTo(0, 0));
  const result = (await page.evaluate(
    'axe.run({ runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"], resultTypes: ["violations"] })',
  )) as AxeResult;
  const found = result.violations.map(
    (v) => `${v.id}: ${v.help}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`,
  );
  expect(found).toEqual([]);
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(overflow).toBeLessThanOrEqual(0);
}

/** Goes to another page as a link does: loading the whole application again would take longer than the page. */
export async function goWithin(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await page.waitForURL(`**${path}`);
}

/** Types a date and time part by part, as a hand does. */
export async function typeTime(page: Page, label: string, time: DateTime): Promise<void> {
  const field = page.getByRole('group', { name: label });
  await field.getByRole('spinbutton').first().focus();
  await page.keyboard.type(time.toFormat('ddMMyyyyHHmm'));
  await expect(field.getByRole('spinbutton', { name: /minute/ })).toHaveText(time.toFormat('mm'));
}

/** Logs the coat in the form of the bench, with a reason where the hour of the run gives it one to ask for. */
export async function logCoat(page: Page): Promise<void> {
  await page.getByLabel(/^(Note|Reason to apply it anyway)$/).fill('As the test has it');
  await page.getByRole('button', { name: 'Log coat' }).click();
}
