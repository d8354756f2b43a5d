import { expect } from '@playwright/test';
import type { PlanView } from '../src/contract/index.ts';
import { expectAccessible, planTest as test } from './yard.ts';

// A plan of the whole yard takes seconds of both cores; on a shared machine it takes as long as it takes.
test.describe.configure({ timeout: 900_000 });
const PLANNED = { timeout: 300_000 };

test('the plan answers when each boat is afloat, keeps a task where it is told to, and works with other people', async ({
  page,
  request,
}) => {
  await page.goto('/plan');
  await expect(page.getByRole('heading', { name: 'Day by day' })).toBeVisible(PLANNED);
  await expect(page.getByText(/ready to launch \w{3} \d+ \w{3}, \d\d:\d\d/).first()).toBeVisible();
  await expectAccessible(page);

  // The first task kept at its time stays kept, with the keyboard; then it is let go again.
  const first = page.getByRole('button', { name: /^Keep at this time/ }).first();
  const name = ((await first.getAttribute('aria-label')) ?? '').replace(/^Keep at this time: /, '');
  await first.focus();
  await page.keyboard.press('Enter');
  const release = page.getByRole('button', { name: `Release: ${name}`, exact: true });
  await expect(release).toBeVisible();
  const kept = (await (await request.get('/api/v1/plan')).json()) as PlanView;
  expect(kept.setup.pins).toHaveLength(1);
  await release.click();
  await expect(page.getByRole('button', { name: /^Release/ })).toHaveCount(0);

  // A second person with a name of their own turns up in the plan or at least in its set-up.
  await page.getByRole('button', { name: 'Add person' }).click();
  await page.getByLabel('Name', { exact: true }).nth(1).fill('Second painter');
  await page.getByRole('button', { name: 'Save and plan again' }).click();
  await expect
    .poll(async () =>
      ((await (await request.get('/api/v1/plan')).json()) as PlanView).setup.people.map((each) => each.name),
    )
    .toEqual(['One person', 'Second painter']);
  await expect(page.getByText(/\. Second painter|Calendar of Second painter/).first()).toBeAttached();
});

test('hours that end before they begin are refused at their field, and nothing typed is lost', async ({
  page,
}) => {
  await page.goto('/plan');
  await page.getByLabel('Works from').first().selectOption('17');
  await page.getByLabel('Works until').first().selectOption('8');
  await page.getByLabel('Name', { exact: true }).first().fill('Early riser');
  // A launch date typed in part is refused, not left out.
  const wanted = page.getByRole('group', { name: /wanted afloat by$/ }).first();
  await wanted.getByRole('spinbutton').first().press('Backspace');
  await wanted.getByRole('spinbutton').first().press('2');
  await page.getByRole('button', { name: 'Save and plan again' }).click();
  await expect(page.getByText('End of work must be later than 17:00, but is 08:00').first()).toBeVisible();
  await expect(page.getByText('Launch wanted must be a date and time').first()).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true }).first()).toHaveValue('Early riser');
});

test('an agreed plan says what extra work moves, an impossible time is refused with its reason, and the day is listed for each person', async ({
  page,
  request,
}) => {
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Agree to this plan' }).click();
  await expect(page.getByText('Every task is where it was agreed to be.')).toBeVisible(PLANNED);
  await page.getByLabel('What to do').fill('Grind out rust');
  await page.getByLabel('Time it takes').fill('6');
  await page.getByRole('button', { name: 'Add work' }).click();
  // A machine that stands still finds less of a plan in its time: more may be added than the work.
  await expect(page.getByText(/tasks? moved, \d+ tasks? added/)).toBeVisible(PLANNED);
  await expect(page.getByText(/^Added: Extra work: Grind out rust/)).toBeVisible();
  // Of many moved tasks most are folded.
  for (const fold of await page.getByText(/more moved tasks?$/).all()) await fold.click();
  await expect(page.getByText(/See: Extra work: Grind out rust/).first()).toBeVisible();

  // By the keyboard: a launch, at a time before its films are ready.
  const move = page.getByRole('button', { name: /^Move: Launch/ }).last();
  await move.focus();
  await page.keyboard.press('Enter');
  const never = page.getByRole('button', { name: /^\d\d:\d\d, not possible$/ });
  const day = page.getByLabel('Day', { exact: true });
  await expect(day).toBeVisible(PLANNED);
  // Some hour of some day lies outside what its film or its air allow.
  for (const option of await day.locator('option').all()) {
    if ((await never.count()) > 0) break;
    await day.selectOption((await option.getAttribute('value')) ?? '');
  }
  await never.first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'isn’t possible' })).toBeVisible();
  expect(((await (await request.get('/api/v1/plan')).json()) as PlanView).setup.pins).toEqual([]);
  await page.getByRole('button', { name: 'Cancel' }).click();

  // Work of the day, then the extra work is done with and the agreement undone.
  await page.getByRole('link', { name: 'Work of the day' }).click();
  await expect(page.getByRole('heading', { name: 'Work of the day' })).toBeVisible();
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Done or not needed: Grind out rust' }).click();
  await expect(page.getByText('Every task is where it was agreed to be.')).toBeVisible(PLANNED);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('button', { name: 'Agree to this plan' })).toBeVisible(PLANNED);
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(page.getByText('Every task is where it was agreed to be.')).toBeVisible(PLANNED);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('button', { name: 'Agree to this plan' })).toBeVisible(PLANNED);
});

test('changes compared name a date or say that there is no plan, at a phone too', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Compare changes' }).click();
  const rows = page.getByRole('row');
  await expect(rows).toHaveCount(12);
  await expect(page.getByText('…', { exact: true })).toHaveCount(0, PLANNED);
  for (const row of (await rows.allTextContents()).slice(1)) expect(row).toMatch(/\d\d:\d\d|no plan/);
  await expectAccessible(page);
});

test('the plan is played in simulated weather, decided otherwise and taken back, by keyboard', async ({
  page,
  request,
}) => {
  await page.goto('/plan');
  await page.getByRole('link', { name: 'Rehearse the plan' }).click();
  const play = page.getByRole('button', { name: 'Play', exact: true });
  await expect(play).toBeVisible(PLANNED);
  const time = page.getByRole('slider', { name: 'Time in the rehearsal' });
  const before = await time.getAttribute('aria-valuetext');
  await play.click();
  await expect(time).not.toHaveAttribute('aria-valuetext', before ?? '');
  await page.getByRole('button', { name: 'Pause' }).click();
  await time.focus();
  await page.keyboard.press('Home');
  await expect(time).toHaveAttribute('aria-valuetext', before ?? '');

  // The last launch at once: it is not ready, and the outcome says so beside what the plan would have come to.
  const task = page.getByLabel('Task');
  const launch = await task.locator('option', { hasText: 'Launch' }).last().getAttribute('value');
  await task.selectOption(launch);
  await page.getByRole('button', { name: 'Start later' }).click();
  await expect(page.getByText(/held until/)).toBeVisible(PLANNED);
  await page.getByRole('button', { name: 'Skip to the end' }).click();
  const outcome = page.getByRole('region', { name: 'Outcome', exact: true }).first();
  await expect(outcome.getByRole('columnheader', { name: 'With your decisions' })).toBeVisible();
  await expect(page.getByText('No work is left.')).toBeVisible(PLANNED);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Undo last decision' }).click();
  await expect(page.getByRole('columnheader', { name: 'With your decisions' })).toBeHidden();
  // The plan itself stays.
  expect(((await (await request.get('/api/v1/plan')).json()) as PlanView).tasks.length).toBeGreaterThan(0);
});
